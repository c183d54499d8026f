'use client';
import type { BoardPoint, MeterRange, Reading } from '@/core/bench';
import { Action } from '@/ui/action';
import { Caution, Panel } from '@/ui/panel';
import { VerdictMark } from '@/ui/verdict-mark';
import type { Play } from './use-board';

export interface Logged {
  readonly step: string;
  readonly atS: number;
  readonly right: boolean;
}

/** The order in which somebody makes sure that hands may go on. */
const ROUTINE = [
  ['key', 'Key out and kept'],
  ['disconnect', 'Disconnect out and kept'],
  ['wait', 'Waited as long as the link takes, twice'],
  ['prove', 'Meter proved on a known source'],
  ['poles', 'Plus to minus read at the place of work'],
  ['plus', 'Plus to body read'],
  ['minus', 'Minus to body read'],
  ['again', 'Meter proved again'],
] as const;

/** Dead-working routine, practised on the board: hands on in a wrong order raises the caution and stands in the log. */
export function DeadRoutine({
  play,
  reading,
  range,
  red,
  black,
  log,
  onLog,
  onClear,
}: {
  play: Play;
  reading: Reading | null;
  range: MeterRange;
  red: BoardPoint;
  black: BoardPoint;
  log: readonly Logged[];
  onLog: (entry: Logged) => void;
  onClear: () => void;
}) {
  const { view, board } = play;
  const done = new Set(log.filter(({ right }) => right).map(({ step }) => step));
  const atS = view?.timeS ?? 0;
  /** Whether the board bears out what is said to be done. */
  const borneOut = (id: (typeof ROUTINE)[number][0]): boolean => {
    if (!board || !view) return false;
    if (id === 'key') return !board.is('key');
    if (id === 'wait') return view.linkV < 60;
    if (id === 'poles' || id === 'plus' || id === 'minus')
      return (
        range === 'volts' &&
        reading?.ok === true &&
        red.side === 'hv' &&
        black.side === 'hv' &&
        (id === 'poles') === (red.id !== 'body' && black.id !== 'body')
      );
    return true;
  };
  const say = (id: (typeof ROUTINE)[number][0], words: string) => {
    const k = ROUTINE.findIndex(([one]) => one === id);
    const inOrder = ROUTINE.slice(0, k).every(([, before]) => done.has(before));
    onLog({ step: words, atS, right: inOrder && borneOut(id) });
  };
  const hands = () => {
    const all = ROUTINE.every(([, words]) => done.has(words));
    onLog({ step: 'Hands on', atS, right: all });
  };
  const last = log.at(-1);
  return (
    <Panel title="Before hands go on" about="practised here, done on the car">
      <ol>
        {ROUTINE.map(([id, words], k) => (
          <li key={id} className="flex items-center gap-2 border-t border-rule/70 py-0.5 first:border-0">
            <VerdictMark shape={done.has(words) ? 'holds' : 'hollow'} size={11} />
            <span className="flex-1">
              {k + 1} {words}
            </span>
            {!done.has(words) && (
              <Action look="quiet" onPress={() => say(id, words)} label={`Done: ${words}`}>
                done
              </Action>
            )}
          </li>
        ))}
      </ol>
      <p className="mt-2 flex gap-2">
        <Action look="outline" onPress={hands}>
          Hands on
        </Action>
        <Action look="quiet" onPress={onClear}>
          Begin again
        </Action>
      </p>
      {last && !last.right && (
        <div role="alert" className="mt-2">
          <Caution>
            {last.step === 'Hands on'
              ? 'Hands went on before it was proved dead. On the car that can kill: cells never switch off, a capacitor keeps its charge. Begin again from the key.'
              : `“${last.step}” does not count: out of its order, or the board says otherwise. Look at the key, at the link, at where the probes are.`}
          </Caution>
        </div>
      )}
      {last?.right && last.step === 'Hands on' && (
        <p className="mt-2">Proved dead, in order. Cover what stays live beside it.</p>
      )}
      {log.length > 0 && (
        <ul className="mt-2 max-h-40 overflow-y-auto text-small text-soft" aria-label="Log of the routine">
          {log.map(({ step, atS: at, right }, k) => (
            <li key={k}>
              {at.toFixed(1)} s {step}
              {right ? '' : ': wrong'}
            </li>
          ))}
        </ul>
      )}
    </Panel>
  );
}
