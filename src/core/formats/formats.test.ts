import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type Build, EditRefused } from '../build';
import { firn9 } from '../build/samples';
import { readBuildText, readParts } from '../build/schema';
import { CATALOGUE, cataloguePart } from '../parts';
import {
  buildFileName,
  buildText,
  cablesCsv,
  decodeText,
  partsCsv,
  previewParts,
  rawParts,
  readCablesCsv,
  readCsv,
  spiceExport,
  writeCsv,
} from './index';

const rowsOf = (text: string) => {
  const read = readCsv(text);
  if (!read.ok) throw new Error(JSON.stringify(read.errors));
  return read.table;
};
const partsOf = (text: string) => readParts(rawParts(rowsOf(text)));

test('a build file is read back identical', () => {
  expect(readBuildText(buildText(firn9()))).toEqual({ ok: true, build: firn9() });
  expect(buildFileName('Großer Umbau / 2', '.ropeway.json')).toBe('gro-er-umbau-2.ropeway.json');
  expect(buildFileName('…', '.csv')).toBe('build.csv');
});

describe('CSV', () => {
  test('what would run as a formula is disarmed, numbers stay numbers, and reading takes it back', () => {
    const cells = ['=1+1', '+49 1', '-2.5', '@sum', '-x', 'plain', '\tx'];
    const text = writeCsv([['a', 'b', 'c', 'd', 'e', 'f', 'g'], cells]);
    const line = text.split('\r\n')[1]!;
    expect(line).toBe("'=1+1,'+49 1,-2.5,'@sum,'-x,plain,'\tx");
    expect([...rowsOf(text).rows[0]!.fields.values()].slice(0, 6)).toEqual(cells.slice(0, 6));
  });

  test('any text comes back as it was', () => {
    fc.assert(
      fc.property(
        fc.string({ minLength: 1, maxLength: 30 }),
        fc.constantFrom('.' as const, ',' as const),
        (value, mark) => {
          const text = value.trim();
          if (text === '' || text.startsWith("'")) return;
          expect(
            rowsOf(
              writeCsv(
                [
                  ['a', 'b'],
                  ['x', text],
                ],
                mark,
              ),
            ).rows[0]!.fields.get('b'),
          ).toBe(text);
        },
      ),
      { seed: 71, numRuns: 400 },
    );
  });

  test.each([';', '\t', ',', '|'])('the delimiter %j is found out', (delimiter) => {
    const table = rowsOf(`id${delimiter}name${delimiter}length_m\nx${delimiter}"a, b; c"${delimiter}1.5\n`);
    expect(table.delimiter).toBe(delimiter);
    expect(table.rows[0]!.fields.get('name')).toBe('a, b; c');
  });

  test('a quotation mark that never closes, an empty file and a doubled column are refused in words', () => {
    for (const text of ['id,name\nx,"open\n', '', 'id,id\n1,2\n']) {
      const read = readCsv(text);
      expect(read.ok).toBe(false);
      if (!read.ok) expect(read.errors[0]!.remedy.length).toBeGreaterThan(5);
    }
  });

  test('bytes are read as UTF-8, UTF-16 by their mark, or Windows-1252 when UTF-8 can’t be', () => {
    expect(decodeText(new Uint8Array([0xef, 0xbb, 0xbf, 0xc3, 0xa9]))).toBe('é');
    expect(decodeText(new Uint8Array([0xff, 0xfe, 0xe9, 0x00]))).toBe('é');
    expect(decodeText(new Uint8Array([0x31, 0x30, 0x20, 0xb5]))).toBe('10 µ');
  });
});

describe('the cable list', () => {
  const build = firn9();

  test.each(['.', ','] as const)('exported and read back changes nothing (decimal %s)', (mark) => {
    expect(readCablesCsv(cablesCsv(build, mark), build)).toEqual({ ok: true, changes: [], edit: null });
  });

  test('a length with a decimal comma and another cable are shown before they are taken, and undone in one step', () => {
    const text = 'id;length_m;part_id\nc-minus;1,35;cable-plain-95\nc-shunt;;\n';
    const read = readCablesCsv(text, build);
    if (!read.ok || !read.edit) throw new Error('refused');
    expect(read.changes.map(({ what, before, after }) => [what, before, after])).toEqual([
      ['cable', '70 mm² HV cable, 125 °C, shielded', '95 mm² HV cable, 125 °C'],
      ['length', '1.1 m', '1.35 m'],
    ]);
    const edited = applyEdit(build, read.edit);
    expect(edited.build.circuits.hv.conductors['c-minus']).toMatchObject({ lengthM: 1.35, partId: 'cable-plain-95' });
    expect(edited.inverse.length).toBeGreaterThan(0);
    expect(readBuildText(buildText(edited.build)).ok).toBe(true);
  });

  test('one wrong row refuses the whole list, with its line', () => {
    const read = readCablesCsv('id,length_m,parallel\nc-minus,1.2,1\nghost,1,1\nc-shunt,=HYPERLINK(1),0\n', build);
    if (read.ok) throw new Error('taken');
    expect(read.errors.map((error) => error.path)).toEqual(['line 3, id', 'line 4, parallel', 'line 4, length_m']);
    expect(readCablesCsv('name\nx\n', build).ok).toBe(false);
    expect(readCablesCsv('id\nc-minus\nc-minus\n', build).ok).toBe(false);
    expect(readCablesCsv('id,part_id\n__proto__,constructor\n', build).ok).toBe(false);
  });
});

