import type { CurvePoint } from '../../build';
import { type Finding, quantityText as q } from '../../checks';
import { curveAt } from '../../physics/limit-curve';
import { type CurrentWay, packBears, tripRun } from '../../simulate';
import type { Vehicle } from '../../vehicle';
import { amps, type Context } from '../context';
import { defineRule, type Rule } from '../define';
import { CELLS_REF, electronic, lithiumIn } from './shared';

const applies = (vehicle: Vehicle): boolean => lithiumIn(vehicle) && electronic(vehicle);
const COLDEST_C = -40;
const HOTTEST_C = 80;

interface Worst {
  readonly temperatureC: number;
  readonly demand: number;
  readonly limit: number;
}

/** Where a curve lies highest above what the cells bear for seconds, a kelvin at a time and at its own points. */
function worstOf(vehicle: Vehicle, way: CurrentWay, points: readonly CurvePoint[]): Worst | null {
  const places = [
    ...points.map(([x]) => x),
    ...Array.from({ length: HOTTEST_C - COLDEST_C + 1 }, (_, k) => COLDEST_C + k),
  ];
  let worst: Worst | null = null;
  // Where nothing may flow and nothing does there is no margin to speak of; beyond what is borne the worst by far counts.
  const room = ({ demand, limit }: Worst) =>
    limit > 0 ? (limit - demand) / limit : demand > 0 ? -1 - demand : Number.POSITIVE_INFINITY;
  for (const temperatureC of places) {
    const limit = packBears(vehicle, way, 2, temperatureC);
    if (limit === null) return null;
    const demand = curveAt(points, temperatureC);
    const one = { temperatureC, demand, limit };
    if (!worst || room(one) < room(worst)) worst = one;
  }
  return worst;
}

const WAYS = [
  ['charge', 'chargeByC', 'charging'],
  ['discharge', 'dischargeByC', 'driving'],
] as const;

const bears = defineRule({
  id: 'bms.curve-bears',
  endangers: 'fire',
  says: {
    fails: 'The electronics lets more through than the cells bear',
    holds: 'The electronics lets through what the cells bear',
    line: '{way} {demand} at {temperature}, at most {limit}',
    open: 'What the electronics lets through over temperature',
  },
  comfort: 0,
  sources: [
    'Curve of current over temperature against what the cells bear for seconds: their part, else its chemistry, less in the cold (generic)',
  ],
  judge: ({ vehicle }): Finding<'way' | 'temperature'>[] => {
    if (!applies(vehicle)) return [];
    const { curves = {} } = vehicle.build.bms ?? {};
    return WAYS.flatMap(([way, id, word]): Finding<'way' | 'temperature'>[] => {
      const subject = { ...CELLS_REF, id: `bms-${way}`, name: `Limit while ${word}` };
      const points = curves[id];
      if (!points || points.length === 0)
        return [{ subject, missing: [{ ref: subject, what: `its current over temperature while ${word}` }] }];
      const worst = worstOf(vehicle, way, points);
      if (!worst) return [];
      const { demand, limit, temperatureC } = worst;
      return [
        {
          subject,
          demand: amps(demand),
          limit: amps(limit),
          margin: limit > 0 ? (limit - demand) / limit : demand > 0 ? -1 : 0,
          figures: { way: word, temperature: { value: temperatureC, dimension: 'temperature' } },
        },
      ];
    });
  },
  remedies: [
    (context, check) => {
      const way = check.subject.id === 'bms-charge' ? 'charge' : 'discharge';
      const points = proposedCurve(context, way);
      return points ? [{ edit: 'setLimitCurve', input: { curve: `${way}ByC`, points } }] : [];
    },
  ],
});

/** Temperatures at which a proposed curve has points, °C. */
const PROPOSED_C: Readonly<Record<CurrentWay, readonly number[]>> = {
  charge: [-35, -20, -10, 0, 5, 10, 15, 25, 40, 45, 50, 55, 60],
  discharge: [-35, -30, -20, -10, 0, 10, 25, 45, 50, 55, 60, 65],
};

/** A curve under what the cells bear everywhere: nine tenths of it, and of two neighbours the lower one on either side. */
export function proposedCurve({ vehicle }: Pick<Context, 'vehicle'>, way: CurrentWay): readonly CurvePoint[] | null {
  const at = PROPOSED_C[way];
  const bearing = at.map((c) => packBears(vehicle, way, 2, c));
  if (bearing.some((one) => one === null)) return null;
  return at.map((c, k): CurvePoint => {
    // Between two points the bearing may fall at once: whoever stands beside a zero stands at zero.
    const beside = [bearing[k - 1], bearing[k], bearing[k + 1]].some((one) => one === 0);
    return [c, beside ? 0 : Math.round(0.9 * bearing[k]!)];
  });
}

const TRIP_REF = { ...CELLS_REF, id: 'bms-trip', name: 'Limits on the usual trip' };

const holdsBack = defineRule({
  id: 'bms.holds-back',
  endangers: 'comfort',
  says: {
    fails: 'The electronics takes power away on the usual trip',
    holds: 'The electronics leaves the usual trip its power',
    line: '{detail}',
    open: 'Limits on the usual trip',
  },
  sources: ['The usual trip driven against the curves of the electronics, aged and cold, and new and mild'],
  judge: ({ vehicle, trip, tripKey }): Finding<'detail'>[] => {
    const { curves } = vehicle.build.bms ?? {};
    if (!applies(vehicle) || !curves || Object.keys(curves).length === 0 || tripKey === null) return [];
    if (!trip) return [{ subject: TRIP_REF, pending: tripRun.pendingWords }];
    const { winter, mild } = trip;
    const back = Math.max(winter.heldBackJ, mild.heldBackJ);
    const brakes = back > 0 ? `; ${q(back, 'energy')} of braking goes to the brakes` : '';
    const held = Math.max(winter.heldS, mild.heldS);
    return [
      {
        subject: TRIP_REF,
        holds: held === 0,
        figures: {
          detail:
            held === 0
              ? `nothing is held back${brakes}`
              : `for ${q(winter.heldS, 'time')} in winter, ${q(mild.heldS, 'time')} on a mild day${brakes}`,
        },
      },
    ];
  },
  remedies:
    'Curves nearer to what the cells bear, cells that are warmed before driving, a gentler trip; or tell the driver: the car gives less when it is cold.',
});

export const CURVE_RULES: readonly Rule[] = [bears, holdsBack];
