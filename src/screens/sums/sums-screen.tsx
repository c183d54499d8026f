'use client';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import type { Judgement } from '@/core/calc';
import { formatMargin, formatQuantity, type UnitSystem } from '@/core/quantities';
import { Action } from '@/ui/action';
import { Checkbox } from '@/ui/checkbox';
import { ChoiceField } from '@/ui/choice-field';
import { copyText } from '@/ui/copy-text';
import { Caution, Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { useMedia } from '@/ui/use-media';
import { MARK_COLOUR, VerdictMark } from '@/ui/verdict-mark';
import { WorkingLines } from '@/ui/working-lines';
import { keepUnits, keptUnits } from '../shell/kept-units';
import { shapeOf } from '../shell/shape';
import { restoreTheme } from '../shell/theme';
import { answerOf, answerText, figureText } from './answer';
import { NetworkSum } from './network-sum';
import { PartSum } from './part-sum';
import { SendSum } from './send-sum';
import { figureAt, type Sum, type SumField, type SumValue, type SumValues } from './sum-types';
import { SUMS } from './sums';

const BackwardsPanel = dynamic(() => import('./backwards-panel'), { ssr: false });
const SweepPanel = dynamic(() => import('./sweep-panel'), { ssr: false, loading: () => <div className="h-[340px]" /> });

const NETWORK = { name: 'network', title: 'Network', about: 'Any small circuit: voltages and currents at rest.' };
const PART = { name: 'part', title: 'Part at a voltage', about: 'Before it is bought: does it live with that pack?' };

const ALL: readonly { readonly name: string; readonly title: string }[] = [...SUMS, PART, NETWORK];
/** Where nearly thirty names side by side would push the sum itself out of sight. */
const SMALL = '(max-width: 699px)';

/** The laws one by one, as pocket tools: no build needed. */
export function SumsScreen() {
  const [name, setName] = useState('cable');
  const [system, setSystem] = useState<UnitSystem>('metric');
  useEffect(() => {
    restoreTheme();
    setSystem(keptUnits());
    const asked = window.location.hash.slice(1);
    if (ALL.some((sum) => sum.name === asked)) setName(asked);
  }, []);
  const small = useMedia(SMALL);
  const show = (next: string) => {
    setName(next);
    window.history.replaceState(null, '', `#${next}`);
  };
  const sum = SUMS.find((candidate) => candidate.name === name);
  return (
    <main className="mx-auto max-w-[1180px] px-6 py-6">
      <header className="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-b border-rule pb-3">
        <h1 className="font-tight text-head font-semibold leading-none">Quick sums</h1>
        <p className="text-soft">One law at a time, with its working. No build needed.</p>
        <div className="w-[190px]">
          <ChoiceField
            label="Units"
            value={system}
            choices={[
              { value: 'metric', label: 'metric' },
              { value: 'us', label: 'US' },
            ]}
            onChoose={(chosen) => {
              const next = chosen === 'us' ? 'us' : 'metric';
              setSystem(next);
              keepUnits(next);
            }}
          />
        </div>
        <Link href="/" className="ml-auto underline-offset-4 hover:underline">
          All builds
        </Link>
      </header>
      {small ? (
        <ChoiceField
          label="Sum"
          value={name}
          choices={ALL.map((one) => ({ value: one.name, label: one.title }))}
          onChoose={show}
        />
      ) : (
        <nav aria-label="Sums" className="flex flex-wrap border-b border-rule">
          {ALL.map((one) => (
            <button
              key={one.name}
              type="button"
              aria-current={one.name === name ? 'page' : undefined}
              onClick={() => show(one.name)}
              className={`border-b-[3px] px-3 py-2 font-tight text-lead ${one.name === name ? 'border-ink font-semibold' : 'border-transparent text-soft'}`}
            >
              {one.title}
            </button>
          ))}
        </nav>
      )}
      {sum ? (
        <SumTool key={sum.name} sum={sum} system={system} />
      ) : name === PART.name ? (
        <PartSum about={PART.about} system={system} />
      ) : (
        <NetworkSum about={NETWORK.about} system={system} />
      )}
    </main>
  );
}

function SumTool({ sum, system }: { sum: Sum; system: UnitSystem }) {
  const [values, setValues] = useState<SumValues>(sum.start);
  const [copied, setCopied] = useState(false);
  const answer = answerOf(sum, values);
  const set = (key: string, value: SumValue) => {
    setCopied(false);
    setValues({ ...values, [key]: value });
  };
  const text = answer.ok ? answerText(sum, values, answer.result, system) : '';
  return (
    <div className="mt-4 grid items-start gap-4 md:grid-cols-2">
      {/* Where there is one column the answer comes before the curve. */}
      <div className="space-y-4 max-md:contents">
        <Panel title={sum.title} about={sum.about}>
          {sum.fields.map((field) => (
            <Field
              key={field.key}
              field={field}
              system={system}
              value={values[field.key] ?? null}
              onChange={(value) => set(field.key, value)}
            />
          ))}
        </Panel>
        {answer.ok && (
          <div className="max-md:order-last">
            <SweepPanel sum={sum} values={values} result={answer.result} system={system} />
          </div>
        )}
      </div>
      <div className="space-y-4">
        <Panel title="Answer">
          {answer.ok ? (
            <>
              <dl aria-label="Answer">
                {sum.figures.map((figure) => (
                  <div
                    key={figure.key}
                    className="flex items-baseline justify-between gap-3 border-b border-rule/70 py-1"
                  >
                    <dt className="text-soft">{figure.label}</dt>
                    <dd className="text-lead font-semibold">{figureText(answer.result, figure, system)}</dd>
                  </div>
                ))}
              </dl>
              <Rules
                rules={figureAt(answer.result, 'rules') as Record<string, Judgement> | undefined}
                system={system}
              />
              <div className="mt-3 flex flex-wrap items-center gap-2">
                <Action
                  onPress={() => {
                    void copyText(text).then(setCopied);
                  }}
                >
                  Copy
                </Action>
                <span role="status" className="text-small text-soft">
                  {copied ? 'Copied' : ''}
                </span>
              </div>
              <SendSum sum={sum} values={values} text={text} />
            </>
          ) : (
            <p role="status">
              {answer.reason} <span className="text-soft">{answer.remedy}</span>
            </p>
          )}
        </Panel>
        {answer.ok && <BackwardsPanel sum={sum} values={values} result={answer.result} system={system} onTake={set} />}
        {sum.caution && <Caution>{sum.caution}</Caution>}
        {answer.ok && (
          <Panel title="Working">
            <WorkingLines working={{ lines: answer.working, sources: [], assumed: [] }} system={system} />
          </Panel>
        )}
      </div>
    </div>
  );
}

function Field({
  field,
  value,
  system,
  onChange,
}: {
  field: SumField;
  value: SumValue;
  system: UnitSystem;
  onChange: (value: SumValue) => void;
}) {
  const { label, choices, flag, dimension, unit, note, needed } = field;
  if (flag)
    return (
      <p className="border-b border-dotted border-rule py-0.5">
        <Checkbox checked={value === true} onChange={onChange}>
          {label}
        </Checkbox>
      </p>
    );
  if (choices)
    return (
      <ChoiceField
        label={label}
        value={String(value)}
        choices={choices.map(([key, text]) => ({ value: key, label: text }))}
        onChoose={onChange}
      />
    );
  return (
    <QuantityField
      label={label}
      value={typeof value === 'number' ? value : null}
      dimension={dimension!}
      system={system}
      empty={needed ? 'needed' : 'not there'}
      {...(unit ? { unit } : {})}
      {...(note ? { note } : {})}
      onCommit={onChange}
      onClear={() => onChange(null)}
    />
  );
}

const RULE_WORDS: Readonly<
  Record<string, readonly [string, 'voltage' | 'current' | 'i2t' | 'time' | 'length' | null]>
> = {
  'fuse.dc-rating': ['DC rating', null],
  'fuse.dc-voltage': ['DC voltage', 'voltage'],
  'fuse.breaking-capacity': ['Breaking capacity', 'current'],
  'fuse.minimum-breaking': ['Smallest current it breaks', 'current'],
  'fuse.continuous': ['Continuous', 'current'],
  'fuse.cyclic': ['Pulses', 'current'],
  'fuse.cable-overload': ['Cable, overload', 'current'],
  'fuse.cable-short': ['Cable, short circuit', 'i2t'],
  'fuse.melting-time': ['Melts in time', 'time'],
  'fuse.unprotected-length': ['Cable before it', 'length'],
};

/** What each rule of the fuse says, with demand and limit. */
function Rules({ rules, system }: { rules: Record<string, Judgement> | undefined; system: UnitSystem }) {
  if (!rules) return null;
  return (
    <ul aria-label="Rules" className="mt-3">
      {Object.entries(RULE_WORDS).map(([id, [words, dimension]]) => {
        const rule = rules[id]!;
        const shape = shapeOf(rule.verdict);
        const text = (value: number | null) =>
          value === null || dimension === null ? '' : formatQuantity({ value, dimension }, system).text;
        return (
          <li
            key={id}
            data-rule={id}
            data-verdict={rule.verdict}
            className="flex items-center gap-2 border-b border-rule/70 py-1 text-small"
          >
            <VerdictMark shape={shape} size={12} />
            <span className="min-w-0 flex-1">
              {words}{' '}
              <span className="text-soft">
                {rule.demand !== null && rule.limit !== null ? `${text(rule.demand)} of ${text(rule.limit)}` : ''}
              </span>
            </span>
            <span className={`font-semibold ${MARK_COLOUR[shape]}`}>
              {rule.margin === null ? rule.verdict.replace('-', ' ') : formatMargin(rule.margin)}
            </span>
          </li>
        );
      })}
    </ul>
  );
}
