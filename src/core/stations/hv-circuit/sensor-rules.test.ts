import { describe, expect, test } from 'vitest';
import { assess } from '../../assess';
import { applyEdit, type Build, type Edit } from '../../build';
import { firn9, larkspur, teasel } from '../../build/samples';
import { checkKey, say } from '../../checks';
import { cataloguePart } from '../../parts';
import { reEnd } from '../../testing/corpus/change';

const seen = (build: Build) => assess(build).checks.filter(({ id }) => id === 'sensor.all-current');
const edited = (build: Build, ...edits: Edit[]): Build =>
  edits.reduce((one, edit) => applyEdit(one, edit).build, build);

describe('sensor.all-current', () => {
  test('every device on the bus of a sample is behind its shunt; without one nothing is said', () => {
    expect([firn9(), larkspur()].flatMap(seen).map(({ verdict }) => verdict)).toEqual(['holds', 'holds']);
    expect(seen(teasel())).toEqual([]);
  });

  test('each minus by itself on the cells’ side is named, whatever the others do', () => {
    const base = larkspur();
    for (const [wire, end, name] of [
      ['c-inv-minus', 'a', 'Inverter'],
      ['c-heater-minus', 'b', 'Air heater'],
      ['c-conv-minus', 'b', 'Converter'],
      ['c-charger-minus', 'b', 'On-board charger'],
    ] as const) {
      const [check] = seen(reEnd(wire, end, 'box-bay.minus')(base));
      expect(check?.verdict, name).toBe('fails');
      expect(say(check!).line).toBe(`past it: ${name}`);
    }
  });

  test('a wire across the shunt takes all of it', () => {
    const base = larkspur();
    const { 'c-shunt': model } = base.circuits.hv.conductors;
    const across = {
      ...model!,
      id: 'across',
      a: { deviceId: 'shunt', terminal: 'a' },
      b: { deviceId: 'shunt', terminal: 'b' },
    };
    const { hv, lv } = base.circuits;
    const bridged = {
      ...base,
      circuits: { lv, hv: { ...hv, conductors: { ...hv.conductors, across } } },
    };
    expect(say(seen(bridged)[0]!).line).toMatch(/^past it: .*Inverter.*Converter/);
  });

  test('a second sensor in the inverter’s own feed changes nothing; where the first is taken out, the rest goes past it', () => {
    const both = edited(larkspur(), {
      edit: 'insertDevice',
      input: {
        conductorId: 'c-inv-minus',
        device: { id: 'own', kind: 'sensor', name: 'Inverter’s own', partId: 'shunt-500', place: null },
        part: cataloguePart('shunt-500', 'sensor'),
        newConductorId: 'own-after',
      },
    });
    expect(seen(both).map(({ verdict }) => verdict)).toEqual(['holds']);
    const one = edited(both, { edit: 'takeOutDevice', input: { deviceId: 'shunt' } });
    const [check] = seen(one);
    expect(checkKey(check!)).toBe('sensor.all-current:own');
    expect(say(check!).line).toMatch(/Converter/);
    expect(say(check!).line).not.toMatch(/Inverter/);
  });

  test('while the cells feed nothing, nothing is said of a sensor', () => {
    const base = larkspur();
    const { hv, lv } = base.circuits;
    expect(seen({ ...base, circuits: { lv, hv: { ...hv, conductors: {} } } })).toEqual([]);
  });
});
