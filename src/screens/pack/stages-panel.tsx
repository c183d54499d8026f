'use client';
import { useMemo } from 'react';
import { type Assessment, assess } from '@/core/assess';
import { type Check, say } from '@/core/checks';
import { packStrings, withStrings } from '@/core/vehicle';
import { Panel } from '@/ui/panel';
import { VerdictMark } from '@/ui/verdict-mark';

/** Strings in parallel: each stage of fitting them judged on its own, as the vehicle would be with only these in. */
export function StagesPanel({ assessment }: { assessment: Assessment }) {
  const { build, vehicle, trip } = assessment;
  const strings = packStrings(vehicle);
  const stages = useMemo(() => {
    const count = packStrings(vehicle).length;
    if (count < 2) return [];
    const keeps = [
      ...Array.from({ length: count }, (_, index) => new Set([index])),
      ...Array.from({ length: count - 2 }, (_, more) => new Set(Array.from({ length: more + 2 }, (__, k) => k))),
    ];
    return keeps.map((keep) => ({
      keep,
      judged: assess(withStrings(build, keep), { memory: vehicle.memory.trial, runs: { trip } }),
    }));
  }, [build, vehicle, trip]);
  if (stages.length === 0) return null;
  const headlineOf = (check: Check) => {
    const said = say(check, build.units);
    return `${said.title}: ${said.line}`;
  };
  const name = (index: number) =>
    vehicle.deviceOf.get(strings[index]!.boxIds[0]!)?.device.name ?? `string ${index + 1}`;
  return (
    <Panel title="Stages" about="each judged on its own, as if the other strings were not fitted yet, or had opened">
      <ul className="divide-y divide-rule/70" data-stages="">
        {stages.map(({ keep, judged }) => {
          const failing = judged.checks.filter(({ verdict }) => verdict === 'fails');
          const open = judged.checks.filter(
            ({ verdict }) => verdict !== 'holds' && verdict !== 'thin' && verdict !== 'fails',
          );
          const worst = failing[0] ?? judged.checks.find(({ verdict }) => verdict === 'thin');
          return (
            <li key={[...keep].join()} className="flex items-start gap-3 py-2">
              <span className="mt-1">
                <VerdictMark shape={failing.length > 0 ? 'fails' : open.length > 0 ? 'hollow' : 'holds'} />
              </span>
              <span>
                <b>{[...keep].map(name).join(' and ')}</b>
                <span className="text-soft">
                  {', '}
                  {judged.results.pack
                    ? `${judged.results.pack.nominalV.toFixed(0)} V, ${(judged.results.pack.grossEnergyJ / 3.6e6).toFixed(1)} kWh`
                    : ''}
                  {', '}
                  {failing.length === 0
                    ? 'nothing fails'
                    : `${failing.length} ${failing.length === 1 ? 'check fails' : 'checks fail'}`}
                  {open.length > 0 ? `, ${open.length} open` : ''}
                </span>
                {worst && <span className="block text-note text-soft">{headlineOf(worst)}</span>}
              </span>
            </li>
          );
        })}
      </ul>
    </Panel>
  );
}
