'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { type HvHost, hvTerminalsOf } from '@/core/vehicle';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { Swatch } from './swatch';

/** What lands on each traction terminal: looked at before the lid is closed. */
export function TerminalsPanel({ assessment }: { assessment: Assessment }) {
  const { build, vehicle } = assessment;
  const hosts = hvTerminalsOf(vehicle);
  const [open, setOpen] = useState<string | null>(null);
  if (hosts.length === 0) return null;
  const area = (mm2: number | null) =>
    mm2 === null ? 'no cable chosen' : formatQuantity({ value: mm2, dimension: 'area' }, build.units, 3).text;
  const lugs = ({ terminals }: HvHost) => terminals.reduce((sum, { ends }) => sum + ends.length, 0);
  return (
    <Panel title="Traction terminals" about={`${hosts.length} with cables`}>
      {hosts.map((one) => (
        <Fold
          key={one.id}
          open={open === one.id}
          onOpen={(now) => setOpen(now ? one.id : null)}
          className="border-t border-rule/70"
          head={
            <span className="flex items-baseline gap-2" data-terminals={one.id}>
              <b className="font-semibold">{one.host.name}</b>
              <span className="text-soft">
                {one.place}, {one.terminals.length} {one.terminals.length === 1 ? 'terminal' : 'terminals'}, {lugs(one)}{' '}
                {lugs(one) === 1 ? 'end' : 'ends'}
              </span>
            </span>
          }
        >
          <ul className="pb-3">
            {one.terminals.flatMap(({ terminal, at, ends }) =>
              ends.map(({ wire, side }) => (
                <li
                  key={`${terminal} ${wire.id} ${side}`}
                  data-terminal={terminal}
                  className="flex flex-wrap items-center gap-x-3 border-t border-dotted border-rule py-0.5"
                >
                  <b className="w-24 font-semibold">{at}</b>
                  <Swatch colour={wire.colour} stripe={wire.stripe} />
                  <span className="min-w-0 flex-1">
                    {wire.label}{' '}
                    <span className="text-soft">
                      to {wire.ends[side === 'a' ? 'b' : 'a'].hostName}
                      {ends.length > 1 && `; ${ends.length} lugs here`}
                    </span>
                  </span>
                  <span className="text-small text-soft tabular-nums">
                    {wire.parallel > 1 && `${wire.parallel} × `}
                    {area(wire.areaMm2)}
                    {wire.ends[side].crimp && `, ${wire.ends[side].crimp}`}
                  </span>
                </li>
              )),
            )}
          </ul>
        </Fold>
      ))}
    </Panel>
  );
}
