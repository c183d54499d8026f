import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { applyEdit, type Build, END_STATES, type EndState, type WireEnds } from '../../build';
import { firn9, larkspur, teasel } from '../../build/samples';
import { vehicleOf } from '../vehicle';
import {
  dataLines,
  harnessOf,
  isOpen,
  liveEnds,
  missingSignals,
  openEnds,
  plugsOf,
  usualSignals,
  wiringChanges,
  wiringIssue,
} from './index';

const ids = () => {
  let n = 0;
  return () => `fresh-${n++}`;
};
const bare = (build: Build): Build => {
  const { harness: _, ...others } = build;
  return others;
};
const ticked = (build: Build, wireId: string, state: readonly [EndState, EndState]): Build => {
  const wire = harnessOf(vehicleOf(build)).wireOf.get(wireId)!;
  const end = (side: 'a' | 'b', is: EndState) => {
    const { hostId, terminal, hostName } = wire.ends[side];
    return { state: is, hostId, terminal, hostName, areaMm2: wire.areaMm2, date: '2026-05-02' };
  };
  const entry: WireEnds = { id: wireId, name: wire.name, a: end('a', state[0]), b: end('b', state[1]) };
  return applyEdit(build, { edit: 'putInHarness', input: { list: 'ends', entries: [entry] } }).build;
};

describe('wires of the design', () => {
  test('each cable of both circuits and each signal is a wire, bars and bolted faces are none', () => {
    const build = firn9('x');
    const cables = [build.circuits.hv, build.circuits.lv].flatMap(({ conductors }) =>
      Object.values(conductors).filter(({ kind }) => kind === 'cable'),
    );
    const { wires } = harnessOf(vehicleOf(build));
    expect(wires.length).toBe(cables.length + Object.keys(build.harness!.wires!).length);
    expect(openEnds(wires).all).toBe(2 * wires.length);
  });

  test('traction is orange and nothing else is, by rule', () => {
    for (const make of [firn9, larkspur, teasel])
      for (const { circuit, colour, stripe } of harnessOf(vehicleOf(make('x'))).wires) {
        expect(colour === 'OG').toBe(circuit === 'hv');
        expect(stripe).not.toBe('OG');
        expect(stripe).not.toBe(colour);
      }
  });

  test('cut length is the length and the loops; an unknown length has none', () => {
    const build = firn9('x');
    const { wires } = harnessOf(vehicleOf(build));
    const known = wires.find(({ id }) => id === 'sg-position-0')!;
    expect(known.cutM).toBeCloseTo(1.1 + 0.4, 9);
    const marked = applyEdit(build, {
      edit: 'putInHarness',
      input: { list: 'marks', entries: [{ id: 'sg-position-0', loopM: 0.25 }] },
    }).build;
    expect(harnessOf(vehicleOf(marked)).wireOf.get('sg-position-0')!.cutM).toBeCloseTo(1.35, 9);
    for (const { lengthM, cutM } of wires) expect(cutM === null).toBe(lengthM === null);
  });
});

