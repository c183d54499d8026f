import { describe, expect, test } from 'vitest';
import { applyEdit, type Build, type Edit } from '../build';
import { firn9, larkspur } from '../build/samples';
import { cataloguePart } from '../parts';
import { coilFeed, coilReturn, heldWith, singleFailures, stopTests, testPoints } from '../simulate';
import { wire } from '../testing/corpus/change';
import { closedIn, coilCircuit, Memory, meteredOhm, resolve, solveCoils, stateOf } from '.';

const firn = firn9();
const vehicle = resolve(firn);
const circuit = coilCircuit(vehicle)!;
const driving = closedIn(vehicle, stateOf('cruise'));

/** Ω of a way by hand: 1 mm² at 18.5 mΩ/m (ISO 19642-3) and 40 °C, two joints of 0.1 mΩ together, 20 mΩ a contact. */
function byHand(ids: readonly string[]): number {
  return ids.reduce((sum, id) => {
    const wire = circuit.lv.conductorOf.get(id);
    // The battery’s way to earth is the thick one of the loads.
    const perM = wire?.cable?.areaMm2 === 1 ? 0.0185 : (wire?.cable?.resistance20OhmPerM ?? 0);
    if (wire) return sum + wire.lengthM! * perM * (1 + 0.00393 * 20) + 0.0001;
    const fuse = circuit.lv.deviceOf.get(id)?.device.kind === 'lv-fuse';
    return sum + (fuse ? 0.1 / 10 : 0.02);
  }, 0);
}

