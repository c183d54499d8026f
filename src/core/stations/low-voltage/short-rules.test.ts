import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assess } from '../../assess';
import { applyEdit, type Build, type Edit } from '../../build';
import { firn9, larkspur } from '../../build/samples';
import { checkKey, say } from '../../checks';
import { catalogueOf, cataloguePart } from '../../parts';
import { findRemedies } from '../../remedies';
import { lowFault } from '../../simulate';
import { vehicleOf } from '../../vehicle';
import { returnsOf } from './behind-fuses';
import { highestV } from './short-rules';

const found = (build: Build, key: string) => assess(build).checks.find((check) => checkKey(check) === key)!;
const edited = (build: Build, ...edits: Edit[]): Build =>
  edits.reduce((one, edit) => applyEdit(one, edit).build, build);
const fuseId = (build: Build, name: string) =>
  Object.values(build.circuits.lv.devices).find((device) => device.kind === 'lv-fuse' && device.name === name)!.id;
const wireId = (build: Build, name: string) =>
  Object.values(build.circuits.lv.conductors).find((wire) => wire.name === name)!.id;

describe('shorts on the 12-volt side', () => {
  test('right behind the battery’s fuse: rest voltage over battery, wires, joints and fuse, and the converter on top', () => {
    const firn = firn9();
    const battery = fuseId(firn, 'Battery fuse');
    const fault = lowFault(vehicleOf(firn), battery, `${battery}.b`, 'coil-battery.minus', 'highest')!;
    // 6 · 2.13 V; 4 mΩ at 40 °C by 0.8; 0.15 m of 0.259 mΩ/m and its two lugs (0.05 mΩ each); fuse 75 mV at 175 A; 1500 W at 14.2 V.
    const ohm = 0.004 * 0.8 + 0.15 * 0.259e-3 + 2 * 0.00005 + 0.075 / 175;
    const byHand = (6 * 2.13) / ohm + 1500 / 14.2;
    expect(fault.throughA / byHand).toBeGreaterThan(0.999);
    expect(fault.throughA / byHand).toBeLessThan(1.001);
  });

  test('a converter’s fuse guards the converter’s own wires from the battery', () => {
    const firn = firn9();
    const check = found(firn, `lv.wire-short:${fuseId(firn, 'Converter fuse, 12 V')}`);
    // Fed by the battery, some kiloamperes, not by the converter’s hundred.
    const figures = check.says.figures as Readonly<Record<string, { readonly value: number }>>;
    expect(figures.current!.value).toBeGreaterThan(2000);
    expect(check.verdict).toBe('holds');
  });

  test('a blade of 1 kA right behind a strong battery does not break its short; the same rating at 58 V does: 1 kA · 58 / (2 · 14.8)', () => {
    const base = larkspur();
    const id = fuseId(base, 'Radio fuse');
    const weak = edited(base, {
      edit: 'fitPart',
      input: {
        deviceId: id,
        part: { ...cataloguePart('fuse-blade-32-5', 'fuse'), id: 'own-weak', breakingCapacityA: 200 },
      },
    });
    const check = found(weak, `lv.fuse-breaking:${id}`);
    expect(check.verdict).toBe('fails');
    const [remedy] = findRemedies(weak, check);
    expect(found(edited(weak, remedy!.edit), `lv.fuse-breaking:${id}`).verdict).not.toBe('fails');
    const strong = found(base, `lv.fuse-breaking:${id}`);
    const { breakingCapacityA } = cataloguePart('fuse-blade-58-5', 'fuse');
    expect(strong.limit!.value).toBeCloseTo((breakingCapacityA * 58) / (2 * highestV(vehicleOf(base))), 6);
  });

  test('a fuse without a DC rating, or of less than the highest voltage of this side, fails; 32 V holds', () => {
    const base = larkspur();
    const id = fuseId(base, 'Radio fuse');
    const rated = (ratedVoltageDcV: number | null) =>
      found(
        edited(base, {
          edit: 'fitPart',
          input: {
            deviceId: id,
            part: { ...cataloguePart('fuse-blade-32-5', 'fuse'), id: 'own-fuse', ratedVoltageDcV },
          },
        }),
        `lv.fuse-voltage:${id}`,
      );
    expect(rated(null).verdict).toBe('fails');
    expect(say(rated(null)).title).not.toBe(say(rated(12)).title);
    expect(rated(12).verdict).toBe('fails');
    expect(rated(32).verdict).toBe('holds');
  });

  test('a return thinner than its feed is what a short at the load burns', () => {
    const base = larkspur();
    const id = fuseId(base, 'Heater blower fuse');
    const load = Object.values(base.circuits.lv.devices).find(({ name }) => name === 'Heater blower')!;
    const back = Object.values(base.circuits.lv.conductors).find(({ a, b }) =>
      [a, b].some(({ deviceId, terminal }) => deviceId === load.id && terminal === 'minus'),
    )!;
    expect(returnsOf(vehicleOf(base), id).map((wire) => wire.id)).toContain(back.id);
    const thin = edited(base, {
      edit: 'fitCable',
      input: {
        conductorIds: [back.id],
        part: { ...cataloguePart('cable-thin-1', 'cable'), id: 'own-thin', areaMm2: 0.13 },
      },
    });
    const check = found(thin, `lv.wire-short:${id}`);
    expect(check.verdict).toBe('fails');
    expect(found(base, `lv.wire-short:${id}`).verdict).not.toBe('fails');
  });

  test('a large strip before a thin long wire burns it, a smaller fuse or a thicker wire cures it', () => {
    const base = larkspur();
    const name = 'Dipped beam, LED';
    const strong = edited(base, {
      edit: 'fitPart',
      input: { deviceId: fuseId(base, `${name} fuse`), part: cataloguePart('fuse-strip-32-500', 'fuse') },
    });
    const thin = edited(
      strong,
      ...[`${name} feed`, `${name} fuse to relay`].map(
        (wire): Edit => ({
          edit: 'fitCable',
          input: { conductorIds: [wireId(strong, wire)], part: cataloguePart('cable-thin-1', 'cable') },
        }),
      ),
    );
    const check = found(thin, `lv.wire-short:${fuseId(base, `${name} fuse`)}`);
    expect(check.verdict).toBe('fails');
    const longer = edited(thin, {
      edit: 'setConductor',
      input: { conductorId: wireId(thin, `${name} feed`), lengthM: 30 },
    });
    // Half a kiloampere is what a 500 A strip carries for hours: through 30 m of 1 mm² next to nothing flows.
    expect(say(found(longer, `lv.wire-short:${fuseId(base, `${name} fuse`)}`)).title).toContain('never ends');
  });

  test('the longer the wire, the smaller the fault at its end, and never more than the battery gives', () => {
    const base = larkspur();
    const feed = wireId(base, 'Wipers feed');
    const fuse = fuseId(base, 'Wipers fuse');
    const load = Object.values(base.circuits.lv.devices).find(
      ({ name, kind }) => name === 'Wipers' && kind === 'lv-load',
    )!;
    const at = (lengthM: number) =>
      lowFault(
        vehicleOf(edited(base, { edit: 'setConductor', input: { conductorId: feed, lengthM } })),
        fuse,
        `${load.id}.plus`,
        `${load.id}.minus`,
        'lowest',
      )!.throughA;
    const length = fc.double({ min: 0.2, max: 20, noNaN: true });
    fc.assert(
      fc.property(length, length, (p, r) => {
        const [short, long] = [Math.min(p, r), Math.max(p, r)];
        expect(at(long)).toBeLessThanOrEqual(at(short) * (1 + 1e-9));
        // Half empty at −20 °C: 6 · 2.05 V through four times 8 mΩ.
        expect(at(short)).toBeLessThan((6 * 2.05) / (4 * 0.008));
      }),
      { numRuns: 12 },
    );
  });

  test('every fuse of the catalogue for this side is judged, never passed without a figure', () => {
    const base = larkspur();
    const id = fuseId(base, 'Radio fuse');
    for (const part of catalogueOf('fuse').filter(
      ({ ratedVoltageDcV, family }) => ratedVoltageDcV === 32 && family !== 'ar',
    )) {
      const check = found(edited(base, { edit: 'fitPart', input: { deviceId: id, part } }), `lv.wire-short:${id}`);
      if (check.verdict === 'holds') expect(check.margin).toBeGreaterThanOrEqual(0);
      expect(say(check).line).not.toBe('');
    }
  });
});
