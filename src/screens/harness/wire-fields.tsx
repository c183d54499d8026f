'use client';
import {
  type Build,
  COLOURS,
  type Colour,
  SCREENS,
  type SignalWire,
  WIRE_SIGNALS,
  type WireMark,
  type WireSignal,
} from '@/core/build';
import { type HarnessWire, hostsOf, SUB_LOOMS } from '@/core/vehicle';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';
import { COLOUR_WORDS } from './swatch';

const SCREEN_WORDS = {
  none: 'none',
  a: 'earthed at end A',
  b: 'earthed at end B',
  both: 'earthed at both ends',
  open: 'earthed nowhere',
} as const;
export const SIGNAL_WORDS: Readonly<Record<WireSignal, string>> = {
  'can-high': 'CAN bus, H',
  'can-low': 'CAN bus, L',
  position: 'position or speed of a motor',
  temperature: 'temperature',
  pedal: 'accelerator pedal',
  brake: 'brake switch',
  selector: 'direction selector',
  pilot: 'control pilot',
  proximity: 'proximity',
  'cell-sense': 'cell sense',
  enable: 'enable',
  gauge: 'gauge or lamp',
  other: 'something else',
};
const colours = COLOURS.map((value) => ({ value, label: `${value} ${COLOUR_WORDS[value]}` }));

/** A value that is left out again where nothing is chosen. */
type Changes = { readonly [K in keyof Omit<WireMark, 'id'>]: WireMark[K] | null };

/** What is decided for one wire in place of what follows by rule. */
export function WireFields({
  build,
  wire,
  wires,
  onGone,
}: {
  build: Build;
  wire: HarnessWire;
  wires: readonly HarnessWire[];
  onGone: () => void;
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  const put = (changes: Partial<Changes>) => {
    const next = Object.fromEntries(
      Object.entries({ ...wire.mark, ...changes, id: wire.id }).filter(([, value]) => value !== null && value !== ''),
    ) as unknown as WireMark;
    return dispatch({ edit: 'putInHarness', input: { list: 'marks', entries: [next] } });
  };
  const signal = build.harness?.wires?.[wire.id];
  const near = wires.filter(({ id, circuit }) => id !== wire.id && circuit === wire.circuit);
  const pin = (side: 'a' | 'b') => (
    <QuantityField
      label={`Pin at ${wire.ends[side].hostName}`}
      value={wire.ends[side].pin}
      dimension="count"
      system={build.units}
      empty="none"
      onCommit={(value) => put(side === 'a' ? { pinA: value } : { pinB: value })}
    />
  );
  return (
    <div className="grid gap-x-8 pt-1 min-[700px]:grid-cols-2">
      <ChoiceField
        label="Colour"
        value={wire.colour}
        choices={colours}
        onChoose={(value) => put({ colour: value as Colour })}
      />
      <ChoiceField
        label="Stripe"
        value={wire.stripe}
        empty="none"
        choices={colours}
        onChoose={(value) => put({ stripe: value as Colour })}
      />
      <TextField label="Label" value={wire.label} onCommit={(label) => put({ label })} />
      <ChoiceField
        label="Sub-harness"
        value={wire.loom}
        choices={[...new Set([...SUB_LOOMS, ...wires.map(({ loom }) => loom)])].map((value) => ({
          value,
          label: value,
        }))}
        onChoose={(loom) => put({ loom })}
      />
      <QuantityField
        label="For loops at both ends"
        value={wire.mark?.loopM ?? null}
        dimension="length"
        system={build.units}
        empty="by rule"
        onCommit={(loopM) => put({ loopM })}
      />
      <ChoiceField
        label="Twisted with"
        value={wire.twistedWith}
        empty="nothing"
        choices={near.map(({ id, label, name }) => ({ value: id, label: `${label} ${name}` }))}
        onChoose={(twistedWith) => put({ twistedWith })}
      />
      <ChoiceField
        label="Shield"
        value={wire.screen}
        empty={wire.screened ? 'by its cable; where earthed, not entered' : 'none'}
        choices={SCREENS.map((value) => ({ value, label: SCREEN_WORDS[value] }))}
        onChoose={(screen) => put({ screen: screen as NonNullable<WireMark['screen']> })}
      />
      {wire.circuit !== 'hv' && pin('a')}
      {wire.circuit !== 'hv' && pin('b')}
      <TextField
        label="Terminal and seal, A"
        value={wire.ends.a.crimp}
        empty="ring M8, spade …"
        clears
        onCommit={(crimpA) => put({ crimpA })}
      />
      <TextField
        label="Terminal and seal, B"
        value={wire.ends.b.crimp}
        empty="ring M8, spade …"
        clears
        onCommit={(crimpB) => put({ crimpB })}
      />
      {signal && <SignalFields build={build} signal={signal} onGone={onGone} />}
      {wire.mark && (
        <p className="py-1">
          <Action
            look="quiet"
            onPress={() => dispatch({ edit: 'dropFromHarness', input: { list: 'marks', id: wire.id } })}
          >
            All by rule again
          </Action>
        </p>
      )}
    </div>
  );
}

function SignalFields({ build, signal, onGone }: { build: Build; signal: SignalWire; onGone: () => void }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const put = (more: Partial<SignalWire>) =>
    dispatch({ edit: 'putInHarness', input: { list: 'wires', entries: [{ ...signal, ...more }] } });
  const hosts = hostsOf(build).map(({ id, name }) => ({ value: id, label: name }));
  const end = (side: 'a' | 'b', words: string) => (
    <>
      <ChoiceField
        label={words}
        value={signal[side].hostId}
        empty="a thing that is gone"
        choices={hosts}
        onChoose={(hostId) => put({ [side]: { ...signal[side], hostId } })}
      />
      <TextField
        label={`${words}: pin called`}
        value={signal[side].pin}
        onCommit={(pin) => put({ [side]: { ...signal[side], pin } })}
      />
    </>
  );
  return (
    <>
      <ChoiceField
        label="It carries"
        value={signal.signal}
        choices={WIRE_SIGNALS.map((value) => ({ value, label: SIGNAL_WORDS[value] }))}
        onChoose={(value) => put({ signal: value as WireSignal })}
      />
      <ChoiceField
        label="Brings the current back"
        value={signal.returns ? 'yes' : 'no'}
        choices={[
          { value: 'yes', label: 'yes' },
          { value: 'no', label: 'no' },
        ]}
        onChoose={(value) => put({ returns: value === 'yes' })}
      />
      {end('a', 'From')}
      {end('b', 'To')}
      <QuantityField
        label="Length"
        value={signal.lengthM ?? null}
        dimension="length"
        system={build.units}
        empty="not entered"
        onCommit={(lengthM) => {
          const { lengthM: _, ...others } = signal;
          return dispatch({
            edit: 'putInHarness',
            input: { list: 'wires', entries: [lengthM === null ? others : { ...others, lengthM }] },
          });
        }}
      />
      <QuantityField
        label="Cross-section"
        value={signal.areaMm2 ?? null}
        dimension="area"
        system={build.units}
        empty="not entered"
        onCommit={(areaMm2) => {
          const { areaMm2: _, ...others } = signal;
          return dispatch({
            edit: 'putInHarness',
            input: { list: 'wires', entries: [areaMm2 === null ? others : { ...others, areaMm2 }] },
          });
        }}
      />
      <p className="py-1">
        <Action
          look="quiet"
          onPress={() => {
            onGone();
            dispatch({ edit: 'dropFromHarness', input: { list: 'wires', id: signal.id } });
          }}
        >
          Drop this wire
        </Action>
      </p>
    </>
  );
}
