'use client';
import { useState } from 'react';
import type { Build } from '@/core/build';
import { say } from '@/core/checks';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { planStarterAside, type StarterBrief } from '@/workers/remedies';
import { FigureSetting } from '../shell/figure-setting';
import { PartChoice } from '../shell/part-choice';
import { partsToChoose } from '../shell/part-choices';

type Plan =
  | { readonly state: 'idle' | 'sizing' }
  | { readonly state: 'fails'; readonly found: StarterBrief }
  | { readonly state: 'lost'; readonly reason: string };

/** An empty build: choose cells, inverter and poles, and a first traction circuit is laid out to be judged. */
export function Starter({ build }: { build: Build }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const cells = partsToChoose('cell', build).map(({ part }) => part);
  const inverters = partsToChoose('inverter', build).map(({ part }) => part);
  const [cellId, setCellId] = useState('cell-lfp-180');
  const [series, setSeries] = useState(40);
  const [parallel, setParallel] = useState(1);
  const [inverterId, setInverterId] = useState('inverter-144-400');
  const [runLengthM, setRunLengthM] = useState(2.5);
  const [boxes, setBoxes] = useState<1 | 2>(1);
  const cell = cells.find((part) => part.id === cellId);
  const inverter = inverters.find((part) => part.id === inverterId);
  const [plan, setPlan] = useState<Plan>({ state: 'idle' });
  const layOut = () => {
    if (!cell || !inverter || plan.state === 'sizing') return;
    setPlan({ state: 'sizing' });
    planStarterAside(
      build,
      { cell, cellsInSeries: series, cellsInParallel: parallel, inverter, runLengthM, boxes },
      freshId(),
    ).then(
      (found) => {
        if (found.failing.length === 0) dispatch({ edit: 'layOut', input: found.input });
        else setPlan({ state: 'fails', found });
      },
      (error: Error) => setPlan({ state: 'lost', reason: error.message }),
    );
  };
  return (
    <Panel
      title="Start with the cells"
      about="Pack asks what they are and whether every device lives with their voltage"
    >
      <p className="mb-3 text-soft">
        Choose cells, an inverter and how it is built. Ropeway lays out the boxes, fuses, contactors with precharge, the
        cables between and the loop that feeds the coils, sized by the checks that will judge them: power no higher than
        cells and inverter give, then fuse, contactor and cable. Everything can be changed and undone.
      </p>
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        <PartChoice kind="cell" build={build} label="Cell" value={cellId} onChoose={({ id }) => setCellId(id)} />
        <PartChoice
          kind="inverter"
          build={build}
          label="Inverter"
          value={inverterId}
          onChoose={({ id }) => setInverterId(id)}
        />
        <QuantityField
          label="Cells in series"
          dimension="count"
          system={build.units}
          value={series}
          onCommit={(value) => setSeries(Math.max(1, Math.round(value)))}
        />
        <QuantityField
          label="In parallel"
          dimension="count"
          system={build.units}
          value={parallel}
          onCommit={(value) => setParallel(Math.max(1, Math.round(value)))}
        />
        <QuantityField
          label="Box to inverter, each pole"
          dimension="length"
          system={build.units}
          value={runLengthM}
          onCommit={setRunLengthM}
        />
        <ChoiceField
          label="Contactors"
          value={build.schools.contactors}
          choices={[
            { value: 'both-poles', label: 'both poles switched' },
            { value: 'single-pole', label: 'one contactor, hand disconnect' },
          ]}
          onChoose={(value) =>
            dispatch({
              edit: 'setSchool',
              input: { contactors: value === 'single-pole' ? 'single-pole' : 'both-poles' },
            })
          }
        />
        <ChoiceField
          label="Boxes"
          value={String(boxes)}
          choices={[
            { value: '1', label: 'one' },
            { value: '2', label: 'two, cells shared out' },
          ]}
          onChoose={(value) => setBoxes(value === '2' ? 2 : 1)}
        />
        <ChoiceField
          label="Main fuse"
          value={build.schools.fusePosition}
          choices={[
            { value: 'pack-terminal', label: 'at the pack’s terminal' },
            { value: 'mid-string', label: 'between two boxes' },
            { value: 'both', label: 'both' },
          ]}
          onChoose={(value) => dispatch({ edit: 'setSchool', input: { fusePosition: value as 'both' } })}
        />
        <ChoiceField
          label="Emergency stop"
          value={build.schools.emergencyStop}
          choices={[
            { value: 'electrical', label: 'by wire' },
            { value: 'mechanical', label: 'by pull' },
            { value: 'both', label: 'both' },
          ]}
          onChoose={(value) => dispatch({ edit: 'setSchool', input: { emergencyStop: value as 'both' } })}
        />
        <FigureSetting build={build} figure="cruisePower" />
        <FigureSetting build={build} figure="hardPower" />
      </div>
      {cell && (
        <p className="mt-3 text-soft">
          {series} × {cell.name}: full {(series * cell.fullV).toFixed(1)} V,{' '}
          {((series * parallel * cell.nominalV * cell.capacityAh) / 1000).toFixed(1)} kWh gross.
        </p>
      )}
      {plan.state === 'fails' && (
        <div className="mt-3 border-l-[3px] border-fails pl-3" role="alert">
          <p className="font-semibold">Nothing was found with which these hold together.</p>
          <ul className="mt-1">
            {plan.found.failing.slice(0, 4).map((check) => (
              <li key={`${check.id}:${check.subject.id}`}>
                {say(check, build.units).title}: {say(check, build.units).line}
              </li>
            ))}
          </ul>
          <p className="mt-1 text-soft">
            Other cells, fewer or more of them, or another inverter; or lay it out and see.
          </p>
          <Action look="quiet" onPress={() => dispatch({ edit: 'layOut', input: plan.found.input })}>
            Lay it out all the same
          </Action>
        </div>
      )}
      {plan.state === 'lost' && (
        <p className="mt-3 text-fails" role="alert">
          It could not be sized: {plan.reason}. Press again.
        </p>
      )}
      <div className="mt-3 flex items-center gap-3">
        <button
          type="button"
          onClick={layOut}
          className="rounded-[3px] bg-strong px-4 py-2 font-tight text-lead font-semibold text-strong-ink"
        >
          Lay out the traction circuit
        </button>
        {plan.state === 'sizing' && <span className="text-soft">Sizing it on the model …</span>}
      </div>
    </Panel>
  );
}
