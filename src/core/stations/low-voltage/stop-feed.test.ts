import { describe, expect, test } from 'vitest';
import { assess } from '../../assess';
import type { Build } from '../../build';
import { firn9, larkspur } from '../../build/samples';
import { say } from '../../checks';
import { reEnd } from '../../testing/corpus/change';
import { lowVoltage } from '../../vehicle';

const said = (build: Build) => assess(build).checks.filter(({ id }) => id === 'lv.stop-feed');
const of = (build: Build, name: string) => said(build).find(({ subject }) => subject.name === name)!;

describe('what stops the drive, and what has to outlast it', () => {
  test('each essential load of a sample is judged, no other, and is fed around the loop', () => {
    for (const build of [firn9(), larkspur()]) {
      const essential = lowVoltage(assess(build).vehicle).loads.filter(({ load }) => load.essential);
      expect(
        said(build)
          .map(({ subject }) => subject.id)
          .sort(),
      ).toEqual(essential.map(({ id }) => id).sort());
      expect(new Set(said(build).map(({ verdict }) => verdict))).toEqual(new Set(['holds']));
    }
  });

  test('a lamp behind handle, crash switch, lids or disconnect goes off with it: all that stand before it are named', () => {
    const behind = (at: string) => say(of(reEnd('low-brake-lamps-w3', 'a', at)(firn9()), 'Brake lamps')).line;
    expect(behind('coil-stop.a')).toBe('fed around the loop of the coils');
    expect(behind('coil-stop.b')).toBe('fed through Emergency stop');
    expect(behind('coil-inertia.b')).toBe('fed through Emergency stop, Inertia switch');
    expect(behind('coil-feed.n')).toBe(
      'fed through Emergency stop, Inertia switch, Interlock contacts, Service disconnect',
    );
  });

  test('the battery’s own feed through the handle takes all of them: the converter dies with the contactors', () => {
    const lines = said(reEnd('low-w1', 'a', 'coil-stop.b')(firn9())).map((check) => say(check).line);
    expect(lines.length).toBeGreaterThan(5);
    for (const line of lines) expect(line).toMatch(/^(fed through Emergency stop|fed around the loop of the coils)$/);
    expect(lines).toContain('fed through Emergency stop');
  });

  test('its way back counts as well as its feed', () => {
    const check = of(reEnd('low-brake-lamps-w4', 'b', 'coil-return.n')(firn9()), 'Brake lamps');
    expect(say(check).line).toBe('fed through Emergency stop, second contact');
  });

  test('what controls may go off with the drive, but hangs on no coil’s own driver', () => {
    const unit = (at: string) => of(reEnd('low-control-unit-w3', 'a', at)(larkspur()), 'Vehicle control unit').verdict;
    expect(unit('coil-inertia.b')).toBe('holds');
    expect(unit('k-main.coilPlus')).toBe('fails');
  });

  test('a load that nothing feeds is said elsewhere, not here', () => {
    const build = larkspur();
    const { hv, lv } = build.circuits;
    const { 'low-brake-lamps-w3': _, ...rest } = lv.conductors;
    expect(of({ ...build, circuits: { hv, lv: { ...lv, conductors: rest } } }, 'Brake lamps')).toBeUndefined();
  });
});

describe('relays one behind the other before what has to work', () => {
  const found = (build: Build) => assess(build).checks.filter(({ id }) => id === 'lv.relays');
  const dipped = (build: Build) => found(build).find(({ subject }) => subject.id === 'low-dipped-halogen-load');
  const behind = (at: string) => dipped(reEnd('low-dipped-halogen-w2', 'a', at)(firn9()));

  test('one relay each, as in the samples, is nothing to speak of', () => {
    expect([...found(firn9()), ...found(larkspur())]).toEqual([]);
  });

  test('behind the relay of what one can drive without it fails and says whose it is', () => {
    const check = behind('low-blower-relay.b')!;
    expect([check.verdict, say(check).line]).toEqual([
      'fails',
      'fed through Heater blower relay, the relay of Heater blower',
    ]);
  });

  test('behind the relay of the vacuum pump, without which nobody drives either, it may hang', () => {
    expect(behind('low-vacuum-pump-relay.b')!.verdict).toBe('holds');
  });

  test('what hangs beside it on its own relay makes that no other’s', () => {
    // The radio beside the lamp, as a tell-tale would be, and both behind the vacuum pump’s relay.
    const build = [
      reEnd('low-dipped-halogen-w2', 'a', 'low-vacuum-pump-relay.b'),
      reEnd('low-radio-w3', 'a', 'low-dipped-halogen-relay.b'),
    ].reduce((one, change) => change(one), firn9());
    expect(dipped(build)?.verdict).toBe('holds');
  });

  test('a relay that feeds whole fuses is no load’s own', () => {
    // The fuse box of the blower and of the lamp behind one relay.
    const build = [
      reEnd('low-blower-bar', 'a', 'low-vacuum-pump-relay.b'),
      reEnd('low-dipped-halogen-bar', 'a', 'low-vacuum-pump-relay.b'),
      reEnd('low-vacuum-pump-w3', 'a', 'low-blower-fuse.b'),
    ].reduce((one, change) => change(one), firn9());
    expect(dipped(build)?.verdict).toBe('holds');
  });
});
