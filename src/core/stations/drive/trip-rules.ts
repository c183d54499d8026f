import { type Finding, marginAtLeast, marginAtMost, marginOfRise, quantityText as q, type Rule } from '../../checks';
import { dischargeWindowC } from '../../physics/cell';
import { type TripResult, WINDING_LIMIT_C, WINDOWS_S } from '../../simulate';
import { currentIn, partOf } from '../../vehicle';
import { amps, type Context, PACK_REF } from '../context';
import { assumedIn, motorRef, needsRun, ROAD, TRIP } from './shared';

const range: Rule<Context> = {
  id: 'drive.range',
  station: 'drive',
  sources: [
    'The usual trip driven with the aged pack on the coldest day, heater on, down to where driving stops',
    ROAD,
  ],
  judge: (context) => {
    const daily = context.vehicle.build.duty.dailyDistanceM;
    if (daily === undefined || daily === 0) return [];
    const waiting = needsRun(context);
    if (waiting) return [waiting];
    const reach = context.trip?.rangeWinterM;
    if (reach == null)
      return context.trip ? [] : [{ subject: TRIP, missing: [{ ref: TRIP, what: 'mass, tyres, motor and cells' }] }];
    const margin = marginAtLeast(reach, daily);
    return [
      {
        subject: TRIP,
        demand: { value: reach, dimension: 'distance' },
        limit: { value: daily, dimension: 'distance' },
        margin,
        lines: () => [
          {
            formula: 'range = s_trip · (charged to − driving stops at) / s_used',
            figures: `${q(context.trip!.winter.distanceM, 'distance')} takes ${((context.trip!.socStart - context.trip!.winter.socEnd) * 100).toFixed(2)} % of the charge`,
            result: { value: reach, dimension: 'distance' },
            note: `${context.trip!.winter.energyPerKmWh?.toFixed(0) ?? '–'} Wh/km`,
          },
        ],
        assumed: [
          ...assumedIn(context),
          'Cold takes capacity besides: not counted, so keep more in hand in deep frost.',
        ],
      },
    ];
  },
};

const claim: Rule<Context> = {
  id: 'drive.claim',
  station: 'drive',
  sources: ['A range that was promised against the pack new on a mild day'],
  judge: (context) => {
    const promised = context.vehicle.build.duty.claimedRangeM;
    if (promised === undefined || promised === 0) return [];
    const waiting = needsRun(context);
    if (waiting) return [waiting];
    const reach = context.trip?.rangeFreshM;
    if (reach == null) return [];
    return [
      {
        subject: { kind: 'build', id: 'claim', name: 'Promised range' },
        demand: { value: promised, dimension: 'distance' },
        limit: { value: reach, dimension: 'distance' },
        margin: marginAtMost(promised, reach),
      },
    ];
  },
};

const follows: Rule<Context> = {
  id: 'drive.cruise-covers',
  station: 'drive',
  sources: [
    'The worst half hour of the usual trip, rms, is not above the sustained current that cables, fuses and contactors are held against',
  ],
  judge: (context) => {
    const waiting = needsRun(context);
    if (waiting) return [waiting];
    const run = context.trip?.winter;
    if (!run) return [];
    const inverter = context.vehicle.devices.find(({ device }) => device.kind === 'inverter');
    if (!inverter) return [];
    const box = context.vehicle.devices.find(({ device }) => device.kind === 'box');
    const sustained = Math.max(
      0,
      ...context.vehicle.cases
        .filter(
          // What charges the pack passes other wires than what drives.
          ({ state }) => state.duration === 'sustained' && state.id !== 'charging' && state.closed.length > 0,
        )
        .map((solved) => currentIn(solved, box?.id ?? '') ?? 0),
    );
    if (sustained === 0) return [];
    const demand = run.currents.windowsA[WINDOWS_S.length - 1]!;
    const margin = marginAtMost(demand, sustained);
    return [
      {
        subject: TRIP,
        demand: amps(demand),
        limit: amps(sustained),
        margin,
        assumed: assumedIn(context),
      },
    ];
  },
};

/** Share of the trip in which it may be slower than the trace (engineering judgement). */
const BEHIND_SHARE = 0.05;

const gives: Rule<Context> = {
  id: 'drive.gives',
  station: 'drive',
  sources: ['Seconds of the usual trip in which motor, inverter or pack can’t give what the trace asks'],
  judge: (context) => {
    const waiting = needsRun(context);
    if (waiting) return [waiting];
    const run = context.trip?.winter;
    if (!run) return [];
    const share = run.durationS > 0 ? run.shortS / run.durationS : 0;
    return [
      {
        subject: TRIP,
        demand: { value: share, dimension: 'ratio' },
        limit: { value: BEHIND_SHARE, dimension: 'ratio' },
        margin: marginAtMost(share, BEHIND_SHARE),
        figures: {
          detail:
            run.shortS < 1
              ? 'it follows the trace all the way'
              : `${run.shortS.toFixed(0)} s of ${run.durationS} s it falls behind`,
        },
      },
    ];
  },
};