describe('parts', () => {
  test.each(['.', ','] as const)('the whole catalogue comes back identical (decimal %s)', (mark) => {
    const read = partsOf(partsCsv(CATALOGUE, mark));
    if (!read.ok) throw new Error(JSON.stringify(read.errors));
    expect(read.parts).toEqual(CATALOGUE);
  });

  test('what is new and what changes is told field by field, and taken in one step', () => {
    const build = firn9();
    const shunt = build.parts['shunt-500']!;
    const read = partsOf(
      partsCsv([
        { ...shunt, ratedCurrentA: 450 } as typeof shunt,
        { ...shunt, id: 'shunt-own', name: 'My shunt', provenance: 'own' },
      ]),
    );
    if (!read.ok) throw new Error(JSON.stringify(read.errors));
    const preview = previewParts(read.parts, build);
    if (!preview.ok || !preview.edit) throw new Error('refused');
    expect(preview.fresh.map((part) => part.name)).toEqual(['My shunt']);
    expect(preview.changes).toEqual([
      { subject: 'Shunt, 500 A, 50 mV', what: 'ratedCurrentA', before: '500', after: '450' },
    ]);
    const edited = applyEdit(build, preview.edit).build;
    expect(edited.parts['shunt-own']).toBeDefined();
    expect(readBuildText(buildText(edited)).ok).toBe(true);
    expect(() => applyEdit(edited, { edit: 'removePart', input: { partId: 'shunt-500' } })).toThrow(EditRefused);
    expect(
      applyEdit(edited, { edit: 'removePart', input: { partId: 'shunt-own' } }).build.parts['shunt-own'],
    ).toBeUndefined();
  });

  test('a cell of the wrong kind is refused with line and field', () => {
    const read = partsOf(
      'kind,id,name,resistanceOhm,ratedCurrentA\nsensor,s1,One,abc,5\nsensor,s2,Two,0.001,5\nsensor,s2,Two,0.001,5\n',
    );
    if (read.ok) throw new Error('taken');
    expect(read.errors.map((error) => error.path)).toEqual(['line 2, resistanceOhm', 'line 4, id']);
  });
});

describe('SPICE text', () => {
  const { vehicle } = assess(applyEdit(firn9(), { edit: 'setPowersFrom', input: { powersFrom: 'typed' } }).build);
  const cruise = vehicle.cases.find((solved) => solved.id === 'cruise/nominal/sustained')!;

  test('each element has its card, open switches none, and the loads their power', () => {
    const { text, nodeNames } = spiceExport(vehicle, cruise);
    expect(text).toMatch(/^Rf_mid f_mid_a f_mid_b 0\.000366666667$/m);
    expect(text).toMatch(/^\* k_pre between k_pre_a and k_pre_b is open$/m);
    expect(text).toMatch(/^Binverter inverter_plus inverter_minus I = .*32000/m);
    expect(text.trimEnd().endsWith('.end')).toBe(true);
    expect(new Set(nodeNames.values()).size).toBe(nodeNames.size);
  });

  test('a name from a file can’t smuggle in a line', () => {
    const named: Build = { ...firn9(), name: 'x\n.control\nshell rm\n.endc' };
    const { text } = spiceExport(assess(named).vehicle, cruise);
    expect(text).not.toMatch(/^(\.control|shell)/m);
  });
});

test('where the figures of a part come from survives the list: what is unknown stays unknown', () => {
  const part = {
    ...cataloguePart('inverter-144-400', 'inverter'),
    id: 'own-inverter',
    origins: { linkCapacitanceF: 'unknown', 'window.absoluteMaxV': 'seller' },
  } as const;
  expect(partsOf(partsCsv([part]))).toMatchObject({ ok: true, parts: [part] });
  expect(partsOf(partsCsv([part]).replace('linkCapacitanceF:unknown', 'linkCapacitanceF'))).toMatchObject({
    ok: false,
  });
});
