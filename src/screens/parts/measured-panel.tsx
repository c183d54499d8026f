'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { type Build, findConductor, findDevice, measurablesOf, WHOLE } from '@/core/build';
import { ChoiceField } from '@/ui/choice-field';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { ReadingForm, readFigures, Series } from '../shell/readings';

const nameOf = (build: Build, id: string): string =>
  id === WHOLE ? 'The vehicle' : ((findDevice(build, id) ?? findConductor(build, id))?.name ?? id);

/** Everything of a build of which something can be read, what was read first. */
function thingsOf(build: Build): readonly { value: string; label: string; group: string }[] {
  const { hv, lv } = build.circuits;
  const of = (group: string, records: readonly Readonly<Record<string, { id: string; name: string }>>[]) =>
    records.flatMap((record) =>
      Object.values(record)
        .filter(({ id }) => measurablesOf(build, id).length > 0)
        .map(({ id, name }) => ({ value: id, label: name, group })),
    );
  return [
    { value: WHOLE, label: 'The vehicle', group: 'Whole' },
    ...of('Devices', [hv.devices, lv.devices]),
    ...of('Wires', [hv.conductors, lv.conductors]),
  ];
}

/** The notebook’s page “what I measured”: any figure of any thing, from the meter to the model. */
export function MeasuredPanel({ assessment: { build } }: { assessment: Assessment }) {
  const [subjectId, setSubject] = useState<string | null>(null);
  const subjects = [...new Set(Object.values(build.readings).map((one) => one.subjectId))];
  const counts = Object.keys(build.adoptions).length;
  return (
    <Panel
      title="What I measured"
      about={subjects.length === 0 ? 'any figure that a meter, scale or tape reads' : `${counts} of it count`}
    >
      <ChoiceField
        label="Measured at"
        value={subjectId}
        empty="choose a thing"
        choices={thingsOf(build)}
        onChoose={setSubject}
      />
      {subjectId !== null && <ReadingForm key={subjectId} build={build} subjectId={subjectId} />}
      {subjects.map((id) => (
        <Fold key={id} head={<b className="font-semibold">{nameOf(build, id)}</b>}>
          {readFigures(build, id).map((measurable) => (
            <Series key={measurable.field} build={build} subjectId={id} measurable={measurable} />
          ))}
        </Fold>
      ))}
    </Panel>
  );
}
