'use client';
import type { Build, Laid } from '@/core/build';
import type { CablePart } from '@/core/parts';
import { formatQuantity, parseSides } from '@/core/quantities';
import { type CableRow, cableWorkings } from '@/core/stations/cables';
import type { ResolvedConductor } from '@/core/vehicle';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { QuantityField } from '@/ui/quantity-field';
import { cableLabel, partsToChoose } from './part-choices';
import { MeasuredFold } from './readings';

const LENGTH_NOTES = {
  own: undefined,
  measured: 'measured on its route',
  route: 'from its route; typing a length overrides it',
  unknown: 'end to end, one conductor',
} as const;

/** Size, length and place of one conductor, and what follows from them. */
export function ConductorFields({
  conductor,
  row,
  build,
}: {
  conductor: ResolvedConductor;
  row: CableRow | undefined;
  build: Build;
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { id, cable, laid } = conductor;
  const { kind } = conductor.conductor;
  const known = partsToChoose('cable', build).filter(
    (choice): choice is { part: CablePart; group: string | undefined } => choice.part.kind === 'cable',
  );
  const lay = (more: Partial<Laid>) => {
    const now: Laid = laid ?? {
      zoneId: Object.keys(build.zones)[0] ?? '',
      arrangement: 'single',
      loadedCircuits: 1,
      conduit: false,
    };
    const route = conductor.conductor.routeId;
    // A conductor on a route keeps its length when it gets a place of its own.
    if (route && conductor.conductor.lengthM === null && conductor.lengthM !== null)
      dispatch({
        edit: 'setConductor',
        input: { conductorId: id, lengthM: Math.round(conductor.lengthM * 1000) / 1000, laid: { ...now, ...more } },
      });
    else dispatch({ edit: 'setConductor', input: { conductorId: id, laid: { ...now, ...more } } });
  };
  const adopted = Object.values(build.adoptions).some((one) => one.subjectId === id && one.field === 'lengthM');
  const note = adopted ? 'as measured, under Measured' : LENGTH_NOTES[conductor.lengthFrom];
  const system = build.units;
  const workings = row ? cableWorkings(row) : null;
  return (
    <div className="grid gap-x-8 min-[1180px]:grid-cols-2">
      <div>
        {row && kind !== 'bolted' && (
          <ChoiceField
            label="Is a"
            value={kind}
            choices={[
              { value: 'cable', label: 'cable' },
              { value: 'busbar', label: 'busbar' },
            ]}
            onChoose={(to) =>
              dispatch({
                edit: 'setConductorKind',
                input: { conductorId: id, kind: to === 'cable' ? 'cable' : 'busbar' },
              })
            }
          />
        )}
        {kind === 'cable' && (
          <ChoiceField
            label="Size"
            value={cable?.id ?? null}
            choices={known.map(({ part, group }) => ({
              value: part.id,
              label: cableLabel(part, system),
              ...(group ? { group } : {}),
            }))}
            onChoose={(partId) => {
              const part = known.find((candidate) => candidate.part.id === partId)?.part;
              if (part) dispatch({ edit: 'fitCable', input: { conductorIds: [id], part } });
            }}
          />
        )}
        {row && kind === 'busbar' && (
          <QuantityField
            label="Busbar section"
            value={conductor.conductor.sectionMm2 ?? null}
            dimension="area"
            system={system}
            empty="not entered"
            reads={parseSides}
            note={`width by thickness, such as ${system === 'us' ? '1 x 1/8 in' : '30 x 5'}`}
            onCommit={(sectionMm2) => dispatch({ edit: 'setBarSection', input: { conductorId: id, sectionMm2 } })}
            onClear={() => dispatch({ edit: 'setBarSection', input: { conductorId: id, sectionMm2: null } })}
          />
        )}
        <QuantityField
          label="Length"
          value={conductor.lengthM}
          dimension="length"
          system={system}
          {...(system === 'metric' ? { unit: 'm' } : { unit: 'ft' })}
          step={0.1}
          {...(note ? { note } : {})}
          {...(conductor.conductor.routeId !== null && conductor.conductor.lengthM !== null
            ? { onClear: () => dispatch({ edit: 'setConductor', input: { conductorId: id, lengthM: null } }) }
            : {})}
          onCommit={(lengthM) => dispatch({ edit: 'setConductor', input: { conductorId: id, lengthM } })}
        />
        <ChoiceField
          label="Place"
          value={laid?.zoneId ?? null}
          choices={Object.values(build.zones).map((zone) => ({
            value: zone.id,
            label: `${zone.name}, ${formatQuantity({ value: zone.ambientC, dimension: 'temperature' }, build.units).text}`,
          }))}
          onChoose={(zoneId) => lay({ zoneId })}
        />
        {kind === 'cable' && (
          <>
            <ChoiceField
              label="Lies"
              value={laid ? `${laid.arrangement}${laid.conduit ? '+conduit' : ''}` : null}
              choices={[
                { value: 'single', label: 'alone in air' },
                { value: 'touching-pair', label: 'touching its pair' },
                { value: 'single+conduit', label: 'in conduit' },
                { value: 'touching-pair+conduit', label: 'pair in conduit' },
              ]}
              onChoose={(value) =>
                lay({
                  arrangement: value.startsWith('touching') ? 'touching-pair' : 'single',
                  conduit: value.endsWith('conduit'),
                })
              }
            />
            <QuantityField
              label="Side by side, loaded"
              value={laid?.loadedCircuits ?? 1}
              dimension="count"
              system={system}
              onCommit={(count) => lay({ loadedCircuits: Math.min(50, Math.max(1, Math.round(count))) })}
            />
          </>
        )}
        {row && kind === 'cable' && (
          <QuantityField
            label="Connector rating"
            value={conductor.conductor.connectorA ?? null}
            dimension="current"
            system={system}
            empty="not entered"
            onCommit={(connectorA) => dispatch({ edit: 'setConnector', input: { conductorId: id, connectorA } })}
            onClear={() => dispatch({ edit: 'setConnector', input: { conductorId: id, connectorA: null } })}
          />
        )}
      </div>
      {row && (
        <div>
          <FigureRow
            label="Worst sustained current"
            value={row?.currentA ?? null}
            {...(workings ? { working: workings.currentA } : {})}
            dimension="current"
            system={system}
          />
          <FigureRow
            label="Ampacity here"
            value={row?.ampacityA ?? null}
            {...(workings ? { working: workings.ampacityA } : {})}
            dimension="current"
            system={system}
          />
          <FigureRow
            label="Hottest"
            value={row?.temperatureC ?? null}
            {...(workings ? { working: workings.temperatureC } : {})}
            dimension="temperature"
            system={system}
          />
          <FigureRow
            label="Drop, one way"
            value={row?.dropV ?? null}
            {...(workings ? { working: workings.dropV } : {})}
            dimension="voltage"
            system={system}
          />
          <FigureRow
            label="Loss"
            value={row?.lossW ?? null}
            {...(workings ? { working: workings.lossW } : {})}
            dimension="power"
            system={system}
          />
        </div>
      )}
      <div className="min-[1180px]:col-span-2">
        <MeasuredFold build={build} subjectId={id} />
      </div>
    </div>
  );
}
