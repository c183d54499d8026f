'use client';
import type { Assessment } from '@/core/assess';
import { insertionEdit } from '@/core/proposals';
import { formatQuantity } from '@/core/quantities';
import { partOf } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';
import { PartChoice } from '../shell/part-choice';
import { MeasuredFold } from '../shell/readings';
import { TrailerFields } from './trailer-fields';

/** A wire between two boxes until it is measured, m. */
const BETWEEN_M = 2;

/** The boxes of the pack: their cells, their names, what stands between them. */
export function Boxes({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { vehicle, build } = assessment;
  const boxes = vehicle.devices.filter(({ device }) => device.kind === 'box');
  const cell = partOf(boxes[0], 'cell');
  const isBox = (id: string) => vehicle.deviceOf.get(id)?.device.kind === 'box';
  const between = vehicle.conductors.filter(({ conductor: { a, b } }) => isBox(a.deviceId) && isBox(b.deviceId));
  return (
    <Panel title="Boxes and cells">
      <PartChoice
        kind="cell"
        build={build}
        label="Cell"
        value={cell?.id ?? null}
        onChoose={(part) => dispatch({ edit: 'fitCells', input: { part } })}
      />
      {boxes.map((box) => {
        const figures = assessment.results.pack?.boxes.find((entry) => entry.id === box.id);
        const series = box.device.cellsInSeries ?? 0;
        const { name } = box.device;
        return (
          <section key={box.id} className="mt-3" aria-label={name}>
            <TextField
              label="Box"
              value={name}
              onCommit={(text) => dispatch({ edit: 'renameDevice', input: { deviceId: box.id, name: text } })}
            />
            {figures && (
              <p className="text-right text-note text-soft">
                {formatQuantity({ value: figures.nominalV, dimension: 'voltage' }, build.units).text},{' '}
                {formatQuantity({ value: figures.massKg, dimension: 'mass' }, build.units).text} of cells
              </p>
            )}
            <CellGrid count={series} />
            <QuantityField
              label="In series"
              dimension="count"
              system={build.units}
              value={box.device.cellsInSeries ?? null}
              onCommit={(value) => dispatch({ edit: 'setCells', input: { deviceId: box.id, cellsInSeries: value } })}
            />
            <QuantityField
              label="In parallel"
              dimension="count"
              system={build.units}
              value={box.device.cellsInParallel ?? 1}
              onCommit={(value) => dispatch({ edit: 'setCells', input: { deviceId: box.id, cellsInParallel: value } })}
            />
            <div className="flex flex-wrap gap-2">
              {series > 1 && (
                <Action
                  look="quiet"
                  label={`Share the cells of ${name} over two boxes`}
                  onPress={() =>
                    dispatch({
                      edit: 'splitBox',
                      input: {
                        deviceId: box.id,
                        id: freshId(),
                        wireId: freshId(),
                        name: `${name}, second`.slice(0, 120),
                        cellsInSeries: Math.floor(series / 2),
                        lengthM: BETWEEN_M,
                      },
                    })
                  }
                >
                  share over two boxes
                </Action>
              )}
              {boxes.length > 1 && (
                <Action
                  look="quiet"
                  label={`Take ${name} out with its cells`}
                  onPress={() => dispatch({ edit: 'takeOutBox', input: { deviceId: box.id } })}
                >
                  take it out
                </Action>
              )}
            </div>
            <TrailerFields box={build.circuits.hv.devices[box.id] ?? box.device} />
            <MeasuredFold build={build} subjectId={box.id} />
          </section>
        );
      })}
      {between.map(({ id, conductor }) => (
        <div key={id} className="mt-2 flex flex-wrap items-center gap-2">
          <span className="text-soft">Into {conductor.name}:</span>
          {(['fuse', 'disconnect'] as const).map((kind) => (
            <Action
              key={kind}
              label={`Put a ${kind} into ${conductor.name}`}
              onPress={() => dispatch(insertionEdit(assessment.context, id, kind, freshId()))}
            >
              a {kind}
            </Action>
          ))}
        </div>
      ))}
    </Panel>
  );
}

/** One small mark per cell group in series, eighteen to a row. */
function CellGrid({ count }: { count: number }) {
  const shown = Math.min(count, 144);
  const rows = Math.ceil(shown / 18);
  return (
    <svg
      viewBox={`0 0 ${18 * 12} ${Math.max(1, rows) * 12}`}
      aria-hidden="true"
      className="my-1.5 w-full max-w-[320px] text-hv"
    >
      {Array.from({ length: shown }, (_, index) => `cell ${index}`).map((key, index) => (
        <rect
          key={key}
          x={(index % 18) * 12 + 1}
          y={Math.floor(index / 18) * 12 + 1}
          width="9.5"
          height="9.5"
          rx="1.5"
          fill="currentColor"
          fillOpacity="0.22"
          stroke="currentColor"
          strokeWidth="0.9"
        />
      ))}
    </svg>
  );
}
