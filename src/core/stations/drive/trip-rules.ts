import { type Finding, marginAtLeast, marginAtMost, marginOfRise, quantityText as q } from '../../checks';
import { dischargeWindowC } from '../../physics/cell';
import { told } from '../../quantities';
import { packCurrentA, type TripResult, WINDING_LIMIT_C, WINDOWS_S } from '../../simulate';
import { hottestAssumed, hottestDayC, isSolved, partOf } from '../../vehicle';
import { amps, type Context, PACK_REF } from '../context';
import { defineRule, type Rule } from '../define';
import { coolingAt, noteOf } from '../thin-air';
import { assumedIn, motorRef, needsRun, ROAD, TRIP } from './shared';

const range = defineRule({
  id: 'drive.range',
  endangers: 'comfort',
  says: {
    fails: 'Winter range is below the daily distance',
    holds: 'Range, aged pack in winter',
    line: '{demand}, {limit} a day is wanted',
    open: 'Range',
  },
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
            note:
              context.trip!.winter.energyPerKmWh === null ? '–' : q(context.trip!.winter.energyPerKmWh, 'consumption'),
          },
        ],
        assumed: [
          ...assumedIn(context),
          'Cold takes capacity besides: not counted, so keep more in hand in deep frost.',
        ],
      },
    ];
  },
  remedies: 'More cells, less speed, a charge on the way, or a shorter day.',
});

const claim = defineRule({
  id: 'drive.claim',
  endangers: 'comfort',
  says: {
    fails: 'More range is promised than there is',
    holds: 'The promised range',
    line: '{demand} promised, {limit} new in mild air',
    open: 'Promised range',
  },
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
  remedies: 'Promise less, or fit more cells.',
});

const follows = defineRule({
  id: 'drive.cruise-covers',
  endangers: 'comfort',
  says: {
    fails: 'The trip takes more for long than cruise does',
    holds: 'Cruise stands for the trip',
    line: '{demand} rms over half an hour, {limit} sustained',
    open: 'Cruise against the trip',
  },
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
    const sustained = Math.max(
      0,
      ...context.vehicle.cases
        .filter(
          // What charges the pack passes other wires than what drives.
          ({ state }) => state.duration === 'sustained' && state.id !== 'charging' && state.closed.length > 0,
        )
        .map((solved) => (isSolved(solved) ? packCurrentA(context.vehicle, solved) : 0)),
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
  remedies: 'Raise the cruise power in Drive until it covers the trip, so that fuses and cables are judged for it.',
});

/** Share of the trip in which it may be slower than the trace (engineering judgement). */
const BEHIND_SHARE = 0.05;

const gives = defineRule({
  id: 'drive.gives',
  endangers: 'comfort',
  says: {
    fails: 'It falls behind on the usual trip',
    holds: 'It keeps up on the usual trip',
    line: '{detail}',
    open: 'The usual trip',
  },
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
  remedies: 'A stronger motor, inverter or pack, or a gentler trip.',
});

const getsHome = defineRule({
  id: 'drive.gets-home',
  endangers: 'comfort',
  says: {
    fails: 'It does not get home from the usual trip',
    holds: 'It gets home from the usual trip',
    line: '{demand} left in winter, driving stops at {limit}',
    open: 'The usual trip',
  },
  variants: {
    stops: {
      fails: 'It does not get home from the usual trip',
      holds: 'It gets home from the usual trip',
      line: 'in winter it stops after {after}, {time}',
    },
  },
  sources: [
    'Charge that is left at the end of the usual trip, aged pack on the coldest day, against where driving stops',
  ],
  judge: (context): Finding<'after' | 'time', 'stops'>[] => {
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
  remedies: 'More cells, a shorter trip, less speed or less heating.',
});

/** Hottest on the hottest day: the rise of the mild run on top of that day's air; cooling is proportional. °C */
const hottest = (
  context: Context,
  most: (run: TripResult) => number,
): { ambientC: number; reachedC: number; rise: number } => {
  const ambientC = hottestDayC(context.vehicle.build);
  const rise = most(context.trip!.mild) - MILD_C;
  return { ambientC, reachedC: ambientC + rise, rise };
};
const MILD_C = 15;
const dayAssumed = ({ vehicle }: Context): readonly string[] => hottestAssumed(vehicle.build);

const motorHeat = defineRule({
  id: 'drive.motor-heat',
  endangers: 'parts',
  says: {
    fails: '{subject} gets too hot on the usual trip',
    holds: '{subject} on the usual trip',
    line: '{demand} of {limit} on the hottest day',
    open: '{subject} on the usual trip',
  },
  sources: [
    `One lump that reaches ${told(140, 'temperature')} (winding of class F, IEC 60085, less ${told(15, 'temperatureDifference')}) at the continuous power in ${told(40, 'temperature')} (IEC 60034-1)`,
    'Losses of the usual trip, generic map; a hot spot is hotter than the lump',
  ],
  judge: (context) => {
    const subject = motorRef(context);
    if (!subject) return [];
    const waiting = needsRun(context);
    if (waiting) return [{ ...waiting, subject }];
    if (!context.trip) return [];
    const { ambientC, rise } = hottest(context, ({ motorMostC }) => motorMostC);
    // Of several motors the one that thin air cools least.
    const airs = context.vehicle.devices.flatMap((device) => {
      const motor = partOf(device, 'motor');
      return motor ? [coolingAt(context.vehicle, motor.cooling)] : [];
    });
    const air = airs.reduce((p, r) => (r.share < p.share ? r : p), airs[0] ?? coolingAt(context.vehicle, undefined));
    // The rise that is rated at the foot of the hill is more where the air is thin.
    const reachedC = ambientC + rise / air.share;
    return [
      {
        subject,
        demand: { value: reachedC, dimension: 'temperature' },
        limit: { value: WINDING_LIMIT_C, dimension: 'temperature' },
        margin: marginOfRise(reachedC, WINDING_LIMIT_C, ambientC),
        lines: () => [
          {
            formula: 'T = T_hottest day + rise on the trip',
            figures: `${told(ambientC, 'temperature', 3)} + ${told(rise, 'temperatureDifference', 3)}${air.share < 1 ? ` / ${air.share.toFixed(2)}` : ''}`,
            result: { value: reachedC, dimension: 'temperature' },
            ...noteOf(air),
          },
        ],
        assumed: [
          ...dayAssumed(context),
          ...air.assumed,
          'Begins at the air’s temperature; the same rise on a hot day.',
        ],
      },
    ];
  },
  remedies: 'Better cooling, a larger motor, or a gentler trip.',
});

const packHeat = defineRule({
  id: 'drive.pack-heat',
  endangers: 'fire',
  says: {
    fails: 'Cells get too hot on the usual trip',
    holds: 'Cells on the usual trip',
    line: '{demand} of {limit} on the hottest day',
    open: 'Cells on the usual trip',
  },
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
            figures: `${told(ambientC, 'temperature', 3)} + ${told(rise, 'temperatureDifference', 3)}`,
            result: { value: reachedC, dimension: 'temperature' },
          },
        ],
        assumed: [...dayAssumed(context), 'Begins at the air’s temperature, boxes in the shade; 8 W/K leave them.'],
      },
    ];
  },
  remedies: 'Cooling for the pack, cells with less resistance, or a gentler trip.',
});

export const TRIP_RULES: readonly Rule[] = [range, claim, follows, gives, getsHome, motorHeat, packHeat];