const getsHome: Rule<Context> = {
  id: 'drive.gets-home',
  station: 'drive',
  sources: [
    'Charge that is left at the end of the usual trip, aged pack on the coldest day, against where driving stops',
  ],
  judge: (context): Finding[] => {
    const waiting = needsRun(context);
    if (waiting) return [waiting];
    const { trip } = context;
    if (!trip) return [];
    const { winter, socStart } = trip;
    const { socEmpty } = context.vehicle.build.packLimits;
    const share = (value: number) => ({ value, dimension: 'ratio' as const });
    return [
      {
        subject: TRIP,
        ...(winter.stop ? { variant: 'stops' } : {}),
        demand: share(winter.socEnd),
        limit: share(socEmpty),
        // By what may be used of it: nothing left is no margin, whatever the stop is set to.
        margin: socStart > socEmpty ? (winter.socEnd - socEmpty) / (socStart - socEmpty) : Number.NEGATIVE_INFINITY,
        figures: winter.stop
          ? {
              after: { value: winter.stop.distanceM, dimension: 'distance' },
              time: { value: winter.stop.timeS, dimension: 'time' },
            }
          : {},
        lines: () => [
          {
            formula: '(s_end − s_stop) / (s_begin − s_stop)',
            figures: `(${(winter.socEnd * 100).toFixed(1)} % − ${socEmpty * 100} %) / (${socStart * 100} % − ${socEmpty * 100} %)`,
            result: share((winter.socEnd - socEmpty) / Math.max(1e-9, socStart - socEmpty)),
          },
        ],
        assumed: assumedIn(context),
      },
    ];
  },
};

/** Where nothing is told, the hottest day, °C. */
const HOT_C = 35;

/** Hottest on the hottest day: the rise of the mild run on top of that day's air; cooling is proportional. °C */
const hottest = (
  context: Context,
  most: (run: TripResult) => number,
): { ambientC: number; reachedC: number; rise: number } => {
  const ambientC = context.vehicle.build.duty.hottestDayC ?? HOT_C;
  const rise = most(context.trip!.mild) - MILD_C;
  return { ambientC, reachedC: ambientC + rise, rise };
};
const MILD_C = 15;
const dayAssumed = (context: Context): readonly string[] =>
  context.vehicle.build.duty.hottestDayC === undefined ? [`Assumed: hottest day ${HOT_C} °C.`] : [];

const motorHeat: Rule<Context> = {
  id: 'drive.motor-heat',
  station: 'drive',
  sources: [
    'One lump that reaches 140 °C (winding of class F, IEC 60085, less 15 K) at the continuous power in 40 °C (IEC 60034-1)',
    'Losses of the usual trip, generic map; a hot spot is hotter than the lump',
  ],
  judge: (context) => {
    const subject = motorRef(context);
    if (!subject) return [];
    const waiting = needsRun(context);
    if (waiting) return [{ ...waiting, subject }];
    if (!context.trip) return [];
    const { ambientC, reachedC, rise } = hottest(context, ({ motorMostC }) => motorMostC);
    return [
      {
        subject,
        demand: { value: reachedC, dimension: 'temperature' },
        limit: { value: WINDING_LIMIT_C, dimension: 'temperature' },
        margin: marginOfRise(reachedC, WINDING_LIMIT_C, ambientC),
        lines: () => [
          {
            formula: 'T = T_hottest day + rise on the trip',
            figures: `${ambientC} °C + ${rise.toFixed(1)} K`,
            result: { value: reachedC, dimension: 'temperature' },
          },
        ],
        assumed: [...dayAssumed(context), 'Begins at the air’s temperature; the same rise on a hot day.'],
      },
    ];
  },
};

const packHeat: Rule<Context> = {
  id: 'drive.pack-heat',
  station: 'drive',
  sources: ['Heat of the cells’ resistance on the usual trip; discharge window of the chemistry (generic)'],
  judge: (context) => {
    const waiting = needsRun(context);
    if (waiting) return [{ ...waiting, subject: PACK_REF }];
    const cell = context.vehicle.devices.flatMap((device) => partOf(device, 'cell') ?? [])[0];
    if (!context.trip || !cell) return [];
    const { ambientC, reachedC, rise } = hottest(context, ({ packMostC }) => packMostC);
    const limitC = dischargeWindowC(cell.chemistry).mostC;
    return [
      {
        subject: PACK_REF,
        demand: { value: reachedC, dimension: 'temperature' },
        limit: { value: limitC, dimension: 'temperature' },
        margin: marginOfRise(reachedC, limitC, ambientC),
        lines: () => [
          {
            formula: 'T = T_hottest day + rise on the trip',
            figures: `${ambientC} °C + ${rise.toFixed(1)} K`,
            result: { value: reachedC, dimension: 'temperature' },
          },
        ],
        assumed: [...dayAssumed(context), 'Begins at the air’s temperature, boxes in the shade; 8 W/K leave them.'],
      },
    ];
  },
};

export const TRIP_RULES: readonly Rule<Context>[] = [range, claim, follows, gives, getsHome, motorHeat, packHeat];