describe('the coil circuit', () => {
  test('a coil’s voltage is the ladder’s by hand: common way, two coils of 18 Ω hot side by side', () => {
    const point = solveCoils(circuit, { supplyV: 10.5, hot: true, commanded: driving });
    const feeds = ['k-plus', 'k-minus'].map((id) => coilFeed(circuit, id)!);
    const returns = ['k-plus', 'k-minus'].map((id) => coilReturn(circuit, id)!);
    const common = (ways: readonly (readonly string[])[]) => ways[0]!.filter((id) => ways[1]!.includes(id));
    const own = (ways: readonly (readonly string[])[], k: number) =>
      ways[k]!.filter((id) => !common(ways).includes(id));
    const coil = (12 ** 2 / 8) * (1 + 0.00393 * 65);
    const legs = [0, 1].map((k) => byHand(own(feeds, k)) + byHand(own(returns, k)) + coil);
    const trunk = byHand(common(feeds)) + byHand(common(returns)) + 0.008;
    const together = 1 / legs.reduce((sum, leg) => sum + 1 / leg, 0);
    const feedV = (10.5 * together) / (together + trunk);
    expect(point.coilV.get('k-plus')).toBeCloseTo((feedV * coil) / legs[0]!, 3);
    expect(point.coilV.get('k-minus')).toBeCloseTo((feedV * coil) / legs[1]!, 3);
    expect(point.coilV.get('k-pre')).toBe(0);
  });

  test('each thing of the loop drops every contactor, a driver only its own', () => {
    const tests = new Map(stopTests(vehicle).map((one) => [one.id, one]));
    for (const id of [
      'coil-key',
      'coil-stop',
      'coil-inertia',
      'coil-interlock',
      's-mid',
      'coil-fuse',
      'coil-stop-return',
    ])
      expect([id, tests.get(id)!.staysIn]).toEqual([id, []]);
    expect(tests.get('coil-driver-1')!).toMatchObject({ letsGo: ['k-plus'], staysIn: ['k-minus'] });
  });

  test('with a contact in feed and return no single failure holds a pole in; with the first alone the bridged handle does', () => {
    expect(singleFailures(vehicle)).toEqual([]);
    const one = resolve(applyEdit(firn, { edit: 'takeOutDevice', input: { deviceId: 'coil-stop-return' } }).build);
    const failures = singleFailures(one);
    expect(failures.find(({ id }) => id === 'coil-stop')).toMatchObject({
      kind: 'bridged',
      // It may precharge while the handle is pressed: the relay counts too.
      staysIn: ['k-plus', 'k-minus', 'k-pre'],
    });
    // A wire behind the handle that touches the supply holds them in; one before it does nothing.
    const wires = Object.values(firn.circuits.lv.conductors);
    const at = (deviceId: string, terminal: string) =>
      wires.find(({ a, b }) => [a, b].some((end) => end.deviceId === deviceId && end.terminal === terminal))!.id;
    expect(failures.some(({ id }) => id === at('coil-inertia', 'b'))).toBe(true);
    expect(failures.some(({ id }) => id === at('coil-fuse', 'a'))).toBe(false);
  });

  test('the readings along the loop fall from the battery’s rest voltage, and the meter’s ohms rise', () => {
    const points = testPoints(vehicle);
    const plus = points.filter(({ node }) => coilFeed(circuit, 'k-plus')!.some((id) => node.startsWith(`${id}.`)));
    expect(plus.length).toBeGreaterThan(8);
    for (let i = 1; i < plus.length; i++) {
      expect(plus[i]!.expectedV).toBeLessThanOrEqual(plus[i - 1]!.expectedV + 1e-12);
      expect(plus[i]!.fromPlusOhm()).toBeGreaterThanOrEqual(plus[i - 1]!.fromPlusOhm() - 1e-9);
    }
    const feed = coilFeed(circuit, 'k-plus')!;
    const junction = feed.indexOf('coil-driver-1') - 1;
    expect(meteredOhm(circuit, driving, 'coil-feed.n')).toBeCloseTo(byHand(feed.slice(0, junction)), 4);
  });

  test('a relay in the feed pulls in through its own coil; nothing is sure of one that nobody drew the command of', () => {
    const thin = cataloguePart('cable-thin-1', 'cable');
    const loop = Object.values(firn.circuits.lv.conductors).find(({ a }) => a.deviceId === 'coil-key')!;
    const relay = { id: 'relay-1', kind: 'relay' as const, name: 'Relay', partId: null, place: null };
    let build: Build = applyEdit(firn, {
      edit: 'insertDevice',
      input: { conductorId: loop.id, device: relay, newConductorId: 'after-relay' },
    }).build;
    // Something that is not drawn may close it: what is asked is not whether it closes, but whether it can be relied on to.
    expect(heldWith(resolve(build), [])).toEqual(['k-plus', 'k-minus', 'k-pre']);
    expect(heldWith(resolve(build), ['relay-1'])).toEqual([]);
    const sure = (one: Build) => solveCoils(coilCircuit(resolve(one))!, { supplyV: 12 }).coilV.get('k-plus')!;
    expect(sure(build)).toBe(0);
    const conductor = (id: string, a: [string, string], b: [string, string]) => ({
      ...loop,
      id,
      name: id,
      a: { deviceId: a[0], terminal: a[1] },
      b: { deviceId: b[0], terminal: b[1] },
      partId: thin.id,
    });
    const wires = {
      'relay-feed': conductor('relay-feed', ['coil-key', 'b'], ['relay-1', 'coilPlus']),
      'relay-back': conductor('relay-back', ['relay-1', 'coilMinus'], ['coil-earth', 'n']),
    };
    const { lv } = build.circuits;
    build = { ...build, circuits: { ...build.circuits, lv: { ...lv, conductors: { ...lv.conductors, ...wires } } } };
    expect(heldWith(resolve(build), [])).toEqual(['k-plus', 'k-minus', 'k-pre']);
    expect(sure(build)).toBeGreaterThan(10);
    // Its coil is wired, and fed by nothing while the key is off.
    expect(heldWith(resolve(build), ['coil-key'])).toEqual([]);
  });

  test('a lamp’s relay that nobody drew the command of holds a coil in that is joined to the lamp', () => {
    const lark = wire('stray', 'Stray', 'low-dipped-led-load.plus', 'coil-key.b', 'low-dipped-led-w3')(larkspur());
    expect(heldWith(resolve(larkspur()), ['coil-key'])).toEqual([]);
    expect(heldWith(resolve(lark), ['coil-key'])).toEqual(['k-main', 'k-pre', 'k-dc']);
    expect(heldWith(resolve(lark), ['coil-key', 'low-dipped-led-relay'])).toEqual([]);
  });

  test('taking a disconnect out of the car leaves the loop whole; taking a contactor out takes its driver along', () => {
    const without = applyEdit(firn, { edit: 'takeOutDevice', input: { deviceId: 's-mid' } }).build;
    expect(heldWith(resolve(without), [])).toEqual(['k-plus', 'k-minus', 'k-pre']);
    const one = applyEdit(firn, { edit: 'takeOutDevice', input: { deviceId: 'k-minus' } }).build;
    expect(one.circuits.lv.devices['coil-driver-2']).toBeUndefined();
    expect(heldWith(resolve(one), [])).toEqual(['k-plus', 'k-pre']);
  });

  test('a lamp’s wire made longer leaves it the circuit that it was; a wire of its own, and what is renamed or blown in it, do not', () => {
    const memory = new Memory();
    const asEdited = (...edits: Edit[]) => {
      const build = edits.reduce((one, edit) => applyEdit(one, edit).build, firn);
      return coilCircuit(resolve(build, 'hv', memory))!;
    };
    const longer = (conductorId: string): Edit => ({ edit: 'setConductor', input: { conductorId, lengthM: 9.9 } });
    const handle = circuit.stops.find(({ device }) => device.kind === 'emergency-stop')!.id;
    const before = asEdited();
    expect(asEdited(longer('low-radio-w3'))).toBe(before);
    const other = asEdited(longer('coil-w1'));
    expect(other.lv.conductorOf.get('coil-w1')?.lengthM).toBe(9.9);
    expect(other.driverOf).toEqual(before.driverOf);
    const renamed = asEdited({ edit: 'renameDevice', input: { deviceId: handle, name: 'Red knob' } });
    expect(renamed.stops.find(({ id }) => id === handle)?.device.name).toBe('Red knob');
    // Taken back it is the one before again, whatever came between.
    expect(asEdited().lv.conductorOf.get('coil-w1')?.lengthM).toBe(before.lv.conductorOf.get('coil-w1')?.lengthM);
  });

  test('the single-contactor sample: a pull switch and no handle in the loop', () => {
    const lark = resolve(larkspur());
    expect(coilCircuit(lark)!.stops.some(({ device }) => device.kind === 'emergency-stop')).toBe(false);
    expect(singleFailures(lark)).toEqual([]);
  });
});
