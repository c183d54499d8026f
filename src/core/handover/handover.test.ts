import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { makePdf } from '../../workers/make-pdf';
import { type Assessment, assess, assessWithRuns } from '../assess';
import { applyEdit, type Build, emptyBuild } from '../build';
import { firn9, SAMPLES } from '../build/samples';
import { readCsv } from '../formats';
import { chaptersOf, imprintOf, markdownOf, openFiles, pagesOf } from '.';
import type { Block, Chapter } from './document';
import { rescueChapter } from './people-chapters';

const DAY = '2026-11-30';
const pack = (build: Build, run: (of: Build) => Assessment = assess) => {
  const assessment = run(build);
  return { assessment, chapters: chaptersOf(assessment, DAY), imprint: imprintOf(assessment, DAY) };
};
const listOf = ({ blocks }: Chapter): string =>
  blocks.flatMap((block: Block) => (block.is === 'list' ? block.items : [])).join('\n');

describe('chapters', () => {
  test.each(SAMPLES.map(({ key, make }) => [key, make] as const))(
    '%s: nothing is left in marks of another kind',
    (_, make) => {
      const { chapters } = pack(make('mine'));
      const all = JSON.stringify(chapters);
      // Figures that nobody spelled out stand between private letters.
      expect(all).not.toMatch(/[\ue0f0\ue0f1]/);
      expect(all).not.toContain('undefined');
      expect(all).not.toContain('NaN');
      expect(chapters.map(({ id }) => id)).toEqual(
        expect.arrayContaining(['cover', 'rescue', 'owner', 'circuit', 'wires', 'tests', 'open', 'checks']),
      );
    },
  );

  test('US units: no metres, no millimetres of conductors', () => {
    const us = applyEdit(firn9(), { edit: 'setUnits', input: { units: 'us' } }).build;
    const { chapters } = pack(us);
    const circuit = JSON.stringify(chapters.find(({ id }) => id === 'circuit'));
    expect(circuit).toMatch(/AWG|kcmil/);
    expect(circuit).not.toMatch(/\d\s?m"/);
  });

  test('a build from nothing has a pack too, and says what it lacks', () => {
    const { chapters } = pack(emptyBuild('b1', 'From nothing'));
    expect(listOf(chapters.find(({ id }) => id === 'rescue')!)).toContain('can’t be told');
  });
});

describe('emergency card', () => {
  const cardOf = (build: Build) => listOf(rescueChapter(assess(build)));

  test('what the wiring opens, not what is called a stop', () => {
    const build = firn9();
    expect(cardOf(build)).toMatch(/Emergency stop, .*: press\. It opens every contactor/);
    // The same name on something that is wired around lets nothing go: no card may send anybody there.
    const wired = Object.values(build.circuits.lv.conductors).find(
      ({ a }) => a.deviceId === 'coil-stop' && a.terminal === 'b',
    )!;
    const around: Build = {
      ...build,
      circuits: {
        ...build.circuits,
        lv: {
          ...build.circuits.lv,
          conductors: {
            ...build.circuits.lv.conductors,
            around: {
              ...wired,
              id: 'around',
              a: { deviceId: 'coil-stop', terminal: 'a' },
              b: { deviceId: 'coil-stop', terminal: 'b' },
            },
          },
        },
      },
    };
    expect(
      cardOf(around)
        .split('\n')
        .filter((line) => /^Emergency stop, (?!second)/.test(line)),
    ).toEqual([]);
  });

  test('what nothing bleeds is never waited for: it is proved dead', () => {
    const build = firn9();
    const bare: Build = {
      ...build,
      parts: Object.fromEntries(
        Object.entries(build.parts).map(([id, part]) => {
          const { bleedResistanceOhm: _, ...rest } = part as typeof part & { bleedResistanceOhm?: number };
          return [id, rest as typeof part];
        }),
      ),
    };
    expect(cardOf(build)).toMatch(/Wait 5\s?min/);
    expect(cardOf(bare)).toContain('stay charged');
    expect(cardOf(bare)).not.toMatch(/Wait \d/);
  });

  test('an inverter of which nothing is known is never waited for', () => {
    const build = firn9();
    const { inverter } = build.circuits.hv.devices;
    const devices = { ...build.circuits.hv.devices, inverter: { ...inverter!, partId: null } };
    const card = cardOf({ ...build, circuits: { ...build.circuits, hv: { ...build.circuits.hv, devices } } });
    expect(card).toContain('How long capacitors stay charged is not known (Inverter)');
    expect(card).not.toMatch(/Wait \d/);
    expect(cardOf(emptyBuild('b1', 'From nothing'))).not.toMatch(/Wait \d/);
  });

  test('with everything out the cells’ own wires are named', () => {
    expect(cardOf(firn9())).toContain('Rear box plus to K+');
  });
});

test('Markdown: text of a file becomes no link, no HTML, no heading', () => {
  const build: Build = { ...firn9(), name: '# <img src=x> [a](b)', notes: '<script>alert(1)</script>\n# head' };
  const { chapters, imprint } = pack(build);
  const text = markdownOf(chapters, imprint);
  expect(text).not.toContain('<script>');
  expect(text).not.toContain('<img');
  expect(text).not.toContain('[a](b)');
  expect(text.split('\n').filter((line) => line.startsWith('# '))).toHaveLength(1);
});

test('open files: each table is a table, and no cell runs as a formula', () => {
  const build: Build = {
    ...firn9(),
    logbook: {
      entries: { e: { id: 'e', kind: 'work', date: '2026-05-01', what: '=HYPERLINK("x")' } },
    },
  };
  const { assessment, chapters, imprint } = pack(build);
  const files = openFiles(assessment, chapters, imprint, { mark: '.', stamp: '2026-11-30T10:00:00Z' });
  for (const [name, text] of Object.entries(files))
    if (name.endsWith('.csv')) {
      const read = readCsv(text);
      expect(read.ok, name).toBe(true);
      expect(text).not.toMatch(/(^|[,;\r\n])=/);
    }
  expect(JSON.parse(files['build.ropeway.json']!).name).toBe('Firn 9');
  expect(JSON.parse(files['assessment.json']!).outcome).toBe('fails');
  const readme = files['README.txt']!;
  for (const name of Object.keys(files)) if (name !== 'README.txt') expect(readme).toContain(name);
});

const face = (path: string) =>
  new Uint8Array(readFileSync(join(process.cwd(), 'node_modules', '@expo-google-fonts', path)));
const FACES = {
  'Barlow-Regular.ttf': face('barlow/400Regular/Barlow_400Regular.ttf'),
  'Barlow-SemiBold.ttf': face('barlow/600SemiBold/Barlow_600SemiBold.ttf'),
  'BarlowCondensed-Medium.ttf': face('barlow-condensed/500Medium/BarlowCondensed_500Medium.ttf'),
  'BarlowCondensed-SemiBold.ttf': face('barlow-condensed/600SemiBold/BarlowCondensed_600SemiBold.ttf'),
  'NotoSans-Regular.ttf': face('noto-sans/400Regular/NotoSans_400Regular.ttf'),
};

test('the PDF: pages, text that can be searched, embedded faces; the foot of each page says build, digest and page', async () => {
  const { default: maker } = await import('pdfmake');
  const { chapters, imprint } = pack(firn9(), assessWithRuns);
  const drawing = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 100"><rect width="200" height="100" fill="#fff"/><path d="M0 0 200 100" stroke="#000"/></svg>`;
  let heard = 0;
  const bytes = await makePdf(maker, pagesOf(chapters, imprint, { circuit: drawing }), FACES, (share) => {
    heard = Math.max(heard, share);
  });
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const read = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  expect(read.numPages).toBeGreaterThan(20);
  expect(heard).toBeGreaterThan(0);
  const pages: string[] = [];
  for (let k = 1; k <= read.numPages; k++) {
    const { items } = await (await read.getPage(k)).getTextContent();
    pages.push(
      items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' ')
        .replace(/[\s\u00a0]+/g, ' '),
    );
  }
  pages.forEach((text, k) => {
    expect(text).toContain(imprint.digest);
    expect(text).toContain(`${k + 1} of ${read.numPages}`);
    expect(text).toContain('licensed practice decide');
  });
  const all = pages.join(' ');
  for (const words of ['Emergency card', 'Rear box plus to K+', 'Charger fuse can’t break this voltage', 'τ', 'Σ', 'Ω'])
    expect(all).toContain(words);
  const raw = Buffer.from(bytes).toString('latin1');
  expect(raw.match(/\/FontFile2/g)!.length).toBeGreaterThanOrEqual(3);
});
