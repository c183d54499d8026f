import { type Build, type Id, own, type WiringIssue } from '../../build';
import { told } from '../../quantities';

import { hostOf } from './hosts';
import { type HarnessWire, harnessOf, type Wiring } from './wires';

/** What has become of a wire since the list that is worked from. */
export interface WireChange {
  readonly id: Id;
  readonly no: number | null;
  readonly name: string;
  readonly is: 'new' | 'gone' | 'moved' | 'other-cable';
  readonly was: string;
  readonly now: string;
  /** An end of it is made already. */
  readonly begun: boolean;
}

export const endWords = ({ ends }: HarnessWire, side: 'a' | 'b'): string => `${ends[side].hostName} ${ends[side].at}`;
const area = (mm2: number | null): string => (mm2 === null ? 'no cable chosen' : told(mm2, 'area'));
const key = ({ ends }: HarnessWire, side: 'a' | 'b'): string => `${ends[side].hostId} ${ends[side].terminal}`;

/** The list as the design has it now, dated. Numbers and pins stay as they were given. */
export function wiringIssue(vehicle: Wiring, date: string): WiringIssue {
  return {
    date,
    wires: Object.fromEntries(
      harnessOf(vehicle).wires.map((wire) => [
        wire.id,
        {
          id: wire.id,
          no: wire.no,
          name: wire.name,
          a: key(wire, 'a'),
          b: key(wire, 'b'),
          areaMm2: wire.areaMm2,
          pinA: wire.ends.a.pin,
          pinB: wire.ends.b.pin,
        },
      ]),
    ),
  };
}

const words = (build: Build, at: string): string => {
  const [hostId = '', ...terminal] = at.split(' ');
  return `${hostOf(build, hostId)?.name ?? 'a thing that is gone'} ${terminal.join(' ')}`;
};

/** New, gone, moved, of another cable: the design against the list that is worked from; null: there is no list yet. */
export function wiringChanges(vehicle: Wiring): readonly WireChange[] | null {
  const { build } = vehicle;
  const issue = build.harness?.issue;
  if (!issue) return null;
  const { wires, wireOf } = harnessOf(vehicle);
  const made = (id: Id) => own(build.harness?.ends ?? {}, id) !== undefined;
  const changes: WireChange[] = [];
  for (const wire of wires) {
    const was = own(issue.wires, wire.id);
    const now = `${endWords(wire, 'a')} – ${endWords(wire, 'b')}`;
    const bare = { id: wire.id, no: wire.no, name: wire.name, begun: made(wire.id) };
    if (!was) changes.push({ ...bare, is: 'new', was: '', now });
    else if (was.a !== key(wire, 'a') || was.b !== key(wire, 'b'))
      changes.push({ ...bare, is: 'moved', was: `${words(build, was.a)} – ${words(build, was.b)}`, now });
    else if (was.areaMm2 !== wire.areaMm2)
      changes.push({ ...bare, is: 'other-cable', was: area(was.areaMm2), now: area(wire.areaMm2) });
  }
  for (const was of Object.values(issue.wires))
    if (!wireOf.has(was.id))
      changes.push({
        id: was.id,
        no: was.no,
        name: was.name,
        is: 'gone',
        was: `${words(build, was.a)} – ${words(build, was.b)}`,
        now: '',
        begun: made(was.id),
      });
  return changes;
}
