import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type Build } from '../build';
import { firn9 } from '../build/samples';
import type { BusDevicePart } from '../parts';
import { faultElements } from '../simulate/fault-network';
import { currentIn, devicePowerW } from './index';

const firn = firn9();
const heater = firn.parts[firn.circuits.hv.devices.heater!.partId!] as BusDevicePart;
const wound = (resistanceAtV: number): Build =>
  applyEdit(firn, { edit: 'fitPart', input: { deviceId: 'heater', part: { ...heater, id: 'wound', resistanceAtV } } })
    .build;

describe('a heater that is a plain resistance', () => {
  test('draws by Ohm’s law in every state: its powers at its voltage, more by the square above it', () => {
    const { vehicle } = assess(wound(300));
    const device = vehicle.deviceOf.get('heater')!;
    let seen = 0;
    for (const solved of vehicle.cases) {
      const toldW = devicePowerW(vehicle, device, solved.state.id);
      if (!solved.point.solvable || toldW <= 0) continue;
      const { nodeVoltagesV } = solved.point;
      const acrossV = nodeVoltagesV.get('heater.plus')! - nodeVoltagesV.get('heater.minus')!;
      // R = U²/P at the voltage that it is wound for.
      expect(currentIn(solved, 'heater')!).toBeCloseTo(acrossV / (300 ** 2 / toldW), 6);
      seen++;
    }
    expect(seen).toBeGreaterThan(3);
  });

  test('held by electronics it takes less current at a higher voltage, as a resistance more', () => {
    const hottest = (build: Build, corner: string) => {
      const { vehicle } = assess(build);
      const solved = vehicle.cases.find(({ state, corner: { id } }) => state.id === 'heating' && id === corner)!;
      return currentIn(solved, 'heater')!;
    };
    expect(hottest(firn, 'warm-new-full')).toBeLessThan(hottest(firn, 'cold-old-empty'));
    expect(hottest(wound(330), 'warm-new-full')).toBeGreaterThan(hottest(wound(330), 'cold-old-empty'));
  });

  test('is no part of a fault, and no way round an open fuse: every fault is judged as with electronics', () => {
    const faults = (build: Build, which: 'highest' | 'lowest') => faultElements(assess(build).vehicle, which, [], true);
    for (const which of ['highest', 'lowest'] as const) {
      expect(faults(wound(330), which)).toEqual(faults(firn, which));
      expect(faults(wound(330), which).some(({ id }) => id === 'heater')).toBe(false);
    }
  });

  test('a wire that takes its power outside the window of its part contradicts itself', () => {
    const said = (atV: number) => assess(wound(atV)).checks.find(({ id }) => id === 'survey.part-figures');
    expect(said(330)?.verdict ?? 'holds').toBe('holds');
    expect(said(150)?.verdict).toBe('fails');
  });

  test('is no longer named among what is taken for granted', () => {
    const said = (build: Build) => assess(build).reservations.notJudged.join(' ');
    expect(said(firn)).toContain('does not say that it is a plain resistance');
    expect(said(wound(330))).not.toContain('does not say that it is a plain resistance');
  });
});
