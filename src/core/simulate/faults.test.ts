import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type DeviceOf } from '../build';
import { firn9, larkspur, teasel } from '../build/samples';
import { operatingPoint } from '../circuit';
import { cataloguePart } from '../parts';
import { clearing } from '../physics/fuse-clearing';
import { figuresOf } from '../testing/figures-of';
import { cornersOf, groundOf, partOf, stamp, stateOf } from '../vehicle';
import { coverage, faultBetween, faultStory, fuseFaults, liveness, packPoles } from './index';

const firn = assess(firn9()).vehicle;

describe('a short between two points', () => {
  test('its current is that of the whole network solved with a resistor of a micro-ohm there', () => {
    const corner = cornersOf(firn.build).find(({ id }) => id === 'warm-new-full')!;
    const elements = stamp(firn, { state: stateOf('cruise'), corner, temperatureOf: () => 20, ohmicShare: 0.5 }).filter(
      (element) => element.kind !== 'power',
    );
    const reference = figuresOf(
      operatingPoint({
        elements: [
          ...elements,
          { id: 'fault', kind: 'resistor', a: 'inverter.plus', b: 'inverter.minus', resistanceOhm: 1e-6 },
        ],
        ground: groundOf(firn)!,
      }),
    );
    const fault = faultBetween(firn, 'inverter.plus', 'inverter.minus', 'highest')!;
    expect(fault.prospectiveA / reference.elementCurrentsA.get('fault')!).toBeCloseTo(1, 3);
    expect(Math.abs(fault.currents.get('f-mid')!)).toBeCloseTo(fault.prospectiveA, 6);
  });

  test('the weakest is under a third of the strongest: cold, aged, empty, with an arc', () => {
    const strong = faultBetween(firn, 'inverter.plus', 'inverter.minus', 'highest')!;
    const weak = faultBetween(firn, 'inverter.plus', 'inverter.minus', 'lowest')!;
    expect(weak.prospectiveA).toBeLessThan(strong.prospectiveA / 3);
    expect(weak.voltageV).toBeLessThan(strong.voltageV - 25);
  });

  test('nothing flows between a point and itself, nor where nothing is joined', () => {
    expect(faultBetween(firn, 'inverter.plus', 'inverter.plus', 'highest')).toBeNull();
    expect(faultBetween(firn, 'inverter.plus', 'inverter.minus', 'highest', ['f-mid'])).toBeNull();
    expect(faultBetween(firn, 'inverter.plus', 'nowhere', 'highest')).toBeNull();
  });

  test('low voltage and big cells give more current for their volts than high voltage and small ones', () => {
    const tractor = assess(teasel()).vehicle;
    const poles = packPoles(tractor)!;
    const fault = faultBetween(tractor, poles.plus, poles.minus, 'highest')!;
    const own = packPoles(firn)!;
    const other = faultBetween(firn, own.plus, own.minus, 'highest')!;
    expect(fault.prospectiveA / fault.voltageV).toBeGreaterThan(1.5 * (other.prospectiveA / other.voltageV));
  });
});

describe('a fault to its end', () => {
  test('a short at the heater is cleared by the heater’s fuse, which melts before the main one', () => {
    const story = faultStory(firn, 'heater.plus', 'heater.minus', 'highest')!;
    expect(story.openings.map(({ deviceId }) => deviceId)).toEqual(['f-heater']);
    const fuse = partOf(firn.deviceOf.get('f-heater'), 'fuse')!;
    const alone = clearing(fuse, {
      prospectiveA: story.fault.prospectiveA,
      timeConstantS: story.fault.timeConstantS,
      voltageV: story.fault.voltageV,
    });
    expect(story.clearedAtS).toBeCloseTo(alone.meltTimeS!, 12);
    // No capacitor empties through the main contactor: there it is what the fuse lets through, on the wire that and theirs.
    // (A hundred-thousandth takes the way through the precharge resistor beside it.)
    expect(story.i2tOf('k-plus')! / alone.totalI2tA2s!).toBeCloseTo(1, 4);
    expect(story.i2tOf('c-heat-plus')! - alone.totalI2tA2s!).toBeCloseTo(
      story.feeds.i2tOf('c-heat-plus', story.clearedAtS!),
      3,
    );
    expect(story.i2tOf('c-heat-plus')).toBe(story.i2tA2s.get('c-heat-plus'));
    expect(story.curve.at(-1)).toEqual({ timeS: story.clearedAtS, currentA: 0 });
  });

  test('with the main fuse in the middle of the string, a short over the front box alone is cleared by nothing', () => {
    const story = faultStory(firn, 'box-front.plus', 'box-front.minus', 'highest')!;
    expect(story.openings).toEqual([]);
    expect(story.clearedAtS).toBeNull();
    expect(story.i2tA2s.get('box-front')).toBeNull();
  });

  test('a fuse that melts without being proved to break clears nothing: 2 kA of capacity, 70 V on 103 V', () => {
    const weak = applyEdit(teasel(), {
      edit: 'fitPart',
      input: { deviceId: 'f-main', part: cataloguePart('fuse-strip-70-300', 'fuse') },
    }).build;
    const story = faultStory(assess(weak).vehicle, 'controller.plus', 'controller.minus', 'highest')!;
    expect(story.openings.map(({ deviceId, notProved }) => [deviceId, notProved])).toEqual([['f-main', 'voltage']]);
    expect(story.clearedAtS).toBeNull();
    expect(story.i2tA2s.get('c-ctl-plus')).toBeNull();
    expect(
      faultStory(assess(teasel()).vehicle, 'controller.plus', 'controller.minus', 'highest')!.clearedAtS,
    ).not.toBeNull();
  });

  test('a short to the plus terminal before the main fuse is not the main fuse’s to clear', () => {
    const car = assess(larkspur()).vehicle;
    expect(faultStory(car, 'inverter.minus', 'box.plus', 'highest')!.clearedAtS).toBeNull();
    expect(faultStory(car, 'inverter.minus', 'inverter.plus', 'highest')!.openings[0]!.deviceId).toBe('f-main');
  });
});

