import { type Block, type Chapter, DECIDES, type DrawingId, type Imprint } from './document';

/** Sheet of paper in points, and its margins. */
const SHEETS = { A4: [595.28, 841.89], LETTER: [612, 792] } as const;
const MARGINS = [42, 46, 42, 44] as const;

/** What a page maker takes: plain JSON, kept so that it can be looked at without one. */
export interface PageDefinition {
  readonly pageSize: keyof typeof SHEETS;
  readonly pageMargins: readonly number[];
  readonly content: readonly unknown[];
  readonly defaultStyle: Readonly<Record<string, unknown>>;
  readonly styles: Readonly<Record<string, Readonly<Record<string, unknown>>>>;
  readonly info: Readonly<Record<string, string>>;
  readonly footers: Imprint;
}

type Drawings = Readonly<Partial<Record<DrawingId, string>>>;

/** Letters that the first face has beyond Latin; all others are set in the second one. */
const IN_FIRST = /[\u2010-\u2026\u2030-\u203a\u2070-\u2079ΩΔμπ€™√∫∞≈≠≤≥−∂∏∑◊]/;
const LATIN_TO = 0x24f;
const inFirst = (letter: string): boolean => letter.codePointAt(0)! <= LATIN_TO || IN_FIRST.test(letter);
const NARROW = /[\u2000-\u200a\u202f]/g;

/** Text in runs of one face each; plain where one is enough. */
export function runsOf(
  words: string,
): string | readonly (string | { readonly text: string; readonly font: 'Signs' })[] {
  const text = words.replace(NARROW, '\u00a0');
  const runs: (string | { text: string; font: 'Signs' })[] = [];
  let [run, first] = ['', true];
  const close = () => {
    if (run !== '') runs.push(first ? run : { text: run, font: 'Signs' });
    run = '';
  };
  for (const letter of text) {
    const is = inFirst(letter);
    if (is !== first) {
      close();
      first = is;
    }
    run += letter;
  }
  close();
  return runs.length === 1 && typeof runs[0] === 'string' ? runs[0] : runs.length === 0 ? '' : runs;
}

/** Width and height of a drawing from its own tag; null: it says neither. */
function sizeOf(svg: string): readonly [number, number] | null {
  const tag = svg.match(/<svg[^>]*>/)?.[0] ?? '';
  const read = (name: string) => Number(tag.match(new RegExp(`\\b${name}="([0-9.]+)`))?.[1] ?? Number.NaN);
  const box = tag.match(/viewBox="[-0-9.]+[ ,]+[-0-9.]+[ ,]+([0-9.]+)[ ,]+([0-9.]+)"/);
  const [width, height] = box ? [Number(box[1]), Number(box[2])] : [read('width'), read('height')];
  return width > 0 && height > 0 ? [width, height] : null;
}

function blockContent(block: Block, drawings: Drawings, wide: number, high: number, large: boolean): unknown {
  const [body, cell] = large ? ['large', 'largeCell'] : ['body', 'cell'];
  switch (block.is) {
    case 'text':
      return { text: runsOf(block.text), style: block.strong ? (large ? 'largePart' : 'part') : body };
    case 'caution':
      return {
        table: { widths: ['*'], body: [[{ text: runsOf(block.text), style: 'caution' }]] },
        layout: 'caution',
        margin: [0, 3, 0, 5],
      };
    case 'list':
      return { ul: block.items.map((item) => ({ text: runsOf(item) })), style: body, margin: [0, 1, 0, 4] };
    case 'table': {
      if (block.rows.length === 0) return { text: 'none', style: 'note' };
      const widths = block.head.map((_, k) => (block.wide?.includes(k) ? '*' : 'auto'));
      return {
        table: {
          headerRows: 1,
          dontBreakRows: true,
          widths,
          body: [
            block.head.map((text) => ({ text: runsOf(text), style: 'head' })),
            ...block.rows.map((row) => row.map((text) => ({ text: runsOf(text), style: cell }))),
          ],
        },
        layout: 'lines',
        margin: [0, 2, 0, 6],
      };
    }
    case 'drawing': {
      const svg = drawings[block.id];
      const size = svg === undefined ? null : sizeOf(svg);
      if (svg === undefined || size === null) return { text: `${block.about}: not drawn`, style: 'note' };
      // Beside what is read in a hurry it is small: one sheet of paper.
      const scale = Math.min(wide / size[0], (large ? 200 : high) / size[1]);
      return {
        stack: [
          { svg, font: 'Barlow', width: size[0] * scale, height: size[1] * scale },
          { text: runsOf(block.about), style: 'note' },
        ],
        margin: [0, 2, 0, 6],
      };
    }
  }
}

/** The document as pages: each chapter begins one; contents first, the same line at the foot of each. */
export function pagesOf(chapters: readonly Chapter[], imprint: Imprint, drawings: Drawings): PageDefinition {
  const pageSize = imprint.us ? 'LETTER' : 'A4';
  const [short, long] = SHEETS[pageSize];
  const [left, top, right, bottom] = MARGINS;
  const content: unknown[] = [];
  chapters.forEach(({ title, blocks, across = false, large = false }, k) => {
    const wide = (across ? long : short) - left - right;
    const high = (across ? short : long) - top - bottom - 60;
    content.push({
      text: k === 0 && chapters.length > 1 ? title : `${chapters.length > 1 ? `${k}  ` : ''}${title}`,
      style: 'title',
      ...(k === 0 || chapters.length === 1 ? {} : { tocItem: true }),
      ...(k === 0 ? {} : { pageBreak: 'before' }),
      pageOrientation: across ? 'landscape' : 'portrait',
    });
    for (const block of blocks) content.push(blockContent(block, drawings, wide, high, large));
    if (k === 0 && chapters.length > 1) content.push({ toc: { title: { text: 'Contents', style: 'part' } } });
  });
  return {
    pageSize,
    pageMargins: MARGINS,
    content,
    defaultStyle: { font: 'Barlow', fontSize: 9, lineHeight: 1.1 },
    styles: {
      title: { font: 'Barlow Condensed', bold: true, fontSize: 20, margin: [0, 0, 0, 6] },
      part: { bold: true, fontSize: 10.5, margin: [0, 7, 0, 2] },
      body: { fontSize: 9 },
      large: { fontSize: 11.5, lineHeight: 1.2 },
      largeCell: { fontSize: 10 },
      largePart: { bold: true, fontSize: 14, margin: [0, 9, 0, 3] },
      head: { bold: true, fontSize: 7.5 },
      cell: { fontSize: 7.5 },
      note: { fontSize: 7.5, color: '#555555' },
      caution: { bold: true, fontSize: 10 },
    },
    info: { title: `${imprint.build}: build pack`, subject: imprint.digest, creator: 'Ropeway', producer: 'Ropeway' },
    footers: imprint,
  };
}

/** What stands at the foot of a page. */
export const footText = ({ build, digest, date }: Imprint, page: number, pages: number): string =>
  `${build} · ${digest} · ${date} · ${page} of ${pages} · ${DECIDES}`;
