import { expose } from 'comlink';
import { strToU8, zipSync } from 'fflate';
import type { PageDefinition } from '@/core/handover';
import { type FACES, makePdf } from './make-pdf';

/** Faces of the type, shipped with the application. */
const URLS = {
  'Barlow-Regular.ttf': new URL(
    '../../node_modules/@expo-google-fonts/barlow/400Regular/Barlow_400Regular.ttf',
    import.meta.url,
  ),
  'Barlow-SemiBold.ttf': new URL(
    '../../node_modules/@expo-google-fonts/barlow/600SemiBold/Barlow_600SemiBold.ttf',
    import.meta.url,
  ),
  'BarlowCondensed-Medium.ttf': new URL(
    '../../node_modules/@expo-google-fonts/barlow-condensed/500Medium/BarlowCondensed_500Medium.ttf',
    import.meta.url,
  ),
  'BarlowCondensed-SemiBold.ttf': new URL(
    '../../node_modules/@expo-google-fonts/barlow-condensed/600SemiBold/BarlowCondensed_600SemiBold.ttf',
    import.meta.url,
  ),
  'NotoSans-Regular.ttf': new URL(
    '../../node_modules/@expo-google-fonts/noto-sans/400Regular/NotoSans_400Regular.ttf',
    import.meta.url,
  ),
} as const satisfies Record<keyof typeof FACES, URL>;

async function faces(): Promise<Record<keyof typeof FACES, Uint8Array>> {
  const read = await Promise.all(
    Object.entries(URLS).map(async ([name, url]) => {
      const answer = await fetch(url);
      if (!answer.ok) throw new Error(`the face ${name} is not there (${answer.status})`);
      return [name, new Uint8Array(await answer.arrayBuffer())] as const;
    }),
  );
  return Object.fromEntries(read) as Record<keyof typeof FACES, Uint8Array>;
}

const api = {
  async pdf(definition: PageDefinition, progress: (share: number) => void): Promise<Uint8Array> {
    const [{ default: maker }, type] = await Promise.all([import('pdfmake/build/pdfmake'), faces()]);
    const bytes = await makePdf(maker, definition, type, progress);
    // A plain copy: what the page maker hands out is a view of something larger.
    return new Uint8Array(bytes);
  },
  /** Text and bytes by name, in one file. */
  zip(files: Readonly<Record<string, string | Uint8Array>>): Uint8Array {
    return zipSync(
      Object.fromEntries(
        Object.entries(files).map(([name, content]) => [
          name,
          typeof content === 'string' ? strToU8(content) : content,
        ]),
      ),
      { level: 6 },
    );
  },
};

export type PackWorker = typeof api;
expose(api);
