'use client';
import dynamic from 'next/dynamic';
import type { Assessment } from '@/core/assess';
import { type Check, checkKey, marginText, say } from '@/core/checks';
import { formatQuantity } from '@/core/quantities';
import { type CableRow, clampCount, terminationOf } from '@/core/stations/cables';
import { inverterPowerW, protectingFuses } from '@/core/vehicle';
import { MARK_COLOUR, VerdictMark } from '@/ui/verdict-mark';
import { shapeOf } from '../shell/shape';

const HeatChart = dynamic(() => import('./heat-chart'), { ssr: false, loading: () => <div className="h-[150px]" /> });

/** What the fuses before a conductor answer for it. */
const BY_FUSE: ReadonlySet<string> = new Set(['fuse.cable-overload', 'fuse.cable-short']);

/** Every check that is about this conductor, its route or the fuses before it, thinnest first as the ledger has them. */
function checksOf({ checks, vehicle }: Assessment, { id, resolved }: CableRow): readonly Check[] {
  const fuses = new Set(protectingFuses(vehicle, 'fuse').of.get(id) ?? []);
  const { routeId } = resolved.conductor;
  return checks.filter(
    ({ id: rule, subject }) =>
      subject.id === id || subject.id === routeId || (BY_FUSE.has(rule) && fuses.has(subject.id)),
  );
}

/** One conductor whole: what it has to stand, how hot the usual trip makes it, and what goes onto its ends. */
export function ConductorSheet({
  assessment,
  row,
  openCheck,
}: {
  assessment: Assessment;
  row: CableRow;
  openCheck: (key: string) => void;
}) {
  const { build, heat, trip } = assessment;
  const system = build.units;
  const { resolved } = row;
  const { cable, zone, lengthM } = resolved;
  const curve = heat?.curveC[row.id];
  const checks = checksOf(assessment, row);
  const cruiseW = inverterPowerW(build, 'cruise');
  const reach = trip?.rangeFreshM ?? null;
  const lostM = reach !== null && cruiseW > 0 && row.lossW !== null ? (reach * row.lossW) / cruiseW : null;
  const mm = (value: number) => formatQuantity({ value: value / 1000, dimension: 'length' }, system, 3).text;
  const ends = cable && terminationOf(cable);
  return (
    <div className="mt-3 grid gap-x-8 gap-y-3 border-t border-rule pt-3 min-[900px]:grid-cols-2">
      <section aria-label={`What ${resolved.conductor.name} has to stand`}>
        <h3 className="font-tight text-lead font-semibold">What it has to stand</h3>
        <ul>
          {checks.map((check) => {
            const shape = shapeOf(check.verdict);
            const said = say(check, system);
            return (
              <li key={checkKey(check)} className="border-t border-rule/70">
                <button
                  type="button"
                  onClick={() => openCheck(checkKey(check))}
                  className="grid w-full grid-cols-[14px_1fr_auto] items-baseline gap-x-2 py-1 text-left text-small"
                >
                  <VerdictMark shape={shape} size={11} />
                  <span>
                    {said.title}
                    <span className="block text-note text-soft">{said.line}</span>
                  </span>
                  <span className={`font-semibold whitespace-nowrap ${MARK_COLOUR[shape]}`}>{marginText(check)}</span>
                </button>
              </li>
            );
          })}
        </ul>
      </section>
      <section aria-label={`Heat and ends of ${resolved.conductor.name}`}>
        {curve && cable && zone && (
          <>
            <h3 className="font-tight text-lead font-semibold">On the usual trip</h3>
            <HeatChart curve={curve} limitC={cable.temperatureClassC} ambientC={zone.ambientC} system={system} />
          </>
        )}
        {lostM !== null && (
          <p className="mt-2 text-small">
            Its loss takes{' '}
            <b className="font-semibold">{formatQuantity({ value: lostM, dimension: 'distance' }, system, 2).text}</b>{' '}
            of the range.
          </p>
        )}
        {ends && (
          <p className="mt-2 text-small text-soft">
            <span className="font-tight text-lead font-semibold text-ink">At its ends</span> lugs {ends.stud} with a
            barrel of {mm(ends.barrelMm)}; {ends.gland ? `gland ${ends.gland}` : 'no gland holds it'}, grommet hole{' '}
            {mm(ends.grommetMm)}, {mm(ends.lugHoleMm)} where it comes with its lug on; heat-shrink {mm(ends.shrinkMm)}{' '}
            3:1{lengthM !== null ? `; ${clampCount(lengthM)} clamps` : ''}.
          </p>
        )}
      </section>
    </div>
  );
}
