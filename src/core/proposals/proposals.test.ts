import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type Edit, EditRefused, emptyBuild, findConductor, findDevice } from '../build';
import { firn9, larkspur, teasel } from '../build/samples';
import { readBuild } from '../build/schema';
import type { Check } from '../checks';
import { type CablePart, catalogueOf, type FusePart, type Part } from '../parts';
import { continuousCurrent } from '../physics/fuse';
import { partOf } from '../vehicle';
import * as propose from '.';

const samples = [
  ['Firn 9', firn9()],
  ['Larkspur', larkspur()],
  ['Teasel', teasel()],
] as const;
const contexts = samples.map(([name, build]) => ({ name, build, context: assess(build).context }));
const about = (id: string, rule = 'made.up'): Check =>
  ({ id: rule, subject: { kind: 'device', id, name: id } }) as unknown as Check;
const fitted = <P extends Part>(edits: readonly Edit[]): P[] =>
  edits.flatMap((edit) => (edit.edit === 'fitPart' ? [edit.input.part as P] : []));
const rising = (values: readonly number[]) => values.every((value, k) => k === 0 || value >= values[k - 1]!);

describe.each(contexts)('fuses of $name', ({ context }) => {
  const fullV = context.fullV!;
  const fuses = context.vehicle.devices.flatMap((device) => {
    const fuse = partOf(device, 'fuse');
    return fuse ? [{ id: device.id, fuse }] : [];
  });

  test('a smaller one is smaller, the nearest first; a bigger one is bigger; both break the full voltage', () => {
    expect(fuses.length).toBeGreaterThan(0);
    for (const { id, fuse } of fuses) {
      const smaller = fitted<FusePart>(propose.smallerFuse(context, about(id)));
      const bigger = fitted<FusePart>(propose.biggerFuse(context, about(id)));
      expect(smaller.length + bigger.length).toBeGreaterThan(0);
      expect(rising(smaller.map(({ ratedCurrentA }) => -ratedCurrentA))).toBe(true);
      expect(rising(bigger.map(({ ratedCurrentA }) => ratedCurrentA))).toBe(true);
      for (const part of smaller) expect(part.ratedCurrentA).toBeLessThan(fuse.ratedCurrentA);
      for (const part of bigger) expect(part.ratedCurrentA).toBeGreaterThan(fuse.ratedCurrentA);
      for (const part of [...smaller, ...bigger]) expect(part.ratedVoltageDcV).toBeGreaterThanOrEqual(fullV);
    }
  });

  test('another one is of about the rating and breaks the full voltage; itself is never proposed', () => {
    for (const { id, fuse } of fuses) {
      const others = fitted<FusePart>(propose.otherFuse(context, about(id)));
      expect(others.map((part) => part.id)).not.toContain(fuse.id);
      for (const part of others) {
        expect(part.ratedVoltageDcV).toBeGreaterThanOrEqual(fullV);
        expect(part.ratedCurrentA / fuse.ratedCurrentA).toBeGreaterThanOrEqual(0.5);
        expect(part.ratedCurrentA / fuse.ratedCurrentA).toBeLessThanOrEqual(1.2);
      }
    }
  });

  test('one for more volts has the same rating, whatever its family', () => {
    for (const { id, fuse } of fuses)
      for (const part of fitted<FusePart>(propose.higherVoltage(context, about(id)))) {
        expect(part.ratedCurrentA).toBe(fuse.ratedCurrentA);
        expect(part.ratedVoltageDcV!).toBeGreaterThan(fuse.ratedVoltageDcV ?? 0);
      }
  });

  test('what protects its cables is a smaller fuse that breaks the voltage, or thicker cable', () => {
    for (const { id, fuse } of fuses)
      for (const edit of propose.protectCable(context, about(id))) {
        if (edit.edit === 'fitPart') {
          expect((edit.input.part as FusePart).ratedCurrentA).toBeLessThanOrEqual(fuse.ratedCurrentA);
          expect((edit.input.part as FusePart).ratedVoltageDcV).toBeGreaterThanOrEqual(fullV);
        } else if (edit.edit === 'fitCable')
          for (const conductorId of edit.input.conductorIds)
            expect(edit.input.part!.areaMm2).toBeGreaterThan(
              context.vehicle.conductorOf.get(conductorId)!.cable!.areaMm2,
            );
        else throw new Error(`${edit.edit} protects no cable`);
      }
  });

  test('for what is no fuse none of them says anything', () => {
    const box = context.vehicle.devices.find(({ device }) => device.kind === 'box')!;
    for (const proposer of [propose.smallerFuse, propose.biggerFuse, propose.otherFuse, propose.higherVoltage])
      for (const id of [box.id, 'nobody', '__proto__', 'constructor']) expect(proposer(context, about(id))).toEqual([]);
  });
});

test('the smallest fuse for a current carries a tenth more at 60 °C and breaks the voltage', () => {
  for (const [volts, amps] of [
    [120, 20],
    [400, 90],
    [400, 200],
  ] as const) {
    const fuse = propose.smallestFuse(volts, amps);
    expect(fuse.ratedVoltageDcV).toBeGreaterThanOrEqual(volts);
    expect(continuousCurrent(fuse, 60)).toBeGreaterThanOrEqual(1.1 * amps);
    const less = catalogueOf('fuse').filter(
      (part) =>
        part.family === 'traction' &&
        part.ratedCurrentA < fuse.ratedCurrentA &&
        (part.ratedVoltageDcV ?? 0) >= volts &&
        continuousCurrent(part, 60) >= 1.1 * amps,
    );
    expect(less).toEqual([]);
  }
});

