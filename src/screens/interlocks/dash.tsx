'use client';
import type { Assessment } from '@/core/assess';
import type { RegenLevel } from '@/core/bench';
import { formatQuantity } from '@/core/quantities';
import type { Input } from '@/core/simulate/sequence';
import { MODE_WORDS } from '@/core/stations/interlocks';
import { DashSwitch } from '@/ui/dash-switch';
import { Toggles } from '@/ui/toggles';
import type { Play } from './use-board';

/** Switches in the order of a dash, with what each says on and off. */
const SWITCHES: readonly (readonly [Input, string, readonly [string, string]])[] = [
  ['key', 'Key', ['on', 'off']],
  ['brake', 'Brake', ['pressed', 'let go']],
  ['accelerator', 'Accelerator', ['pressed', 'at rest']],
  ['deadMan', 'Dead-man switch', ['held', 'let go']],
  ['handPrecharge', 'Precharge button', ['held', 'let go']],
  ['handMain', 'Main switch', ['on', 'off']],
  ['handle', 'Emergency stop', ['pressed', 'released']],
  ['plug', 'Charge plug', ['in', 'out']],
  ['crash', 'Inertia switch', ['tripped', 'set']],
  ['remotePressed', 'Remote stop', ['pressed', 'released']],
  ['remoteOut', 'Remote stop’s lead', ['out', 'plugged in']],
  ['seatEmpty', 'Seat', ['empty', 'taken']],
  ['standDown', 'Side stand', ['down', 'up']],
  ['lowSupply', '12 V', ['sags', 'as it is']],
  ['cellsStop', 'Battery management', ['asks to stop', 'content']],
];

const LEVELS: readonly (readonly [RegenLevel, string])[] = [
  ['off', 'off'],
  ['low', 'low'],
  ['full', 'full'],
];

/** The dash: every input of this build, lamps and gauges that follow the circuit. */
export function Dash({ play, assessment }: { play: Play; assessment: Assessment }) {
  const { board, view } = play;
  if (!board || !view) return <p className="text-soft">{play.why}</p>;
  const { units } = assessment.build;
  const text = (value: number, dimension: 'voltage' | 'current' | 'speed' | 'pressure', unit?: string) =>
    formatQuantity({ value, dimension }, units, 3, unit).text;
  const lever = board.is('forward') ? 'forward' : board.is('reverse') ? 'reverse' : 'neutral';
  const lamps = [
    ['Ready', view.mode === 'ready' || view.mode === 'drive' || view.mode === 'reverse'],
    ['Fault', view.mode === 'fault' || view.mode === 'tripping'],
    ['Charging', view.mode === 'charging'],
    ['12 V low', view.supplyV < 11],
  ] as const;
  return (
    <div>
      <p className="flex flex-wrap items-baseline gap-x-4" aria-live="polite">
        <span className="font-tight text-title font-semibold" data-mode={view.mode}>
          {MODE_WORDS[view.mode]}
        </span>
        <span className="tabular-nums">{view.timeS.toFixed(1)} s</span>
      </p>
      <ul className="my-2 flex flex-wrap gap-2" aria-label="Lamps">
        {lamps.map(([name, lit]) => (
          <li
            key={name}
            className={`rounded-full border px-3 py-0.5 text-small ${lit ? 'border-ink bg-strong font-semibold text-strong-ink' : 'border-rule text-soft'}`}
          >
            {name}: {lit ? 'lit' : 'dark'}
          </li>
        ))}
      </ul>
      <dl className="grid grid-cols-2 gap-x-5 min-[500px]:grid-cols-3">
        {[
          ['Link', text(view.linkV < 0.01 ? 0 : view.linkV, 'voltage', 'V')],
          ['Pack', text(view.packV, 'voltage', 'V')],
          ['Current', text(Math.abs(view.currentA) < 0.05 ? 0 : view.currentA, 'current', 'A')],
          ['12 V', text(view.supplyV, 'voltage', 'V')],
          ['Speed', text(Math.abs(view.speedMPerS), 'speed')],
          ['Torque', ['none', 'forward', 'reverse', 'brakes', 'brakes'][view.torque]!],
          ...(view.vacuumPa === null ? [] : [['Brake vacuum', text(view.vacuumPa, 'pressure')]]),
          ['Motor, uncooled', formatQuantity({ value: 20 + view.motorK, dimension: 'temperature' }, units, 2).text],
        ].map(([name, value]) => (
          <div key={name} className="flex items-baseline justify-between border-b border-dotted border-rule py-0.5">
            <dt className="text-soft">{name}</dt>
            <dd className="font-semibold tabular-nums" data-gauge={name}>
              {value}
            </dd>
          </div>
        ))}
      </dl>
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <span className="text-soft">Lever</span>
        <Toggles
          label="Direction lever"
          chosen={lever}
          choices={[
            ['reverse', 'reverse'],
            ['neutral', 'neutral'],
            ['forward', 'forward'],
          ]}
          onChoose={(next) => {
            if (next === 'neutral') play.touch(lever === 'reverse' ? 'reverse' : 'forward', false);
            else play.touch(next, true);
          }}
        />
      </div>
      <div className="mt-2 grid grid-cols-2 gap-2 min-[500px]:grid-cols-3 min-[1080px]:grid-cols-4">
        {SWITCHES.filter(([input]) => board.has(input)).map(([input, label, words]) => (
          <DashSwitch
            key={input}
            label={label}
            words={words}
            on={board.is(input)}
            onChange={(is) => play.touch(input, is)}
          />
        ))}
      </div>
      {board.choices().length > 0 && (
        <div className="mt-3 flex flex-wrap items-center gap-2">
          {board.choices().includes('economy') && (
            <DashSwitch
              label="Economy"
              words={['on', 'off']}
              on={board.economy}
              onChange={(is) => play.choose('economy', is)}
            />
          )}
          {board.choices().includes('regen-off') && (
            <>
              <span className="text-soft">Regeneration</span>
              <Toggles
                label="Regeneration level"
                chosen={board.regen}
                choices={LEVELS.filter(([level]) => level !== 'low' || board.choices().includes('regen-low'))}
                onChoose={(level) =>
                  level === 'full'
                    ? play.choose(board.regen === 'low' ? 'regen-low' : 'regen-off', false)
                    : play.choose(level === 'low' ? 'regen-low' : 'regen-off', true)
                }
              />
            </>
          )}
        </div>
      )}
    </div>
  );
}
