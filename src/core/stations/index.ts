import { ancillaries } from './ancillaries';
import { bms } from './bms';
import { cables } from './cables';
import { charging } from './charging';
import { commission } from './commission';
import type { Context } from './context';
import { drive } from './drive';
import { harness } from './harness';
import { hvCircuit } from './hv-circuit';
import { interlocks } from './interlocks';
import { logbook } from './logbook';
import { lowVoltage } from './low-voltage';
import { pack } from './pack';
import { plan } from './plan';
import { survey } from './survey';

/** The stations that judge, in working order. One line here makes a station part of the line, the ledger and the addresses. */
export const STATIONS = [
  survey,
  pack,
  drive,
  hvCircuit,
  cables,
  lowVoltage,
  bms,
  charging,
  ancillaries,
  interlocks,
  harness,
  plan,
  commission,
  logbook,
] as const;

type AnyStation = (typeof STATIONS)[number];
export type StationId = AnyStation['id'];
export type Results = { readonly [S in AnyStation as S['id']]: ReturnType<S['results']> };

export const isStation = (id: string): id is StationId => STATIONS.some((station) => station.id === id);

/** What the stations show; each is computed when it is first read. */
export function resultsOf(context: Context): Results {
  const made: Record<string, unknown> = {};
  const results = {};
  for (const { id, results: compute } of STATIONS)
    Object.defineProperty(results, id, {
      enumerable: true,
      get: () => {
        if (!Object.hasOwn(made, id)) made[id] = compute(context);
        return made[id];
      },
    });
  return results as Results;
}

export { type Assumption, type Reservations, reservationsOf } from './reservations';
