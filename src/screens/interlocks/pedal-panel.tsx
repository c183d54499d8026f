'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { sensorCheck, signalV } from '@/core/bench';
import { formatQuantity } from '@/core/quantities';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { Slider } from '@/ui/slider';
import { VerdictMark } from '@/ui/verdict-mark';
import type { Play } from './use-board';

/** A potentiometer in the pedal’s place, both tracks read along; another pedal held against what the control was taught. */
export function PedalPanel({ play, assessment }: { play: Play; assessment: Assessment }) {
  const { build } = assessment;
  const [restV, setRest] = useState<number | null>(null);
  const [fullV, setFull] = useState<number | null>(null);
  const { board } = play;
  if (!board) return null;
  const volts = (value: number) => formatQuantity({ value, dimension: 'voltage' }, build.units, 3, 'V').text;
  const share = (value: number) => `${Math.round(value * 100)} %`;
  const [one, two] = [signalV(board, 'track-1'), signalV(board, 'track-2')];
  const agree = Math.abs(one - 2 * two) < 0.15;
  const found =
    restV === null || fullV === null || !build.controls ? null : sensorCheck(build.controls, { restV, fullV });
  return (
    <Panel title="Pedal" about="a potentiometer in the sensor’s place">
      <Slider label="Pedal" value={board.pedal} text={share(board.pedal)} onChange={play.press} />
      <dl className="grid grid-cols-2 gap-x-5">
        {[
          ['Track 1', volts(one)],
          ['Track 2, half of it', volts(two)],
        ].map(([name, value]) => (
          <div key={name} className="flex justify-between border-b border-dotted border-rule py-0.5">
            <dt className="text-soft">{name}</dt>
            <dd className="font-semibold tabular-nums">{value}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-1 flex items-center gap-2">
        <VerdictMark shape={board.is('key') ? (agree ? 'holds' : 'fails') : 'hollow'} size={11} />
        {board.is('key') ? (agree ? 'the tracks agree' : 'the tracks differ') : 'no supply: key on'}
      </p>
      <h3 className="mt-3 font-tight text-lead font-semibold">Another pedal or sensor</h3>
      <QuantityField
        label="Its track at rest"
        dimension="voltage"
        system={build.units}
        value={restV}
        empty="as read"
        onClear={() => setRest(null)}
        onCommit={setRest}
      />
      <QuantityField
        label="Its track pressed down"
        dimension="voltage"
        system={build.units}
        value={fullV}
        empty="as read"
        onClear={() => setFull(null)}
        onCommit={setFull}
      />
      {restV !== null && fullV !== null && (
        <div aria-live="polite" className="mt-2">
          {found === null ? (
            <p className="text-soft">First enter the ends that the control was taught, under Guards.</p>
          ) : (
            <>
              <p>
                The control takes it for {share(found.restSeen)} at rest and {share(found.fullSeen)} pressed down.
              </p>
              {found.findings.length === 0 ? (
                <p className="flex items-center gap-2">
                  <VerdictMark shape="holds" size={11} /> It serves as it is.
                </p>
              ) : (
                found.findings.map((finding) => (
                  <p key={finding} className="flex items-baseline gap-2">
                    <VerdictMark shape="fails" size={11} /> <span>{finding}.</span>
                  </p>
                ))
              )}
            </>
          )}
        </div>
      )}
    </Panel>
  );
}
