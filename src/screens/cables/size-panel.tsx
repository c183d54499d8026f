'use client';
import { useEffect, useRef, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { formatArea, formatQuantity } from '@/core/quantities';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { VerdictMark } from '@/ui/verdict-mark';
import { type SizeAnswer, type Sizing, sizeAside } from '@/workers/size';
import { XYChart } from '../shell/chart';
import { DataTable, RowOpener } from '../shell/data-table';

const BOUND_WORDS: Readonly<Record<string, string>> = {
  'cable.temperature': 'its temperature in cruise',
  'cable.peak': 'its temperature in a peak',
  'cable.trip': 'its temperature on the usual trip',
  'cable.drop': 'the drop on the way',
  'cable.voltage': 'its rated voltage',
  'cable.bend': 'the tightest bend',
  'fuse.cable-overload': 'the fuse before it, overload',
  'fuse.cable-short': 'the fuse before it, short circuit',
  'contactor.carry': 'the contactor that it cools',
  'contactor.peak': 'the contactor that it cools',
  fuse: 'a fuse before it that is missing or not proved to break: not made thinner',
};

/** The smallest sizes that hold with a comfort, tried on the whole vehicle, and what bound each. */
export default function SizePanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const {
    build,
    results: {
      cables: { rows: cables },
    },
  } = assessment;
  const [comfort, setComfort] = useState(0.1);
  const [which, setWhich] = useState('all');
  const [running, setRunning] = useState<{ readonly done: number; readonly of: number } | null>(null);
  const [answer, setAnswer] = useState<{ readonly made: SizeAnswer; readonly of: Assessment['build'] } | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [shown, setShown] = useState<string | null>(null);
  const sizing = useRef<Sizing | null>(null);
  useEffect(() => () => sizing.current?.cancel(), []);
  const ids = cables
    .filter(
      ({ resolved }) => resolved.cable && (which === 'all' || resolved.laid?.zoneId === which || resolved.id === which),
    )
    .map(({ id }) => id);
  const start = () => {
    sizing.current?.cancel();
    setTrouble(null);
    setAnswer(null);
    setRunning({ done: 0, of: ids.length });
    const made = sizeAside(build, ids, comfort, (done, of) => setRunning({ done, of }));
    sizing.current = made;
    made.answer.then(
      (found) => {
        setRunning(null);
        setAnswer({ made: found, of: build });
      },
      (error: Error) => {
        setRunning(null);
        setTrouble(error.message);
      },
    );
  };
  const stop = () => {
    sizing.current?.cancel();
    setRunning(null);
  };
  const stale = answer !== null && answer.of !== build;
  const name = (id: string) => assessment.vehicle.conductorOf.get(id)?.conductor.name ?? id;
  const system = build.units;
  const text = (value: number, dimension: 'mass' | 'power') => formatQuantity({ value, dimension }, system, 3).text;
  return (
    <Panel
      title="Size it for me"
      about="the smallest of each make that holds with the margin wanted, tried on the whole vehicle"
    >
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        <ChoiceField
          label="Which"
          value={which}
          choices={[
            { value: 'all', label: `all ${cables.filter(({ resolved }) => resolved.cable).length}` },
            ...Object.values(build.zones).map((zone) => ({
              value: zone.id,
              label: `those in: ${zone.name}`,
              group: 'A group',
            })),
            ...cables
              .filter(({ resolved }) => resolved.cable)
              .map(({ id, resolved }) => ({ value: id, label: resolved.conductor.name, group: 'One' })),
          ]}
          onChoose={setWhich}
        />
        <QuantityField
          label="Margin wanted"
          value={comfort}
          dimension="ratio"
          unit="%"
          system={system}
          onCommit={(value) => setComfort(Math.min(0.8, Math.max(0, value)))}
        />
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        {running ? (
          <>
            <progress value={running.done} max={Math.max(1, running.of)} className="h-2 w-48" aria-label="Sizing" />
            <span className="text-soft">
              {running.done} of {running.of}
            </span>
            <Action onPress={stop}>Cancel</Action>
          </>
        ) : (
          <Action look="outline" onPress={start} disabled={ids.length === 0}>
            Size {ids.length === 1 ? 'this one' : `these ${ids.length}`}
          </Action>
        )}
        {trouble && <span className="text-fails">It stopped: {trouble}. Try again.</span>}
      </div>
      {answer?.made.refused && (
        <p className="mt-3 text-fails">
          Nothing was sized: in some state the circuit has no solution, so its currents are not known. Cure what the
          ledger says about the pack first.
        </p>
      )}
      {answer && !answer.made.refused && (
        <div className="mt-3">
          <p className="flex flex-wrap items-center gap-3 text-lead" data-sized="">
            <span>
              {text(answer.made.before.massKg, 'mass')} →{' '}
              <b className="font-semibold">{text(answer.made.after.massKg, 'mass')}</b>,{' '}
              {text(answer.made.before.lossW, 'power')} →{' '}
              <b className="font-semibold">{text(answer.made.after.lossW, 'power')}</b> lost in the worst steady state,{' '}
              {answer.made.before.fails} → <b className="font-semibold">{answer.made.after.fails}</b> fail
            </span>
            {answer.made.edit && !stale && (
              <Action look="strong" onPress={() => answer.made.edit && dispatch(answer.made.edit)}>
                Fit them
              </Action>
            )}
            {stale && <span className="text-soft">the build has changed since: size again</span>}
          </p>
          <div className="mt-2">
            <DataTable
              label="Sizes"
              columns={[
                {
                  id: 'conductor',
                  head: 'Conductor',
                  cell: (choice) => (
                    <RowOpener
                      open={shown === choice.conductorId}
                      onOpen={() => setShown(shown === choice.conductorId ? null : choice.conductorId)}
                      mark={
                        <VerdictMark
                          shape={choice.holds ? 'holds' : choice.chosen.margin >= 0 ? 'thin' : 'fails'}
                          size={11}
                        />
                      }
                    >
                      {name(choice.conductorId)}
                    </RowOpener>
                  ),
                  value: ({ conductorId }) => name(conductorId),
                },
                {
                  id: 'now',
                  head: 'now',
                  unit: 'mm²',
                  figure: true,
                  cell: ({ before }) => (before ? formatArea(before.areaMm2, system) : '–'),
                  value: ({ before }) => before?.areaMm2 ?? null,
                },
                {
                  id: 'then',
                  head: 'then',
                  unit: 'mm²',
                  figure: true,
                  cell: ({ before, chosen }) => (
                    <span className={before?.areaMm2 === chosen.part.areaMm2 ? 'text-soft' : 'font-semibold'}>
                      {formatArea(chosen.part.areaMm2, system)}
                    </span>
                  ),
                  value: ({ chosen }) => chosen.part.areaMm2,
                },
                {
                  id: 'margin',
                  head: 'margin',
                  unit: '%',
                  figure: true,
                  cell: ({ chosen }) => `${percentOf(chosen.margin)} %`,
                  value: ({ chosen }) => percentOf(chosen.margin),
                },
                {
                  id: 'bound',
                  head: 'a size smaller is bound by',
                  className: 'pl-4 text-soft',
                  cell: ({ chosen }) => boundWords(chosen.boundBy),
                  value: ({ chosen }) => boundWords(chosen.boundBy),
                },
              ]}
              rows={answer.made.choices}
              idOf={({ conductorId }) => conductorId}
              openId={shown}
              detail={(choice) => (
                <Trade choice={choice} name={name(choice.conductorId)} comfort={comfort} system={system} />
              )}
            />
          </div>
        </div>
      )}
    </Panel>
  );
}

