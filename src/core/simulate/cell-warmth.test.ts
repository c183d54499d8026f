import { describe, expect, test } from 'vitest';
import type { Build, DeviceOf } from '../build';
import { firn9 } from '../build/samples';
import { vehicleOf } from '../vehicle';
import { type CellsOver, CLIMB_S, coldNight, hotCharge, hotClimb } from './cell-warmth';

/** A compressor in place of the heater, so that its wires are there. */
const chilled = (more: Partial<DeviceOf<'compressor'>>): Build => {
  const build = firn9();
  const { hv } = build.circuits;
  const heater = { ...hv.devices.heater!, ...more, kind: 'compressor' } as DeviceOf<'compressor'>;
  return { ...build, circuits: { ...build.circuits, hv: { ...hv, devices: { ...hv.devices, heater } } } };
};
const padded = (powerW: number): Build => {
  const build = firn9();
  const { hv } = build.circuits;
  const heater = { ...(hv.devices.heater as DeviceOf<'heater'>), warmsCells: true, powersW: { charging: powerW } };
  return { ...build, circuits: { ...build.circuits, hv: { ...hv, devices: { ...hv.devices, heater } } } };
};

/** The same stretch by a thousand explicit steps with a switch of its own, as the independent opinion. */
function stepped(massKg: number, { airC, fromC, overS, heatW, helpW }: CellsOver, holdC: number) {
  const steps = 200_000;
  const dt = overS / steps;
  let [t, spent] = [fromC, 0];
  for (let k = 0; k < steps; k++) {
    const on = helpW > 0 ? t < holdC : helpW < 0 && t > holdC;
    if (on) spent += Math.abs(helpW) * dt;
    t += ((heatW + (on ? helpW : 0) - 8 * (t - airC)) * dt) / (1000 * massKg);
  }
  return { t, spent };
}

const massKg = (build: Build): number =>
  vehicleOf(build).devices.reduce(
    (sum, { device, part }) =>
      part?.kind === 'cell' ? sum + part.massKg * device.cellsInSeries! * (device.cellsInParallel ?? 1) : sum,
    0,
  );

describe('a cold night', () => {
  test('cells that nothing warms cool by the exponential', () => {
    const night = coldNight(vehicleOf(firn9()))!;
    const settles = night.airC + (night.fromC - night.airC) * Math.exp((-8 * night.overS) / (1000 * massKg(firn9())));
    expect(night.aloneC).toBeCloseTo(settles, 9);
    expect(night.helpedC).toBe(night.aloneC);
    expect(night.helpJ).toBe(0);
  });

  test.each([120, 400, 1500])('a pad of %i W holds them where they are charged, or does what it can', (powerW) => {
    const build = { ...padded(powerW), duty: { ...firn9().duty, coldestDayC: -25 } };
    const night = coldNight(vehicleOf(build))!;
    expect(night.helpW).toBe(powerW);
    const by = stepped(massKg(build), night, 2);
    expect(night.helpedC).toBeCloseTo(by.t, 1);
    expect(night.helpJ / Math.max(by.spent, 1)).toBeCloseTo(1, 1);
    expect(night.helpedC).toBeGreaterThan(night.aloneC);
  });
});

describe('a climb and a charge on the hottest day', () => {
  test('the heat of the hill is the current of the hill squared, and the cells follow it', () => {
    const climb = hotClimb(vehicleOf(firn9()))!;
    expect(climb.overS).toBe(CLIMB_S);
    expect(climb.aloneC).toBeCloseTo(stepped(massKg(firn9()), climb, climb.airC).t, 2);
  });

  test('a chiller takes heat out only while it runs there', () => {
    const off = hotClimb(vehicleOf(chilled({ coolsCellsW: 900, powersW: {} })))!;
    expect(off.helpW).toBe(0);
    const on = hotClimb(vehicleOf(chilled({ coolsCellsW: 900, powersW: { hill: 400, charging: 400 } })))!;
    expect(on.helpW).toBe(-900);
    expect(on.helpedC).toBeLessThan(on.aloneC);
    expect(on.helpedC).toBeCloseTo(stepped(massKg(firn9()), on, on.airC).t, 1);
    expect(hotCharge(vehicleOf(chilled({ coolsCellsW: 900, powersW: { charging: 400 } })))!.helpW).toBe(-900);
  });
});
