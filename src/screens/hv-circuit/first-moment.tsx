'use client';
import { useEffect, useState } from 'react';
import { adiabaticI2t } from '@/core/physics/fuse-curve';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import {
  CONDUCTOR_H_PER_M,
  type FaultCorner,
  type FirstMoment,
  firstMoment,
  type MomentUnknown,
} from '@/core/simulate';
import { partOf, type Vehicle } from '@/core/vehicle';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';

/** The first two milliseconds with the link capacitors charged: worked out after the picture is up, since it follows the whole network. */
export function FirstMomentPanel({
  vehicle,
  a,
  b,
  corner,
  prospectiveA,
  system,
}: {
  vehicle: Vehicle;
  a: string;
  b: string;
  corner: FaultCorner;
  prospectiveA: number;
  system: UnitSystem;
}) {
  const [found, setFound] = useState<{
    readonly key: string;
    readonly moment: FirstMoment | MomentUnknown | null;
  } | null>(null);
  const key = `${a}|${b}|${corner}|${vehicle.build.id}`;
  useEffect(() => {
    const timer = setTimeout(() => setFound({ key, moment: firstMoment(vehicle, a, b, corner) }), 30);
    return () => clearTimeout(timer);
  }, [vehicle, a, b, corner, key]);
  const answer = found?.key === key ? found.moment : undefined;
  if (answer === null) return null;
  const moment = answer && 'unknown' in answer ? undefined : answer;
  const inductance = formatQuantity({ value: CONDUCTOR_H_PER_M, dimension: 'inductancePerLength' }, system, 2).text;
  const text = (value: number, dimension: 'current' | 'i2t') => formatQuantity({ value, dimension }, system, 3).text;
  const fuses = moment
    ? vehicle.devices.flatMap((device) => {
        const fuse = partOf(device, 'fuse');
        const felt = moment.elements.get(device.id);
        return fuse && felt && Math.abs(felt.peakA) > fuse.ratedCurrentA ? [{ device, fuse, felt }] : [];
      })
    : [];
  return (
    <Panel title="The first two milliseconds" about="with the link capacitors charged, before anything melts">
      {answer && 'unknown' in answer ? (
        <p>Not known: the circuit could not be followed ({answer.unknown}).</p>
      ) : moment === undefined ? (
        <p className="text-soft">Working it out …</p>
      ) : (
        <>
          <FigureRow label="Peak in the short" value={moment.peakA} dimension="current" system={system} />
          <FigureRow label="after" value={moment.peakAtS} dimension="time" system={system} />
          <FigureRow label="I²t in the short" value={moment.i2tA2s} dimension="i2t" system={system} />
          <p className="mt-2 text-small">
            {moment.peakA > 1.05 * prospectiveA
              ? `The capacitors give ${(moment.peakA / prospectiveA).toFixed(1)} times what the pack alone would.`
              : 'The capacitors add little to what the pack gives.'}
          </p>
          {fuses.length > 0 && (
            <ul className="mt-1">
              {fuses.map(({ device, fuse, felt }) => (
                <li key={device.id} className="flex items-baseline gap-3 border-t border-rule/70 py-1 text-small">
                  <span className="min-w-0 flex-1 truncate">{device.device.name}</span>
                  <span>{text(Math.abs(felt.peakA), 'current')}</span>
                  <span className="w-[190px] text-right">
                    {text(felt.i2tA2s, 'i2t')}{' '}
                    <span className="text-soft">
                      {felt.i2tA2s >= adiabaticI2t(fuse, fuse.ratedCurrentA) ? 'melts in it' : 'does not melt in it'}
                    </span>
                  </span>
                </li>
              ))}
            </ul>
          )}
          <p className="mt-2 text-note text-soft">
            Every wire with its resistance and {inductance}, capacitors with 3 mΩ and 40 nH of their own (generic).
            Diodes in the inverter and a turning motor are not in it.
          </p>
        </>
      )}
    </Panel>
  );
}