const percentOf = (margin: number): number => Math.floor(Math.min(9.99, margin) * 100);
const boundWords = (rule: string | null): string => (rule ? (BOUND_WORDS[rule] ?? rule) : '');

/** Mass, loss and price of one conductor over its sizes. */
function Trade({
  choice,
  name,
  comfort,
  system,
}: {
  choice: SizeAnswer['choices'][number];
  name: string;
  comfort: number;
  system: Assessment['build']['units'];
}) {
  const most = (pick: (row: (typeof choice.tries)[number]) => number) => Math.max(1e-9, ...choice.tries.map(pick));
  const [mass, loss, cost] = [most((row) => row.massKg), most((row) => row.lossW), most((row) => row.price)];
  const rows = choice.tries.map((row) => ({
    area: row.part.areaMm2,
    mass: row.massKg / mass,
    loss: row.lossW / loss,
    price: row.price / cost,
  }));
  const first = choice.tries.find((row) => row.margin >= comfort);
  const areas = choice.tries.map((row) => row.part.areaMm2);
  return (
    <XYChart
      name={`Sizes of ${name}`}
      system={system}
      along={{ key: 'area', name: 'Cross-section', dimension: 'area', log: true, ticks: areas }}
      rows={rows}
      panes={[
        {
          heightPx: 180,
          dimension: 'ratio',
          reaches: [0, 1],
          curves: [
            { key: 'mass', name: 'Mass', stroke: 'var(--ink)', width: 2, named: true },
            { key: 'loss', name: 'Loss', stroke: 'var(--hv)', width: 2, dash: '6 4', named: true },
            { key: 'price', name: 'Price', stroke: 'var(--soft)', width: 2, dash: '2 3' },
          ],
          limits: first
            ? [{ on: 'x', at: first.part.areaMm2, name: 'first that holds', stroke: 'var(--holds)', dash: '5 4' }]
            : [],
        },
      ]}
      caption={
        <>
          Each against its greatest, the price generic.{' '}
          {choice.tries
            .map(
              (row) =>
                `${formatArea(row.part.areaMm2, system)}: ${formatQuantity({ value: row.massKg, dimension: 'mass' }, system, 2).text}, ${formatQuantity({ value: row.lossW, dimension: 'power' }, system, 2).text}`,
            )
            .join(', ')}
        </>
      }
    />
  );
}