test('a thicker cable is thicker, the next first, and in nothing weaker', () => {
  for (const cable of catalogueOf('cable') as readonly CablePart[]) {
    const sizes = propose.thicker(cable);
    expect(rising(sizes.map(({ areaMm2 }) => areaMm2))).toBe(true);
    for (const part of sizes) {
      expect(part.areaMm2).toBeGreaterThan(cable.areaMm2);
      expect(part.temperatureClassC).toBeGreaterThanOrEqual(cable.temperatureClassC);
      expect(part.ratedVoltageV).toBeGreaterThanOrEqual(cable.ratedVoltageV);
      expect([part.shielded, part.insulation]).toEqual([cable.shielded, cable.insulation]);
    }
  }
});

describe.each(contexts)('figures of $name', ({ build, context }) => {
  const values = (edits: readonly Edit[], figure: string): number[] =>
    edits.flatMap((edit) => (edit.edit === 'setFigure' && edit.input.figure === figure ? [edit.input.value!] : []));

  test('the main closes later, never at the full voltage itself', () => {
    const closes = values(propose.closeLater(context, about('k')), 'closeAt');
    expect(rising(closes)).toBe(true);
    for (const value of closes) {
      expect(value).toBeGreaterThan(build.precharge.closeAtFraction);
      expect(value).toBeLessThan(1);
    }
  });

  test('less is asked, step by step: power, depth of discharge, cells', () => {
    const powers = values(propose.gentler(context, about('pack')), 'hardPower');
    expect(powers.length).toBeGreaterThan(0);
    expect(rising(powers.map((watts) => -watts))).toBe(true);
    for (const watts of powers) expect(watts).toBeLessThanOrEqual(build.duty.hardAccelerationPowerW);
    for (const share of values(propose.stopEarlier(context, about('pack')), 'socEmpty')) {
      expect(share).toBeGreaterThan(build.packLimits.socEmpty);
      expect(share).toBeLessThanOrEqual(1);
    }
    for (const edit of propose.fewerCells(context, about('pack'))) {
      if (edit.edit !== 'setCells') throw new Error(`${edit.edit} takes no cells away`);
      const before = findDevice(build, edit.input.deviceId)?.cellsInSeries ?? 0;
      expect(edit.input.cellsInSeries).toBeGreaterThanOrEqual(1);
      expect(edit.input.cellsInSeries!).toBeLessThan(before);
    }
  });

  test('the time-out gets shorter and stays longer than the precharge', () => {
    const run = context.precharges.find((one) => 'closeAtS' in one);
    const closeAtS = run && 'closeAtS' in run ? run.closeAtS : null;
    for (const seconds of values(propose.shorterTimeout(context, about('r')), 'timeout'))
      expect(seconds).toBeGreaterThan(closeAtS!);
  });
});

describe.each(contexts)('what is put into $name', ({ build, context }) => {
  const boxes = context.vehicle.devices.filter(({ device }) => device.kind === 'box').map(({ id }) => id);

  test('fuse, contactor and disconnect go into a cable at a box, for the whole voltage', () => {
    const put = [
      ...boxes.flatMap((id) => propose.fuseAtCells(context, about(id))),
      ...propose.contactorAtCells(context, about('pack')),
      ...propose.disconnectAtCells(context, about('pack')),
    ];
    expect(put.length).toBeGreaterThan(0);
    for (const edit of put) {
      if (edit.edit !== 'insertDevice') throw new Error(`${edit.edit} puts nothing in`);
      const cable = findConductor(build, edit.input.conductorId)!;
      expect(cable.kind).toBe('cable');
      expect([cable.a.deviceId, cable.b.deviceId].some((id) => boxes.includes(id))).toBe(true);
      const { part } = edit.input as { part: Part };
      const volts =
        part.kind === 'fuse'
          ? part.ratedVoltageDcV
          : part.kind === 'contactor' || part.kind === 'disconnect'
            ? part.ratedVoltageV
            : null;
      expect(volts).toBeGreaterThanOrEqual(context.fullV!);
    }
  });

  test('every edit can be made, and leaves a build that can be read', () => {
    const edits = boxes.flatMap((id) => [
      ...propose.fuseAtCells(context, about(id)).slice(0, 1),
      ...propose.ownFuse(context, about(id)),
      ...propose.ownContactor(context, about(id)),
    ]);
    for (const edit of edits) {
      const { build: after } = applyEdit(build, edit);
      const read = readBuild(JSON.parse(JSON.stringify(after)));
      expect(read.ok ? [] : read.errors).toEqual([]);
      const count = (one: typeof build) => Object.keys(one.circuits.hv.devices).length;
      expect(count(after)).toBe(count(build) + 1);
    }
  });
});

test('in a build of nothing nothing is proposed, and nobody stumbles', () => {
  const { context } = assess(emptyBuild('b', 'Bare'));
  for (const [name, proposer] of Object.entries(propose)) {
    // Makers of single edits and lists are no proposers.
    if (
      typeof proposer !== 'function' ||
      proposer.length > 2 ||
      /Edit$|Insertion$|^thicker$|^smallest|^putIn$/.test(name)
    )
      continue;
    let edits: readonly Edit[];
    try {
      edits = (proposer as propose.Proposer)(context, about('nobody'));
    } catch (error) {
      throw new Error(`${name} stumbled: ${(error as Error).message}`);
    }
    for (const edit of edits)
      try {
        applyEdit(context.vehicle.build, edit);
      } catch (error) {
        if (!(error instanceof EditRefused)) throw new Error(`${name}: ${(error as Error).message}`);
      }
  }
});
