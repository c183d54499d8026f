import { expect, test } from 'vitest';
import { assess } from '../assess';
import { firn9 } from '../build/samples';
import { spell } from '../checks';
import { cableWorkings } from './cables';
import { prechargeWorkings } from './hv-circuit';
import { packWorkings } from './pack';

const {
  vehicle,
  results: {
    pack,
    'hv-circuit': precharge,
    cables: { rows: cables },
  },
} = assess(firn9());

test('every headline figure has a working with figures and a source, none of them broken', () => {
  const workings = [
    ...Object.values(packWorkings(vehicle, pack!)),
    ...Object.values(prechargeWorkings(precharge!)),
    ...cables.flatMap((row) => Object.values(cableWorkings(row))),
  ];
  for (const { lines, sources } of workings) {
    expect(sources.length).toBeGreaterThan(0);
    for (const line of lines) expect(`${line.formula} ${line.figures}`).not.toMatch(/NaN|undefined|not known,/);
  }
});

test('what the working shows gives the figure: pack resistance cold and aged, and the drop of a cable', () => {
  const [line] = spell(packWorkings(vehicle, pack!).resistanceColdAgedOhm).lines;
  const [n, cellMicro, fT, fA, parallel, linkMicro] = line!.figures.match(/[\d.]+/g)!.map(Number);
  expect(((n! * (cellMicro! * fT! * fA!)) / parallel! + n! * linkMicro!) * 1e-6).toBeCloseTo(
    pack!.resistanceColdAgedOhm,
    4,
  );
  const row = cables.find((candidate) => candidate.id === 'c-plus')!;
  const [amps, micro] = spell(cableWorkings(row).dropV)
    .lines[0]!.figures.match(/[\d.]+/g)!
    .map(Number);
  expect((amps! * micro!) / 1e6).toBeCloseTo(row.dropV!, 3);
});
