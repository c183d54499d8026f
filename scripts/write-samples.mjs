// Writes the sample builds as files, for the command line and for people to look at.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { root } from './lib.mjs';

const { outputFiles } = await build({
  stdin: { contents: "export { SAMPLES } from './src/core/build/samples';", resolveDir: root, loader: 'ts' },
  bundle: true,
  format: 'esm',
  write: false,
  platform: 'node',
});
const { SAMPLES } = await import(`data:text/javascript;base64,${Buffer.from(outputFiles[0].text).toString('base64')}`);
for (const sample of SAMPLES)
  writeFileSync(
    join(root, 'samples', `${sample.key}.ropeway.json`),
    `${JSON.stringify(sample.make(sample.key), null, 2)}\n`,
  );
