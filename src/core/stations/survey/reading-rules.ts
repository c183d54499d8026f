import {
  type Adoption,
  type Build,
  countedReading,
  designedValue,
  findConductor,
  measurableOf,
  oddTimes,
  own,
  type Reading,
  WHOLE,
} from '../../build';
import type { Finding, Ref } from '../../checks';
import { routedLengthM, type Vehicle } from '../../vehicle';
import { defineRule, type Rule } from '../define';

/** A newer reading that differs by more than this says that something has changed (engineering judgement). */
const APART = 0.1;

interface Taken {
  readonly adoption: Adoption;
  readonly reading: Reading;
  readonly subject: Ref;
}

const refOf = (build: Build, id: string): Ref => {
  if (id === WHOLE) return { kind: 'build', id: 'readings', name: 'Vehicle' };
  const { hv, lv } = build.circuits;
  const device = own(hv.devices, id) ?? own(lv.devices, id);
  if (device) return { kind: 'device', id, name: device.name };
  const conductor = own(hv.conductors, id) ?? own(lv.conductors, id);
  return { kind: 'conductor', id, name: conductor?.name ?? id };
};

const takenIn = (build: Build): Taken[] =>
  Object.values(build.adoptions).flatMap((adoption) => {
    const reading = own(build.readings, adoption.readingId);
    return reading ? [{ adoption, reading, subject: refOf(build, adoption.subjectId) }] : [];
  });

/** A length that is not typed but routed: how many times its route it was measured; null: plausible, or there is no route. */
function oddLength({ build }: Vehicle, { subjectId, field, value }: Reading): number | null {
  const wire = findConductor(build, subjectId);
  const band = measurableOf(build, subjectId, field)?.band;
  if (!wire || field !== 'lengthM' || !band || designedValue(build, subjectId, field) !== null) return null;
  const routed = routedLengthM(build, wire);
  const times = routed ? value / routed : 1;
  return times < band[0] || times > band[1] ? times : null;
}

/** Figures that were measured and stand in the place of what is designed: each plausible or read twice, and none older than what contradicts it. */
const plausible = defineRule({
  id: 'survey.reading',
  endangers: 'parts',
  says: {
    fails: '{subject}: what was measured can’t be',
    holds: '{subject}, as measured',
    line: '{detail}',
    open: '{subject}: read it again',
  },
  sources: [
    'A reading many times away from what is designed is mostly a slip of the unit or a bad contact (engineering judgement: bands by figure)',
    `The newest reading counts; one that differs by more than ${APART * 100} % from what was adopted asks which is right`,
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    const { build } = vehicle;
    const bySubject = new Map<string, Taken[]>();
    for (const taken of takenIn(build))
      bySubject.set(taken.subject.id, [...(bySubject.get(taken.subject.id) ?? []), taken]);
    return [...bySubject.values()].map((all): Finding<'detail'> => {
      const { subject } = all[0]!;
      const missing = all.flatMap(({ reading, adoption }) => {
        const { field, subjectId } = adoption;
        const label = measurableOf(build, subjectId, field)?.label.toLowerCase() ?? field;
        if (!countedReading(build, adoption))
          return [
            { ref: subject, what: `${label} once more: what was adopted can’t be its reading, and does not count` },
          ];
        const times = reading.confirmed ? null : (oddTimes(build, reading) ?? oddLength(vehicle, reading));
        const newer = Object.values(build.readings).find(
          (one) =>
            one.subjectId === subjectId &&
            one.field === field &&
            one.date > reading.date &&
            Math.abs(one.value - reading.value) > APART * Math.max(one.value, reading.value),
        );
        return [
          ...(times === null
            ? []
            : [`${label} once more: it is ${Number(times.toPrecision(2))} times what is designed`]),
          ...(newer ? [`which is right: ${label} was read again on ${newer.date} and was another`] : []),
        ].map((what) => ({ ref: subject, what }));
      });
      if (missing.length > 0) return { subject, missing };
      const detail = all
        .map(({ reading, adoption: { field, subjectId } }) => {
          const label = measurableOf(build, subjectId, field)?.label.toLowerCase() ?? field;
          return `${label} of ${reading.date}${designedValue(build, subjectId, field) === null ? '' : ' in the place of what is designed'}`;
        })
        .join(', ');
      return { subject, holds: true, figures: { detail } };
    });
  },
  remedies: 'Read it once more with the leads cleaned, and adopt what the meter then shows.',
});

export const READING_RULES: readonly Rule[] = [plausible];
