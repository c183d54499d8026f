import { type Block, type Chapter, DECIDES, type Imprint } from './document';

/** Text that Markdown leaves alone: nothing of a file becomes a link, a picture or HTML. */
const plain = (words: string): string =>
  words
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/[\\`*_{}[\]#|!~]/g, (letter) => `\\${letter}`)
    .replace(/\r?\n/g, ' ');
const cell = (words: string): string => words.split('\n').map(plain).join('<br>');

function blockText(block: Block): string {
  switch (block.is) {
    case 'text':
      return block.strong ? `**${plain(block.text)}**` : plain(block.text);
    case 'caution':
      return `> **Caution.** ${plain(block.text)}`;
    case 'list':
      return block.items.map((item) => `- ${plain(item)}`).join('\n');
    case 'table':
      return [
        `| ${block.head.map((one) => plain(one) || ' ').join(' | ')} |`,
        `|${block.head.map(() => '---').join('|')}|`,
        ...block.rows.map((row) => `| ${row.map(cell).join(' | ')} |`),
      ].join('\n');
    case 'drawing':
      return `${plain(block.about)}: drawings/${block.id}.svg`;
  }
}

/** The document as Markdown. */
export const markdownOf = (chapters: readonly Chapter[], { build, digest, date }: Imprint): string =>
  [
    `# ${plain(build)}`,
    '',
    `${date}, ${digest}. ${DECIDES}`,
    ...chapters.flatMap(({ title, blocks }, k) => [
      '',
      `## ${k + 1} ${plain(title)}`,
      ...blocks.flatMap((block) => ['', blockText(block)]),
    ]),
    '',
  ].join('\n');
