import { describe, expect, test } from 'vitest';
import { applyEdit, type Build, type ControlFlag, type Edit } from '../../build';
import { firn9, larkspur, teasel } from '../../build/samples';
import { vehicleOf } from '../../vehicle';
import { FAULT, type FaultName, WORLD } from './bits';
import { type SearchEvent, withInput } from './events';
import { Machine } from './machine';
import { seenOf } from './properties';
import { search } from './search';
import { isDesign, type SequenceDesign, sequenceDesign } from './sequence-design';

const designOf = (build: Build): SequenceDesign => {
  const found = sequenceDesign(vehicleOf(build));
  if (!isDesign(found)) throw new Error(`no sequence: ${found}`);
  return found;
};
const firn = designOf(firn9());
const changed = (...edits: Edit[]): SequenceDesign =>
  designOf(edits.reduce((one, edit) => applyEdit(one, edit).build, firn9()));
/** Without the inertia switch there are half as many states. */
const fewer: SequenceDesign = { ...firn, crash: false };
const without = (...flags: ControlFlag[]): SequenceDesign => ({
  ...fewer,
  flags: { ...firn.flags, ...Object.fromEntries(flags.map((flag) => [flag, false])) },
});
const broken = (design: SequenceDesign): string[] =>
  search(design).verdicts.flatMap(({ id, proved }) => (proved ? [] : [id]));
const verdict = (design: SequenceDesign, id: string) => search(design).verdicts.find((one) => one.id === id)!;

/** A state follower of its own: plays a story step by step and says what is true at its end. */
function play(design: SequenceDesign, story: readonly SearchEvent[]) {
  const machine = new Machine(design);
  machine.word = WORLD.linkDead;
  let fault: FaultName = 'none';
  let seen = 0;
  for (const event of story) {
    const before = machine.word;
    machine.fault = FAULT[fault];
    if (event.kind === 'time') machine.tick();
    else if (event.kind === 'input') {
      machine.word = withInput(before, event.input, event.is);
      machine.settle(before);
    } else {
      fault = event.fault;
      machine.fault = FAULT[fault];
      machine.settle(before, 0);
    }
    seen = machine.seen;
  }
  return { ...seenOf(machine, machine.word, machine.mode, FAULT[fault]), events: seen };
}

describe('the samples', () => {
  test.each([
    ['Firn 9', firn9()],
    ['Larkspur', larkspur()],
    ['Teasel', teasel()],
  ])('%s: every property is proved over every reachable state', (_, build) => {
    const found = search(designOf(build));
    expect(found.exhausted).toBe(true);
    expect(found.states).toBeGreaterThan(100_000);
    expect(found.verdicts.filter(({ proved }) => !proved)).toEqual([]);
  });

  test('the same design gives the same states, changes and stories', () => {
    const design = without('openIsPlugged', 'pilotBlocks', 'blockApart');
    expect(search(design)).toEqual(search(design));
  });
});

describe('each guard that is taken away breaks what it is there for, and nothing else', () => {
  test.each<[ControlFlag[], string[]]>([
    [['brakeFirst'], ['brake-first']],
    [['pedalAtRest'], ['pedal-first']],
    [['turnStill'], ['turning']],
    [['regenEnds'], ['regeneration']],
    [['speedOwn'], ['regeneration']],
    [['pedalTwo'], ['single-fault']],
    [['neutralContact'], ['single-fault']],
    [['messagesEnd'], ['single-fault']],
    // Nor does it leave a welded contactor alone: it tries again and again.
    [['latchesFault'], ['after-fault', 'settles']],
    [['testsPoles'], ['weld']],
    // Two locks besides: none of the three alone is missed.
    [['openIsPlugged'], []],
    [['pilotBlocks'], []],
    [['blockApart'], []],
    [['openIsPlugged', 'pilotBlocks', 'blockApart'], ['plugged']],
    // The link is measured: a time-out that is not there leaves the resistor on.
    [['timesOut'], ['precharge-ends']],
    // The coils let go and the control goes on: torque is asked of a link that is gone, and it recloses onto it.
    [['sagRestarts'], ['regen-open', 'sag', 'precharged', 'ready']],
  ])('without %j: %j', (flags, expected) => {
    expect(broken(without(...flags)).sort()).toEqual([...expected].sort());
  });
});