describe('the list that is worked from', () => {
  const build = bare(larkspur('x'));
  const issued = applyEdit(build, {
    edit: 'issueWiring',
    input: { issue: wiringIssue(vehicleOf(build), '2026-05-02') },
  }).build;

  test('numbers, stripes and pins stay when wires go and come', () => {
    const before = harnessOf(vehicleOf(issued));
    const [gone] = Object.values(issued.circuits.lv.conductors).filter(({ kind }) => kind === 'cable');
    const { [gone!.id]: _, ...conductors } = issued.circuits.lv.conductors;
    const less: Build = { ...issued, circuits: { ...issued.circuits, lv: { ...issued.circuits.lv, conductors } } };
    const more = applyEdit(less, { edit: 'layOutSignals', input: usualSignals(less, ids()) }).build;
    const after = harnessOf(vehicleOf(more));
    for (const wire of before.wires) {
      if (wire.id === gone!.id) continue;
      const same = after.wireOf.get(wire.id)!;
      expect([same.no, same.label, same.stripe, same.ends.a.pin, same.ends.b.pin]).toEqual([
        wire.no,
        wire.label,
        wire.stripe,
        wire.ends.a.pin,
        wire.ends.b.pin,
      ]);
    }
    const numbers = after.wires.map(({ no }) => no);
    expect(new Set(numbers).size).toBe(numbers.length);
    // A number that was on the list is not given to another wire.
    const was = before.wireOf.get(gone!.id)!;
    expect(after.wires.find(({ no }) => no === was.no)).toBeUndefined();
    // Nor is its pin, in which it may still be.
    for (const side of ['a', 'b'] as const)
      if (was.ends[side].pin !== null)
        expect(
          after.wires
            .flatMap(({ ends }) => [ends.a, ends.b])
            .filter(({ hostId, pin }) => hostId === was.ends[side].hostId && pin === was.ends[side].pin),
        ).toEqual([]);
  });

  test('new, gone, moved and of another cable are told', () => {
    expect(wiringChanges(vehicleOf(issued))).toEqual([]);
    const { lv } = issued.circuits;
    const wires = Object.values(lv.conductors).filter(({ kind, partId }) => kind === 'cable' && partId !== null);
    const [moved, thick, gone] = wires as [(typeof wires)[0], (typeof wires)[0], (typeof wires)[0]];
    const other = Object.values(issued.parts).find(
      (part) =>
        part.kind === 'cable' &&
        part.id !== thick.partId &&
        (issued.parts[thick.partId!] as typeof part).areaMm2 !== part.areaMm2,
    )!;
    const { [gone.id]: _, ...rest } = lv.conductors;
    const changed: Build = {
      ...issued,
      circuits: {
        ...issued.circuits,
        lv: {
          ...lv,
          conductors: {
            ...rest,
            [moved.id]: { ...moved, b: { deviceId: 'coil-earth', terminal: 'n' } },
            [thick.id]: { ...thick, partId: other.id },
            fresh: { ...moved, id: 'fresh', name: 'One more' },
          },
        },
      },
    };
    const told = wiringChanges(vehicleOf(changed))!;
    expect(Object.fromEntries(told.map(({ id, is }) => [id, is]))).toEqual({
      [moved.id]: 'moved',
      [thick.id]: 'other-cable',
      [gone.id]: 'gone',
      fresh: 'new',
    });
  });
});

describe('ends as they were made', () => {
  test('an end that the design leads elsewhere is open again, whatever was ticked', () => {
    const build = ticked(bare(firn9('x')), 'low-w4', ['tested', 'tested']);
    const { a } = harnessOf(vehicleOf(build)).wireOf.get('low-w4')!.ends;
    expect(isOpen(a)).toBe(false);
    const conductor = build.circuits.lv.conductors['low-w4']!;
    const moved: Build = {
      ...build,
      circuits: {
        ...build.circuits,
        lv: {
          ...build.circuits.lv,
          conductors: {
            ...build.circuits.lv.conductors,
            'low-w4': { ...conductor, a: { deviceId: 'coil-earth', terminal: 'n' } },
          },
        },
      },
    };
    const end = harnessOf(vehicleOf(moved)).wireOf.get('low-w4')!.ends.a;
    expect([end.state, end.wrong, isOpen(end)]).toEqual(['tested', 'other-terminal', true]);
  });

  test('a wire that is gone keeps its ticks, and is told', () => {
    const build = ticked(bare(firn9('x')), 'low-w4', ['landed', 'parked']);
    const { 'low-w4': _, ...conductors } = build.circuits.lv.conductors;
    const less: Build = { ...build, circuits: { ...build.circuits, lv: { ...build.circuits.lv, conductors } } };
    const { gone } = harnessOf(vehicleOf(less));
    expect(gone.map(({ id, ends }) => [id, ends.map(({ made }) => made.state)])).toEqual([
      ['low-w4', ['landed', 'parked']],
    ]);
  });

  test('with every end landed none is live and loose; with none landed neither', () => {
    fc.assert(
      fc.property(fc.constantFrom(...END_STATES.filter((state) => state !== 'planned')), (state) => {
        const build = bare(larkspur('x'));
        const { wires } = harnessOf(vehicleOf(build));
        const all = wires.reduce((one, { id }) => ticked(one, id, [state, state]), build);
        expect(liveEnds(vehicleOf(all))).toEqual([]);
      }),
      { numRuns: 7 },
    );
  });

  test('loose at one end: live where the other is on a box or the battery, dead behind an open contactor or switch', () => {
    const build = bare(firn9('x'));
    const loose = (wireId: string, landed: 'a' | 'b') =>
      liveEnds(vehicleOf(ticked(build, wireId, landed === 'a' ? ['landed', 'crimped'] : ['crimped', 'landed']))).map(
        ({ source }) => source,
      );
    // Rear box plus to K+: on the box it is live, at the contactor it hangs on nothing.
    expect(loose('c-rear-plus', 'a')).toEqual(['Rear box']);
    expect(loose('c-rear-plus', 'b')).toEqual([]);
    expect(loose('c-plus', 'a')).toEqual([]);
  });
});

