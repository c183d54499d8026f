import { expect, test } from 'vitest';
import { assess } from '../../assess';
import { applyEdit, type Build, type Edit } from '../../build';
import { firn9 } from '../../build/samples';
import { say } from '../../checks';
import { cataloguePart } from '../../parts';

const made = (build: Build, ...edits: Edit[]): Build => edits.reduce((one, edit) => applyEdit(one, edit).build, build);
const contactor = cataloguePart('contactor-450-250', 'contactor');

/** A contactor in the wire at a pole of the rear box, in the box or beside it. */
function guarded(build: Build, pole: 'plus' | 'minus', inside: boolean): Build {
  const wire = Object.values(build.circuits.hv.conductors).find(({ a, b }) =>
    [a, b].some(({ deviceId, terminal }) => deviceId === 'box-rear' && terminal === pole),
  )!;
  return made(build, {
    edit: 'insertDevice',
    input: {
      conductorId: wire.id,
      device: {
        id: `k-${pole}-trailer`,
        kind: 'contactor',
        name: `Trailer ${pole}`,
        partId: contactor.id,
        place: null,
        role: 'branch',
        ...(inside ? { insideId: 'box-rear' } : {}),
      },
      part: contactor,
      newConductorId: `c-${pole}-trailer`,
    },
  });
}
const plugOf = (build: Build) => assess(build).checks.find(({ id }) => id === 'pack.trailer-plug')!;
const onTrailer = made(
  firn9(),
  { edit: 'setFigure', input: { figure: 'towedMass', value: 450 } },
  {
    edit: 'setTrailer',
    input: { deviceId: 'box-rear', trailer: { interlock: true, joined: 'dead', flexes: true, breakAway: true } },
  },
);

test('contactors in both poles on the trailer leave a dead plug; told, the trailer holds', () => {
  const build = guarded(guarded(onTrailer, 'plus', true), 'minus', true);
  expect(plugOf(build).verdict).toBe('holds');
  expect(assess(build).checks.find(({ id }) => id === 'pack.trailer')!.verdict).toBe('holds');
});

test('one pole without a contactor, or a contactor on the car’s side of the plug, leaves it live', () => {
  expect(plugOf(guarded(onTrailer, 'plus', true)).verdict).toBe('fails');
  expect(say(plugOf(guarded(onTrailer, 'plus', true))).line).toBe('minus leaves the trailer without a contactor on it');
  expect(plugOf(guarded(guarded(onTrailer, 'plus', true), 'minus', false)).verdict).toBe('fails');
});

test('a wire around the contactor leaves the plug live, whatever it is called', () => {
  const build = guarded(guarded(onTrailer, 'plus', true), 'minus', true);
  const { hv } = build.circuits;
  const like = Object.values(hv.conductors).find(({ id }) => id === 'c-plus-trailer')!;
  const around = { ...like, id: 'around', a: { deviceId: 'box-rear', terminal: 'plus' } };
  const bus = { deviceId: 'j-plus', terminal: 'n' };
  const wired: Build = {
    ...build,
    circuits: {
      ...build.circuits,
      hv: { ...hv, conductors: { ...hv.conductors, around: { ...around, b: bus } } },
    },
  };
  expect(plugOf(wired).verdict).toBe('fails');
});

test('two boxes on one trailer are one pack: contactors at its two ends leave a dead plug', () => {
  const both = made(onTrailer, {
    edit: 'setTrailer',
    input: { deviceId: 'box-front', trailer: { interlock: true, joined: 'dead', flexes: true, breakAway: true } },
  });
  const { hv } = both.circuits;
  const inside = (...ids: string[]): Build => ({
    ...both,
    circuits: {
      ...both.circuits,
      hv: {
        ...hv,
        devices: {
          ...hv.devices,
          ...Object.fromEntries(ids.map((id) => [id, { ...hv.devices[id]!, insideId: 'box-rear' }])),
        },
      },
    },
  });
  // The mid fuse and the disconnect between the boxes ride along; so do both main contactors, or only one of them.
  const verdicts = (build: Build) =>
    assess(build)
      .checks.filter(({ id }) => id === 'pack.trailer-plug')
      .map(({ verdict }) => verdict);
  const path = ['k-plus', 'k-pre', 'r-pre', 'f-mid', 's-mid'];
  expect(verdicts(inside(...path, 'k-minus'))).toEqual(['holds', 'holds']);
  const open = inside(...path);
  const { insideId: _, ...outside } = open.circuits.hv.devices['k-minus']!;
  const devices = { ...open.circuits.hv.devices, 'k-minus': outside };
  expect(verdicts({ ...open, circuits: { ...open.circuits, hv: { ...open.circuits.hv, devices } } })).toEqual([
    'fails',
    'fails',
  ]);
});

test('what stands on a trailer does not weigh on the axles of the vehicle', () => {
  const axle = (build: Build) =>
    assess(build).checks.find(({ id, subject }) => id === 'pack.axle-load' && subject.name === 'Rear axle')!.demand!
      .value;
  expect(axle(onTrailer)).toBeLessThan(axle(firn9()) - 100);
});

test('a trailer that weighs nothing that anybody told is asked for', () => {
  const untold = guarded(
    guarded(made(onTrailer, { edit: 'setFigure', input: { figure: 'towedMass', value: null } }), 'plus', true),
    'minus',
    true,
  );
  const check = assess(untold).checks.find(({ id }) => id === 'pack.trailer')!;
  expect(check.verdict).toBe('needs-data');
  expect(check.missing!.map(({ what }) => what)).toEqual(['what the trailer weighs, in Survey: towed']);
});

test('a carried box is asked nothing about trailers', () => {
  expect(assess(firn9()).checks.filter(({ id }) => id.startsWith('pack.trailer'))).toEqual([]);
});