test('a fuse sees its highest fault at itself and its lowest at the terminals of what it feeds', () => {
  const zone = ['c-heat-plus', 'c-heat-minus'];
  const found = fuseFaults(firn, 'f-heater', zone)!;
  const there = faultBetween(firn, 'heater.plus', 'heater.minus', 'lowest')!;
  expect(found.lowestA).toBeCloseTo(Math.abs(there.currents.get('f-heater')!), 9);
  expect(found.highestA).toBeGreaterThan(5 * found.lowestA);
  expect(fuseFaults(firn, 'nothing', zone)).toBeNull();
});

describe('what stays live', () => {
  test('with everything closed all of it, at the full 378 V', () => {
    const live = liveness(firn, [], 60)!;
    expect(live.parts[0]!.spanV).toBeCloseTo(90 * 4.2, 6);
    expect(live.liveOf.get('c-inv-plus')).toBe('hazardous');
  });

  test('with both mains open the bus is dead and the pack side of each contactor is not', () => {
    const live = liveness(firn, ['k-plus', 'k-minus'], 60)!;
    for (const id of ['c-plus', 'c-minus', 'c-inv-plus', 'inverter', 'c-heat-plus'])
      expect(live.liveOf.get(id)).toBe('dead');
    for (const id of ['c-rear-plus', 'c-front-minus', 'c-mid', 'k-plus']) expect(live.liveOf.get(id)).toBe('hazardous');
  });

  test('one pole alone leaves the other pole’s wires at the pack, through what is named', () => {
    const live = liveness(firn, ['k-plus'], 60)!;
    expect(live.liveOf.get('c-inv-minus')).toBe('hazardous');
    expect(live.pathOf('c-inv-minus')).toEqual(['shunt', 'k-minus']);
    expect(live.liveOf.get('c-inv-plus')).toBe('dead');
  });

  test('the disconnect leaves two parts of 54 and 36 cells: 226.8 V and 151.2 V', () => {
    const live = liveness(firn, ['s-mid', 'k-plus', 'k-minus'], 60)!;
    expect(live.parts.map(({ spanV }) => Math.round(spanV * 10) / 10)).toEqual([226.8, 151.2]);
    expect(live.parts.map(({ boxIds }) => boxIds)).toEqual([['box-rear'], ['box-front']]);
  });

  test('a charge contactor that nobody opened counts as closed: what is behind it is live', () => {
    const { devices } = firn.build.circuits.hv;
    const build = {
      ...firn.build,
      circuits: {
        ...firn.build.circuits,
        hv: {
          ...firn.build.circuits.hv,
          devices: {
            ...devices,
            'k-minus': { ...(devices['k-minus'] as DeviceOf<'contactor'>), role: 'charge' as const },
          },
        },
      },
    };
    const { vehicle } = assess(build);
    expect(liveness(vehicle, ['k-plus'], 60)!.liveOf.get('c-inv-minus')).toBe('hazardous');
    expect(liveness(vehicle, ['k-plus', 'k-minus'], 60)!.liveOf.get('c-inv-minus')).toBe('dead');
  });

  test('a part of no more than 60 V is low, not hazardous: Teasel with its switch pulled, 58.8 and 44.1 V', () => {
    const live = liveness(assess(teasel()).vehicle, ['s-hand', 'k-main'], 60)!;
    expect(live.parts.map(({ live: how, spanV }) => [how, Math.round(spanV * 10) / 10])).toEqual([
      ['low', 58.8],
      ['low', 44.1],
    ]);
  });

  test('no single device takes everything off; the disconnect alone takes nothing below the limit in Firn 9', () => {
    const table = coverage(firn, 60);
    expect(table.every(({ stillLive }) => stillLive.length > 0)).toBe(true);
    expect(table.find(({ deviceId }) => deviceId === 'f-heater')!.takenOff).toEqual(['c-heat-plus']);
    const build = applyEdit(firn9(), { edit: 'removeDevice', input: { deviceId: 'heater' } }).build;
    expect(coverage(assess(build).vehicle, 60).length).toBe(table.length);
  });
});

test('a welded precharge relay keeps the bus on the cells with the main open', () => {
  const sound = liveness(firn, ['k-plus'], 60)!;
  expect(sound.liveOf.get('c-inv-plus')).not.toBe('hazardous');
  const welded = liveness(firn, ['k-plus'], 60, true)!;
  expect(welded.liveOf.get('c-inv-plus')).toBe('hazardous');
  expect(welded.pathOf('c-plus')).toEqual(expect.arrayContaining(['r-pre', 'k-pre']));
  // Both poles open: the resistor alone makes no closed way to the other pole.
  expect(liveness(firn, ['k-plus', 'k-minus'], 60, true)!.parts[0]!.boxIds).toEqual(
    expect.arrayContaining(['box-rear', 'box-front']),
  );
});