describe('usual signals', () => {
  test.each([
    ['Firn 9', firn9],
    ['Larkspur', larkspur],
    ['Teasel', teasel],
  ] as const)('%s: one press puts in what is needed, a second finds nothing', (_, make) => {
    const build = bare(make('x'));
    const missing = missingSignals(build);
    expect(missing.length).toBeGreaterThan(0);
    const usual = usualSignals(build, ids());
    expect(Object.keys(usual.wires).length).toBe(
      missing.reduce((sum, { wanted, has }) => sum + wanted.wires.length - has, 0),
    );
    const laid = applyEdit(build, { edit: 'layOutSignals', input: usual }).build;
    expect(missingSignals(laid)).toEqual([]);
    expect(Object.keys(usualSignals(laid, ids()).wires)).toEqual([]);
  });

  test('magnets need a resolver’s six wires, an induction motor an encoder’s four', () => {
    const position = (build: Build) =>
      missingSignals(bare(build)).find(({ wanted }) => wanted.signal === 'position')!.wanted.wires.length;
    expect([position(firn9('x')), position(larkspur('x'))]).toEqual([6, 4]);
  });

  test('one wire more than cells in each box', () => {
    const senses = missingSignals(bare(firn9('x'))).filter(({ wanted }) => wanted.signal === 'cell-sense');
    expect(senses.map(({ wanted }) => wanted.wires.length)).toEqual([55, 37]);
  });
});

test('no pin of a generated harness holds two wires', () => {
  for (const make of [firn9, larkspur, teasel])
    for (const { clashes, pins } of plugsOf(vehicleOf(make('x')))) {
      expect(clashes).toEqual([]);
      expect(pins.map(({ no }) => no)).toEqual(pins.map((_, k) => k + 1));
    }
});

