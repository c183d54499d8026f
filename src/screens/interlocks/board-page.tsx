'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { boardDatabase, boardFrames, boardPoints, METER_OHM, type MeterRange, probe, type Reading } from '@/core/bench';
import { formatQuantity } from '@/core/quantities';
import { Action, download } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Caution, Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { Toggles } from '@/ui/toggles';
import { Dash } from './dash';
import { DeadRoutine, type Logged } from './dead-routine';
import { PedalPanel } from './pedal-panel';
import { Controls } from './play-page';
import { PracticePanel } from './practice-panel';
import { Scope } from './scope';
import { StandInsPanel } from './stand-ins-panel';
import { useBoard } from './use-board';

const RANGES: readonly (readonly [MeterRange, string])[] = [
  ['volts', 'volts'],
  ['ohms', 'ohms'],
  ['insulation', 'insulation'],
  ['amps', 'clamp'],
];

export const readingText = (reading: Reading, system: 'metric' | 'us'): string =>
  reading.ok
    ? formatQuantity(
        {
          value: reading.value,
          dimension: reading.unit === 'V' ? 'voltage' : reading.unit === 'Ω' ? 'resistance' : 'current',
        },
        system,
        4,
        reading.unit === 'V' ? 'V' : undefined,
      ).text
    : reading.says;

