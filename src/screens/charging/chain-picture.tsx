'use client';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { ChargingResults } from '@/core/stations/charging';

/** From the supply to the cells: how much each link lets through or carries, and how far what is drawn fills it. */
export function ChainPicture({ charging, system }: { charging: ChargingResults; system: UnitSystem }) {
  const { chain, binds, acW } = charging;
  // What lets far more through than is drawn ends open: the narrow places are what one looks for.
  const most = Math.min(
    Math.max(1, acW ?? 0, ...chain.map((link) => link.acW ?? 0)),
    acW === null ? Number.POSITIVE_INFINITY : 2.5 * acW,
  );
  const width = (watts: number) => `${Math.max(1, Math.min(100, (100 * watts) / most)).toFixed(2)}%`;
  return (
    <ol className="relative">
      {chain.map((link) => {
        const holds = binds !== null && link.id === binds.id && (link.deviceId ?? null) === (binds.deviceId ?? null);
        const beyond = link.acW !== null && acW !== null && acW > link.acW * (1 + 1e-9);
        return (
          <li
            key={`${link.id} ${link.deviceId ?? ''}`}
            aria-current={holds ? 'true' : undefined}
            className="grid grid-cols-[minmax(0,11rem)_minmax(0,1fr)_minmax(0,8.5rem)] items-center gap-x-3 border-b border-dotted border-rule py-1 max-[500px]:grid-cols-[minmax(0,1fr)_auto]"
          >
            <span className={holds ? 'font-semibold' : ''}>{link.name}</span>
            <span aria-hidden="true" className="relative block h-[18px] max-[500px]:order-last max-[500px]:col-span-2">
              {link.acW === null ? (
                <span className="absolute inset-y-[8px] inset-x-0 border-t border-dashed border-soft" />
              ) : (
                <span
                  className={`absolute inset-y-0 left-0 border-[1.5px] ${link.acW > most ? 'border-r-0' : ''} ${beyond ? 'border-fails' : holds ? 'border-ink' : 'border-soft'}`}
                  style={{ width: width(link.acW) }}
                />
              )}
              {acW !== null && (
                <span
                  className={`absolute inset-y-[5px] left-0 ${beyond ? 'bg-fails' : 'bg-ink'}`}
                  style={{ width: width(acW) }}
                />
              )}
            </span>
            <span className="text-right whitespace-nowrap">
              {link.acW === null ? (
                <span className="text-soft">not entered</span>
              ) : (
                <>
                  {formatQuantity({ value: link.acW, dimension: 'power' }, system, 3).text}
                  {link.ampere !== null && (
                    <span className="text-soft">
                      , {formatQuantity({ value: link.ampere, dimension: 'current' }, system, 3).text}
                    </span>
                  )}
                </>
              )}
              <span className="block text-note text-soft">
                {holds ? 'holds the charge here' : beyond ? 'loaded beyond that' : link.limits ? 'limits' : 'carries'}
              </span>
            </span>
          </li>
        );
      })}
    </ol>
  );
}