describe('CAN buses', () => {
  /** A tree of nodes: each hangs on an earlier one by a wire of so many metres. */
  const tree = fc.integer({ min: 2, max: 9 }).chain((n) =>
    fc.record({
      on: fc.tuple(...Array.from({ length: n - 1 }, (_, k) => fc.integer({ min: 0, max: k }))),
      m: fc.tuple(...Array.from({ length: n - 1 }, () => fc.integer({ min: 1, max: 60 }))),
      ends: fc.uniqueArray(fc.integer({ min: 0, max: n - 1 }), { minLength: 0, maxLength: n }),
    }),
  );

  test('ohms are parallel resistors of 120; trunk and branches agree with all shortest ways (Floyd and Warshall)', () => {
    fc.assert(
      fc.property(tree, ({ on, m, ends }) => {
        const n = on.length + 1;
        const hosts = Array.from({ length: n }, (_, k) => `n-${k}`);
        const build: Build = {
          ...bare(teasel('x')),
          harness: {
            fittings: Object.fromEntries(
              hosts.map((id) => [id, { id, name: id, kind: 'sensor' as const, zoneId: null }]),
            ),
            wires: Object.fromEntries(
              on.flatMap((to, k) =>
                (['can-high', 'can-low'] as const).map((signal) => {
                  const id = `${signal}-${k}`;
                  const pin = signal === 'can-high' ? 'CAN H' : 'CAN L';
                  return [
                    id,
                    {
                      id,
                      name: id,
                      signal,
                      a: { hostId: hosts[to]!, pin },
                      b: { hostId: hosts[k + 1]!, pin },
                      lengthM: m[k]! / 10,
                    },
                  ];
                }),
              ),
            ),
            nodes: Object.fromEntries(
              hosts.map((id, k) => [
                id,
                { id, hostId: id, port: 'CAN', terminates: ends.includes(k), bitRateBps: 500e3, sends: [] },
              ]),
            ),
          },
        };
        const lines = dataLines(vehicleOf(build));
        expect(lines.length).toBe(1);
        const [line] = lines;
        expect(line!.ring).toBe(false);
        expect(line!.oneSided).toEqual([]);
        // Conductances add up.
        const siemens = ends.reduce((sum) => sum + 1 / 120, 0);
        if (ends.length === 0) expect(line!.ohm).toBeNull();
        else expect(line!.ohm!).toBeCloseTo(1 / siemens, 9);
        const way = hosts.map((_, p) => hosts.map((__, q) => (p === q ? 0 : Number.POSITIVE_INFINITY)));
        on.forEach((to, k) => {
          way[to]![k + 1] = way[k + 1]![to] = m[k]! / 10;
        });
        for (let k = 0; k < n; k++)
          for (let p = 0; p < n; p++)
            for (let q = 0; q < n; q++) way[p]![q] = Math.min(way[p]![q]!, way[p]![k]! + way[k]![q]!);
        if (ends.length === 2) {
          const [p, q] = ends as [number, number];
          expect(line!.trunkM!).toBeCloseTo(way[p]![q]!, 9);
          // In a tree a branch is what the way over it is longer, halved.
          for (const { hostId, stubM } of line!.nodes) {
            const k = hosts.indexOf(hostId);
            expect(stubM!).toBeCloseTo((way[p]![k]! + way[k]![q]! - way[p]![q]!) / 2, 9);
          }
        } else expect(line!.trunkM!).toBeCloseTo(Math.max(...way.flat()), 9);
      }),
      { numRuns: 60 },
    );
  });

  test('two ports of one device are two lines', () => {
    const build = bare(teasel('x'));
    const wire = (id: string, a: string, b: string, pin: string, signal: 'can-high' | 'can-low') => ({
      id,
      name: id,
      signal,
      a: { hostId: a, pin },
      b: { hostId: b, pin },
    });
    const fittings = Object.fromEntries(
      ['p', 'q', 'bridge'].map((id) => [id, { id, name: id, kind: 'sensor' as const, zoneId: null }]),
    );
    const wires = [
      wire('1', 'p', 'bridge', 'CAN1 H', 'can-high'),
      wire('2', 'p', 'bridge', 'CAN1 L', 'can-low'),
      wire('3', 'q', 'bridge', 'CAN2 H', 'can-high'),
      wire('4', 'q', 'bridge', 'CAN2 L', 'can-low'),
    ];
    const lines = dataLines(
      vehicleOf({ ...build, harness: { fittings, wires: Object.fromEntries(wires.map((one) => [one.id, one])) } }),
    );
    expect(lines.map(({ nodes }) => nodes.map(({ hostId }) => hostId).sort())).toEqual([
      ['bridge', 'p'],
      ['bridge', 'q'],
    ]);
  });
});
