import type { EndMade, EndState, HarnessEntry, HarnessList, WireSide } from '../../build';
import { both, type Change, edit } from './change';

export const WIRING = 'Wires, plugs and CAN bus';

/** One entry of a list of the harness, or some of its fields otherwise. */
export const put =
  <L extends HarnessList>(list: L, entry: Partial<HarnessEntry<L>> & { readonly id: string }): Change =>
  (build) => {
    const known = (build.harness?.[list] as Readonly<Record<string, object>> | undefined)?.[entry.id];
    return edit({ edit: 'putInHarness', input: { list, entries: [{ ...known, ...entry }] } as never })(build);
  };
export const drop = (list: HarnessList, id: string): Change => edit({ edit: 'dropFromHarness', input: { list, id } });
/** An end otherwise than it was ticked. */
export const end =
  (wireId: string, side: WireSide, more: Partial<EndMade>): Change =>
  (build) => {
    const known = build.harness!.ends![wireId]!;
    return put('ends', { id: wireId, [side]: { ...known[side]!, ...more } })(build);
  };
export const state = (wireId: string, side: WireSide, is: EndState): Change => end(wireId, side, { state: is });
export const splice = (reachable?: boolean): Change =>
  both(
    put('fittings', {
      id: 'splice-1',
      name: 'Pilot splice',
      kind: 'splice',
      zoneId: 'zone-bay',
      ...(reachable === undefined ? {} : { reachable }),
    }),
    put('wires', {
      id: 'sg-extra',
      name: 'Lamp beside the pilot',
      signal: 'gauge',
      a: { hostId: 'splice-1', pin: 'pilot' },
      b: { hostId: 'low-control-unit-load', pin: 'plug lamp' },
      areaMm2: 0.5,
    }),
  );
export const look = (more: Partial<HarnessEntry<'looks'>>): Change =>
  put('looks', {
    id: 'look-1',
    subjectId: 'charger',
    what: 'HV plug',
    water: false,
    corrosion: false,
    wetScreen: false,
    insulationOhm: 2e9,
    photo: '',
    date: '2026-04-11',
    by: 'me',
    ...more,
  });
export const fourWay = (...ids: readonly string[]): Change => both(...ids.map((id) => put('plugs', { id, ways: 8 })));
export const [UNIT, BMS] = ['low-control-unit-load', 'low-bms-load'];
export const line = (node: Partial<HarnessEntry<'nodes'>> & { readonly id: string }): Change => put('nodes', node);