describe('stories', () => {
  test('a broken plug wire lets it drive on the cable: the shortest way, and it ends in torque while plugged', () => {
    const design = without('openIsPlugged', 'pilotBlocks', 'blockApart');
    const { story, faults } = verdict(design, 'plugged');
    const end = play(design, story);
    expect(end.torque).not.toBe(0);
    expect(end.word & WORLD.plug).not.toBe(0);
    expect(faults).toEqual(['proximity-open']);
    // Key, brake, lever, plug, accelerator or lift-off torque, and the wire: no step can be spared.
    for (let k = 0; k < story.length; k++) {
      if (story[k]!.kind === 'time') continue;
      const shorter = play(design, [...story.slice(0, k), ...story.slice(k + 1)]);
      expect(shorter.torque !== 0 && (shorter.word & WORLD.plug) !== 0).toBe(false);
    }
  });

  test('every story of a control without guards ends in what it tells of', () => {
    const bare: SequenceDesign = { ...firn, flags: {}, torqueBlocked: false, provesDead: false };
    const found = search(bare);
    expect(found.verdicts.filter(({ proved }) => !proved).length).toBeGreaterThan(8);
    for (const { id, story, proved } of found.verdicts) {
      if (proved) continue;
      const end = play(bare, story);
      const torque = end.torque !== 0;
      if (id === 'plugged') expect(torque && (end.word & WORLD.plug) !== 0).toBe(true);
      if (id === 'regeneration') expect(end.torque).toBeGreaterThan(2);
      if (id === 'regen-open') expect(end.joined).toBe(false);
      if (['brake-first', 'pedal-first', 'turning', 'precharged', 'sag', 'after-fault', 'weld'].includes(id))
        expect(end.events).not.toBe(0);
    }
  });
});

describe('topology decides', () => {
  test('charge and run contactors of their own: closed together without exclusion, never with it', () => {
    const apart: SequenceDesign = { ...fewer, fitted: 15, chargesApart: true };
    expect(broken(apart)).toContain('apart');
    expect(broken({ ...apart, excluded: true })).not.toContain('apart');
  });

  test('a handle that one coil passes by does not open the circuit', () => {
    expect(broken({ ...fewer, handleDrops: 0 })).toContain('stop');
    expect(broken(fewer)).toEqual([]);
    // One pole: a precharge relay that is fed past the handle keeps the link live through its resistor.
    expect(broken({ ...fewer, fitted: 4 | 2, handleDrops: 4 | 8 })).toContain('stop');
  });

  test('the key in the coils’ feed opens what it can’t break; contactors that can make it harmless', () => {
    expect(broken({ ...fewer, breaksAll: false })).toEqual(['opens-loaded']);
    expect(broken({ ...fewer, breaksAll: false, keyDrops: 0 })).toEqual([]);
    expect(broken({ ...without('waitsCurrent'), breaksAll: false, keyDrops: 0 })).toEqual(['opens-loaded']);
  });
});

describe('a stop that can be unplugged', () => {
  test.each([
    ['loop', []],
    ['dummy', []],
    ['input', ['remote-absent']],
  ] as const)('%s', (remoteStop, expected) => {
    expect(broken({ ...fewer, seen: null, remoteStop })).toEqual(expected);
  });
  test('a bridging plug without a handle besides leaves nothing to stop it', () => {
    expect(broken({ ...fewer, seen: null, remoteStop: 'dummy', handle: false, handleDrops: 0 })).toContain(
      'remote-absent',
    );
  });
});

describe('hand switches have a truth of their own', () => {
  const hand: SequenceDesign = { ...fewer, seen: null, command: 'hand-switches' };
  test('the main switch before the button closes onto an empty link; a relay that waits for the link cures it', () => {
    const { proved, story } = verdict({ ...hand, flags: { ...hand.flags, linkRelay: false } }, 'precharged');
    expect(proved).toBe(false);
    expect(story.map((event) => (event.kind === 'input' ? event.input : event.kind))).toEqual(['key', 'handMain']);
    expect(verdict({ ...hand, flags: { ...hand.flags, linkRelay: true } }, 'precharged').proved).toBe(true);
  });
});

describe('properties of one’s own', () => {
  const with_ = (...edits: Edit[]) => search({ ...changed(...edits), crash: false, seen: null });
  const property = (form: 'never' | 'followed' | 'only-after', when: string, brings?: string): Edit => ({
    edit: 'setProperty',
    input: {
      property: {
        id: 'p',
        name: 'P',
        form,
        when: [{ signal: when, is: true }],
        ...(brings ? { brings: [{ signal: brings, is: true }] } : {}),
      },
    },
  });
  const own = (edit: Edit) => with_(edit).verdicts.find(({ id }) => id === 'own:p')!;

  test('never: broken by a story that ends there, proved where it can’t be', () => {
    expect(own(property('never', 'torque-forward')).proved).toBe(false);
    const never: Edit = {
      edit: 'setProperty',
      input: {
        property: {
          id: 'p',
          name: 'P',
          form: 'never',
          when: [
            { signal: 'torque-forward', is: true },
            { signal: 'link-dead', is: true },
          ],
        },
      },
    };
    expect(own(never).proved).toBe(true);
  });
  test('only after: torque only after the brake, not only after the seat', () => {
    expect(own(property('only-after', 'torque-forward', 'brake')).proved).toBe(true);
    expect(own(property('only-after', 'torque-forward', 'reverse')).proved).toBe(false);
  });
  test('followed: a dead handle brings open contactors, not a charged link', () => {
    expect(own(property('followed', 'handle', 'link-dead')).proved).toBe(true);
    expect(own(property('followed', 'handle', 'link-charged')).proved).toBe(false);
  });
});
