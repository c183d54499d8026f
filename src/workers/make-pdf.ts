import { footText, type PageDefinition } from '@/core/handover';

/** What is used of the page maker. */
export interface PageMaker {
  readonly virtualfs: { writeFileSync(name: string, content: Uint8Array | string, encoding?: string): void };
  setFonts(fonts: Readonly<Record<string, Readonly<Record<string, string>>>>): void;
  setTableLayouts(layouts: object): void;
  setProgressCallback(callback: (share: number) => void): void;
  setUrlAccessPolicy?(callback: (url: string) => boolean): void;
  setLocalAccessPolicy?(callback: (path: string) => boolean): void;
  createPdf(definition: object, options?: object): { getBuffer(): Promise<Uint8Array> };
}

/** Faces of the type, as files of the page maker’s own little file system. */
export const FACES = {
  'Barlow-Regular.ttf': 'regular',
  'Barlow-SemiBold.ttf': 'bold',
  'BarlowCondensed-Medium.ttf': 'condensed',
  'BarlowCondensed-SemiBold.ttf': 'condensedBold',
  'NotoSans-Regular.ttf': 'signs',
} as const;
const FONTS = {
  Barlow: {
    normal: 'Barlow-Regular.ttf',
    bold: 'Barlow-SemiBold.ttf',
    italics: 'Barlow-Regular.ttf',
    bolditalics: 'Barlow-SemiBold.ttf',
  },
  'Barlow Condensed': {
    normal: 'BarlowCondensed-Medium.ttf',
    bold: 'BarlowCondensed-SemiBold.ttf',
    italics: 'BarlowCondensed-Medium.ttf',
    bolditalics: 'BarlowCondensed-SemiBold.ttf',
  },
  /** Letters that the others lack: Greek of the formulas, and whatever names are written in. */
  Signs: {
    normal: 'NotoSans-Regular.ttf',
    bold: 'NotoSans-Regular.ttf',
    italics: 'NotoSans-Regular.ttf',
    bolditalics: 'NotoSans-Regular.ttf',
  },
} as const;

const LAYOUTS = {
  lines: {
    hLineWidth: (row: number) => (row <= 1 ? 0.8 : 0.3),
    vLineWidth: () => 0,
    hLineColor: () => '#444444',
    paddingLeft: () => 2,
    paddingRight: () => 4,
    paddingTop: () => 1.2,
    paddingBottom: () => 1.2,
  },
  caution: {
    hLineWidth: () => 1.2,
    vLineWidth: () => 1.2,
    paddingLeft: () => 6,
    paddingRight: () => 6,
    paddingTop: () => 4,
    paddingBottom: () => 4,
  },
};

/** Pages as PDF bytes; nothing is fetched while they are made. */
export async function makePdf(
  maker: PageMaker,
  definition: PageDefinition,
  faces: Readonly<Record<keyof typeof FACES, Uint8Array>>,
  progress: (share: number) => void = () => {},
): Promise<Uint8Array> {
  for (const [name, bytes] of Object.entries(faces)) maker.virtualfs.writeFileSync(name, bytes);
  maker.setFonts(FONTS);
  maker.setUrlAccessPolicy?.(() => false);
  maker.setLocalAccessPolicy?.(() => false);
  maker.setTableLayouts(LAYOUTS);
  maker.setProgressCallback(progress);
  const { footers, content, ...rest } = definition;
  return await maker
    .createPdf({
      ...rest,
      // It writes into what it is given.
      content: structuredClone(content),
      footer: (page: number, pages: number) => ({
        text: footText(footers, page, pages),
        fontSize: 7,
        color: '#555555',
        alignment: 'center',
        margin: [30, 14, 30, 0],
      }),
    })
    .getBuffer();
}
