import { describe, expect, test } from 'vitest';
import { assess } from '../../assess';
import { applyEdit, type Build } from '../../build';
import { firn9, larkspur, teasel } from '../../build/samples';
import { type Check, say } from '../../checks';
import { both, type Change, wire } from '../../testing/corpus/change';

const rule = (build: Build): Check[] => assess(build).checks.filter(({ id }) => id === 'motor.phases');
const verdicts = (build: Build) => Object.fromEntries(rule(build).map(({ subject, verdict }) => [subject.id, verdict]));
const phase = (from: string, to: string, id = `${from}-${to}`): Change =>
  wire(id, 'Motor cable', from, to, 'c-inv-plus');
const three: Change = both(
  phase('inverter.u', 'motor.u'),
  phase('inverter.v', 'motor.v'),
  phase('inverter.w', 'motor.w'),
);

describe('motor.phases', () => {
  test('says nothing of motor cables that nobody drew', () => {
    for (const build of [firn9(), larkspur(), teasel()]) expect(rule(build)).toEqual([]);
  });

  test('three by themselves hold, in any order of the three: six permutations', () => {
    const letters = ['u', 'v', 'w'];
    const orders = letters.flatMap((a) =>
      letters.filter((b) => b !== a).map((b) => [a, b, letters.find((c) => c !== a && c !== b)!]),
    );
    expect(orders).toHaveLength(6);
    for (const order of orders) {
      const drawn = both(...letters.map((one, k) => phase(`inverter.${one}`, `motor.${order[k]}`)));
      expect(verdicts(drawn(firn9()))).toEqual({ inverter: 'holds', motor: 'holds' });
    }
  });

  test('each output with each other thing of the circuit speaks, and names it', () => {
    const strangers = {
      'box-front.plus': 'Front box',
      'inverter.plus': 'Inverter',
      'heater.minus': 'Heater',
      'converter.plus': 'Converter',
    };
    const names = new Map(Object.entries(firn9().circuits.hv.devices).map(([id, { name }]) => [id, name]));
    for (const at of Object.keys(strangers).filter((end) => names.has(end.split('.')[0]!))) {
      const found = rule(both(three, phase('inverter.w', at, 'stray'))(firn9()));
      expect(found.map(({ verdict }) => verdict)).toEqual(['fails', 'fails']);
      for (const check of found) expect(say(check).line).toContain(names.get(at.split('.')[0]!));
    }
  });

  test('two outputs of one inverter, and outputs of two inverters, must not meet', () => {
    const [joined] = rule(both(three, phase('inverter.u', 'motor.v', 'stray'))(firn9()));
    expect(say(joined!).line).toBe('U and V are joined');
    const second: Change = (build) => {
      const { hv } = build.circuits;
      const two = { ...hv.devices.inverter!, id: 'inverter-2', name: 'Second inverter' };
      return {
        ...build,
        circuits: { ...build.circuits, hv: { ...hv, devices: { ...hv.devices, 'inverter-2': two } } },
      };
    };
    const both2 = both(three, second, phase('inverter-2.u', 'motor.u'));
    expect(verdicts(both2(firn9()))).toMatchObject({ inverter: 'fails', 'inverter-2': 'fails' });
  });

  test('what is drawn in part is asked for, with the phase that is bare', () => {
    const two = both(phase('inverter.u', 'motor.u'), phase('inverter.w', 'motor.w'))(firn9());
    expect(verdicts(two)).toEqual({ inverter: 'holds', motor: 'needs-data' });
    expect(say(rule(two).find(({ subject }) => subject.id === 'motor')!).line).toContain('a cable to V');
  });

  test('a series motor needs two cables, and contacts that reverse it are named as not judged', () => {
    const like = (from: string, to: string): Change => wire(`${from}-${to}`, 'Motor cable', from, to, 'c-ctl-plus');
    const low = both(like('motor.u', 'controller.u'), like('motor.v', 'controller.v'));
    expect(verdicts(low(teasel()))).toEqual({ controller: 'holds', motor: 'holds' });
    const contactor: Change = (build) =>
      applyEdit(build, {
        edit: 'addDevice',
        input: { device: { id: 'k-back', kind: 'contactor', name: 'Back', partId: null, place: null } },
      }).build;
    const reversing = both(low, contactor, like('controller.u', 'k-back.a'), like('k-back.b', 'motor.v'))(teasel());
    expect(rule(reversing)).toEqual([]);
    const named = ({ reservations: { notJudged } }: ReturnType<typeof assess>) =>
      notJudged.filter((words) => words.startsWith('Contactors that reverse a series motor'));
    expect(named(assess(reversing))).toHaveLength(1);
    expect(named(assess(low(teasel())))).toEqual([]);
  });
});
