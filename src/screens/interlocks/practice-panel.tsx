'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { hiddenBy, practices } from '@/core/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { TextField } from '@/ui/text-field';
import type { Play } from './use-board';

/** A fault is hidden in the board: found by meter and ear, named, explained. */
export function PracticePanel({
  play,
  assessment,
  readings,
  onBegin,
}: {
  play: Play;
  assessment: Assessment;
  readings: number;
  onBegin: () => void;
}) {
  const list = practices(assessment.vehicle);
  const [seed, setSeed] = useState('1');
  const [hidden, setHidden] = useState<string | null>(null);
  const [hints, setHints] = useState(0);
  const [guess, setGuess] = useState<string | null>(null);
  const [wrong, setWrong] = useState(0);
  const practice = list.find(({ fault }) => fault.id === hidden) ?? null;
  const solved = practice !== null && guess === hidden;
  const begin = (id: string | null) => {
    const found = list.find(({ fault }) => fault.id === id);
    if (!found) return;
    play.restart();
    play.fail(found.fault);
    setHidden(found.fault.id);
    setHints(0);
    setGuess(null);
    setWrong(0);
    onBegin();
  };
  const away = () => {
    play.fail(null);
    setHidden(null);
    setGuess(null);
  };
  return (
    <Panel title="Fault practice" about={`${list.length} faults that this build can have`}>
      {practice === null ? (
        <>
          <div className="flex flex-wrap items-end gap-3">
            <div className="min-w-40 flex-1">
              <TextField
                label="By number"
                value={seed}
                refuse={(text) =>
                  /^\d{1,9}$/.test(text) ? null : 'A whole number: the same number hides the same fault.'
                }
                onCommit={setSeed}
              />
            </div>
            <Action onPress={() => begin(hiddenBy(list, Number(seed))?.fault.id ?? null)}>Hide a fault</Action>
          </div>
          <ChoiceField
            label="Or one to look at"
            value={null}
            empty="choose"
            choices={list.map(({ fault, name }) => ({ value: fault.id, label: name }))}
            onChoose={begin}
          />
        </>
      ) : (
        <>
          <p>
            Something is wrong with the board. Work the dash, read with the meter: {readings} readings so far
            {wrong > 0 ? `, ${wrong} wrong guesses` : ''}.
          </p>
          {practice.hints.slice(0, hints).map((hint) => (
            <p key={hint} className="border-l-[3px] border-rule pl-2 text-small">
              {hint}
            </p>
          ))}
          <ChoiceField
            label="It is"
            value={guess}
            empty="name it"
            choices={list.map(({ fault, name }) => ({ value: fault.id, label: name }))}
            onChoose={(next) => {
              setGuess(next);
              if (next !== hidden) setWrong(wrong + 1);
            }}
          />
          {guess !== null && (
            <p role="alert" className="mt-1">
              {solved ? (
                <>
                  <b className="font-semibold">Found after {readings} readings.</b> {practice.explained}
                </>
              ) : (
                'Not that. What would that one look like?'
              )}
            </p>
          )}
          <p className="mt-2 flex gap-2">
            {!solved && (
              <Action onPress={() => setHints(hints + 1)} disabled={hints >= practice.hints.length}>
                A hint
              </Action>
            )}
            <Action look="quiet" onPress={away}>
              {solved ? 'Mend it' : 'Give up and mend it'}
            </Action>
          </p>
        </>
      )}
    </Panel>
  );
}