/** The board as it lies on the bench: a dash, test points, a meter, a supply in the pack’s place, faults to be found. */
export function BoardPage({ assessment }: { assessment: Assessment }) {
  const { vehicle, build } = assessment;
  const play = useBoard(vehicle);
  const points = boardPoints(vehicle);
  /** Where a hand goes first: the link, at the inverter. */
  const linkPoint = (terminal: string) => {
    const inverter = vehicle.devices.find(({ device }) => device.kind === 'inverter');
    return points.find(({ id }) => id === `${inverter?.id}.${terminal}`)?.id ?? 'body';
  };
  const [red, setRed] = useState(() => linkPoint('plus'));
  const [black, setBlack] = useState(() => linkPoint('minus'));
  const [range, setRange] = useState<MeterRange>('volts');
  const [readings, setReadings] = useState(0);
  const [log, setLog] = useState<readonly Logged[]>([]);
  const [volts, setVolts] = useState(48);
  const [amps, setAmps] = useState(2);
  const [source, setSource] = useState<'pack' | 'limited'>('pack');
  const [trigger, setTrigger] = useState<'runs' | 'held'>('runs');
  const a = points.find(({ id }) => id === red) ?? points[0]!;
  const b = points.find(({ id }) => id === black) ?? points[0]!;
  const wires = vehicle.conductors.filter(({ conductor }) => conductor.kind === 'cable');
  const [around, setAround] = useState(wires[0]?.id ?? '');
  const reading: Reading | null = !play.board
    ? null
    : range === 'amps'
      ? { ok: true, value: Math.abs(play.board.ampere(around)) < 0.05 ? 0 : play.board.ampere(around), unit: 'A' }
      : probe(play.board, a, b, range);
  const choices = points.map(({ id, name }) => ({ value: id, label: name }));
  const put = (next: 'pack' | 'limited', v = volts, i = amps) => {
    setSource(next);
    play.restart([], next === 'pack' ? undefined : { kind: 'limited', voltageV: v, limitA: i });
  };
  const moved = () => setReadings((count) => count + 1);
  return (
    <>
      <Caution>
        A real board: rigid covers over every live terminal, motor shaft bare or wheels off the ground, a fuse and a
        switch within reach, seconds only without coolant. A bench supply in the pack’s place has to be isolated, and
        takes no current back: regeneration off.
      </Caution>
      <div className="mt-3 grid items-start gap-3 min-[1080px]:grid-cols-[minmax(0,5fr)_minmax(0,4fr)]">
        <div className="grid gap-3">
          <Panel title="Board" about="key, lever, pedals, stops">
            <Dash play={play} assessment={assessment} />
            <Controls play={play} />
          </Panel>
          <PedalPanel play={play} assessment={assessment} />
          <PracticePanel play={play} assessment={assessment} readings={readings} onBegin={() => setReadings(0)} />
          <DeadRoutine
            play={play}
            reading={reading}
            range={range}
            red={a}
            black={b}
            log={log}
            onLog={(entry) => setLog([...log, entry])}
            onClear={() => setLog([])}
          />
        </div>
        <div className="grid gap-3">
          <Panel
            title="Meter"
            about={`${formatQuantity({ value: METER_OHM, dimension: 'resistance' }, build.units, 3).text} across what it reads`}
          >
            <Toggles
              label="Range"
              chosen={range}
              choices={RANGES}
              onChoose={(next) => {
                setRange(next);
                moved();
              }}
            />
            {range === 'amps' ? (
              <ChoiceField
                label="Around"
                value={around}
                choices={wires.map(({ id, conductor }) => ({ value: id, label: conductor.name }))}
                onChoose={(next) => {
                  setAround(next);
                  moved();
                }}
              />
            ) : (
              <>
                <ChoiceField
                  label="Red probe"
                  value={red}
                  choices={choices}
                  onChoose={(next) => {
                    setRed(next);
                    moved();
                  }}
                />
                <ChoiceField
                  label="Black probe"
                  value={black}
                  choices={choices}
                  onChoose={(next) => {
                    setBlack(next);
                    moved();
                  }}
                />
              </>
            )}
            <p className="mt-2 font-tight text-head font-semibold tabular-nums" aria-live="polite" data-reading>
              {reading ? readingText(reading, build.units) : '–'}
            </p>
            {reading && !reading.ok && reading.hurts && (
              <p role="alert" className="text-fails">
                On the car this hurts the meter, or the hand.
              </p>
            )}
          </Panel>
          <Panel title="In the pack’s place">
            <Toggles
              label="Source"
              chosen={source}
              choices={[
                ['pack', 'the pack'],
                ['limited', 'a limited supply'],
              ]}
              onChoose={(next) => put(next)}
            />
            {source === 'limited' && (
              <>
                <QuantityField
                  label="Voltage"
                  dimension="voltage"
                  system={build.units}
                  value={volts}
                  onCommit={(value) => {
                    setVolts(Math.min(1000, Math.max(1, value)));
                    put('limited', Math.min(1000, Math.max(1, value)), amps);
                  }}
                />
                <QuantityField
                  label="Current, at most"
                  dimension="current"
                  system={build.units}
                  value={amps}
                  onCommit={(value) => {
                    setAmps(Math.min(100, Math.max(0.05, value)));
                    put('limited', volts, Math.min(100, Math.max(0.05, value)));
                  }}
                />
              </>
            )}
          </Panel>
          <StandInsPanel
            build={build}
            boxes={vehicle.devices.filter(({ device }) => device.kind === 'box').map(({ id }) => id)}
            limited={source === 'limited'}
          />
          <Panel title="CAN bus" about="what the stand-ins say">
            <pre className="overflow-x-auto text-note" aria-label="Frames of this moment">
              {play.board ? boardFrames(play.board).join('\n') || 'nobody speaks' : ''}
            </pre>
            <p className="mt-2 flex flex-wrap gap-2">
              <Action
                onPress={() => download(`${play.frames.join('\n')}\n`, `${build.id}.log`, 'text/plain')}
                disabled={play.frames.length === 0}
              >
                Log of this run
              </Action>
              <Action look="quiet" onPress={() => download(boardDatabase(), 'ropeway-board.dbc', 'text/plain')}>
                Its database
              </Action>
            </p>
          </Panel>
          <Panel title="Scope">
            <Toggles
              label="Trigger"
              chosen={trigger}
              choices={[
                ['runs', 'runs along'],
                ['held', 'held as the link rises'],
              ]}
              onChoose={setTrigger}
            />
            <Scope
              name="Link"
              unit="V"
              trace={play.trace}
              read={({ linkV }) => linkV}
              spanS={trigger === 'held' ? 2 : 10}
              triggerAt={trigger === 'held' ? 5 : null}
            />
          </Panel>
        </div>
      </div>
    </>
  );
}
