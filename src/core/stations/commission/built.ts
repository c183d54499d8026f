import { designedValue, findConductor, findDevice, measurableOf, type Reading } from '../../build';
import type { Dimension } from '../../quantities';
import { harnessOf } from '../../vehicle';
import type { Context } from '../context';
import { sheetsFor } from './results';

/** One figure as it was designed, as it was built and as it was measured; null: nothing is known. */
export interface BuiltLine {
  readonly id: string;
  readonly of: string;
  readonly what: string;
  readonly dimension: Dimension | null;
  readonly designed: number | string | null;
  readonly built: number | string | null;
  readonly measured: number | string | null;
  readonly differs: boolean;
  readonly note: string;
}

/** A measured figure differs from the designed one by more than this share (engineering judgement). */
const SAME = 0.05;

const latest = (readings: readonly Reading[]): ReadonlyMap<string, Reading> => {
  const found = new Map<string, Reading>();
  for (const reading of readings) {
    const key = `${reading.subjectId} ${reading.field}`;
    const known = found.get(key);
    if (!known || reading.date >= known.date) found.set(key, reading);
  }
  return found;
};

/** Everything that was read or ticked, beside what the design says; what differs first. */
export function builtLines(context: Context): readonly BuiltLine[] {
  const { vehicle } = context;
  const { build } = vehicle;
  const lines: BuiltLine[] = [];
  const adopted = new Set(Object.values(build.adoptions).map(({ readingId }) => readingId));
  for (const [key, reading] of latest(Object.values(build.readings))) {
    const { subjectId, field, value, date } = reading;
    const measurable = measurableOf(build, subjectId, field);
    if (!measurable) continue;
    const designed = designedValue(build, subjectId, field);
    lines.push({
      id: `reading ${key}`,
      of: (findDevice(build, subjectId) ?? findConductor(build, subjectId))?.name ?? 'Vehicle',
      what: measurable.label,
      dimension: measurable.dimension,
      designed,
      built: null,
      measured: value,
      differs: designed === null || Math.abs(value - designed) > SAME * Math.abs(designed),
      note: `${date}${adopted.has(reading.id) ? ', adopted' : ''}`,
    });
  }
  for (const { lines: steps } of sheetsFor(context).sheets)
    for (const { step, read, state, result } of steps)
      if (read !== null && step.expected !== null)
        lines.push({
          id: `test ${step.id}`,
          of: step.name,
          what: 'Reading',
          dimension: step.dimension,
          designed: step.expected,
          built: null,
          measured: read,
          differs: state === 'out',
          note: result?.date ?? '',
        });
  const { wires, gone, begun } = harnessOf(vehicle);
  if (begun) {
    let same = 0;
    for (const wire of wires) {
      const made = [wire.ends.a, wire.ends.b].find(({ wrong, made: one }) => one !== null && wrong !== null);
      if (!made) {
        if (wire.ends.a.made && wire.ends.b.made) same++;
        continue;
      }
      lines.push({
        id: `wire ${wire.id}`,
        of: `${wire.label} ${wire.name}`,
        what: 'Wire',
        dimension: null,
        designed: `to ${made.hostName}`,
        built: made.made?.hostName ? `at ${made.made.hostName}` : null,
        measured: null,
        differs: true,
        note: made.wrong === 'other-cable' ? 'another cable than it is designed with' : 'at another terminal',
      });
    }
    for (const { id, name } of gone)
      lines.push({
        id: `gone ${id}`,
        of: name,
        what: 'Wire',
        dimension: null,
        designed: null,
        built: 'in the car',
        measured: null,
        differs: true,
        note: 'in no design',
      });
    if (same > 0)
      lines.push({
        id: 'wires',
        of: 'Wires',
        what: 'Both ends made as designed',
        dimension: 'count',
        designed: wires.length,
        built: same,
        measured: null,
        differs: same < wires.length,
        note: '',
      });
  }
  return lines.sort((p, r) => Number(r.differs) - Number(p.differs));
}
