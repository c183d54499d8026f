import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import { expect, test } from 'vitest';

const src = (path: string) => fileURLToPath(new URL(`../../${path}`, import.meta.url));

/** Files that come with a page at once: whatever it imports, and what that imports, dynamic imports left out. */
async function atOnce(entry: string): Promise<ReadonlySet<string>> {
  const { metafile } = await build({
    entryPoints: [src(entry)],
    bundle: true,
    splitting: true,
    write: false,
    metafile: true,
    format: 'esm',
    outdir: 'out',
    jsx: 'automatic',
    loader: { '.ttf': 'file' },
    alias: { '@': src('') },
    external: ['next/*'],
    logLevel: 'silent',
  });
  const { inputs } = metafile;
  const first = Object.keys(inputs).find((path) => path.endsWith(entry))!;
  const found = new Set([first]);
  for (const path of found)
    for (const one of inputs[path]!.imports)
      if (one.kind === 'import-statement' && inputs[one.path]) found.add(one.path);
  return new Set([...found].map((path) => path.replace(/^.*?src\//, '')));
}

test('the page of all builds comes without the model: no edits, no limits of the file, no catalogue, no stations', async () => {
  const files = await atOnce('screens/home/home.tsx');
  // It has what it needs itself.
  expect(files).toContain('store/repository.ts');
  expect(files).toContain('core/build/defaults.ts');
  const heavy = [...files].filter((path) =>
    /^core\/(build\/(index|edits\/(edits|apply|settable)|limits|samples\/(firn|larkspur|teasel))|stations|assess|simulate|circuit|parts\/catalogue)/.test(
      path,
    ),
  );
  expect(heavy).toEqual([]);
});
