import { own, type UpkeepMark } from '../../build';
import { driveTrainOf, lowVoltage, partOf } from '../../vehicle';
import type { Context } from '../context';

/** What is done again and again to keep the car as it was built. */
export interface UpkeepTask {
  readonly id: string;
  readonly name: string;
  /** How it is done, and why so often. */
  readonly how: string;
  /** Null: not by that. Usual figures of the trade, or as somebody decided. */
  readonly everyDays: number | null;
  readonly everyM: number | null;
  readonly everyRunS: number | null;
  /** What is measured on it; null: nothing is. */
  readonly wear: WearLimit | null;
  /** Left undone it can hurt somebody. */
  readonly safety: boolean;
  /** Why it is not done on this car; null: it is. */
  readonly off: string | null;
  readonly decided: boolean;
  readonly own: boolean;
}

/** What wears, where it is measured, and how far it may. */
export interface WearLimit {
  readonly what: string;
  /** It gets shorter and thinner, or longer and slacker. */
  readonly way: 'falls' | 'rises';
  /** Of the maker’s sheet or the mark on it; null: nobody entered it. */
  readonly limitM: number | null;
  readonly newM: number | null;
}

const YEAR = 365;
const KM = 1000;
const H = 3600;

type Usual = Omit<UpkeepTask, 'off' | 'decided' | 'own'>;
const task = (
  id: string,
  name: string,
  how: string,
  every: { readonly days?: number; readonly km?: number; readonly hours?: number },
  safety: boolean,
  wear: readonly [string, WearLimit['way']] | null = null,
): Usual => ({
  id,
  name,
  how,
  everyDays: every.days ?? null,
  everyM: every.km === undefined ? null : every.km * KM,
  everyRunS: every.hours === undefined ? null : every.hours * H,
  wear: wear && { what: wear[0], way: wear[1], limitM: null, newM: null },
  safety,
});

/** Upkeep that follows from what is fitted; intervals are practice of the trade where no maker’s sheet says otherwise. */
function usualTasks(context: Context): readonly Usual[] {
  const { vehicle, fullV, rules } = context;
  const { build, devices } = vehicle;
  const { schools } = build;
  const classB = (fullV ?? 0) > rules.classBDcV.value;
  const cells = devices.flatMap((device) => partOf(device, 'cell') ?? []);
  const flooded = cells.some(({ chemistry }) => chemistry === 'lead-flooded');
  const motors = driveTrainOf(build).units?.flatMap(({ part }) => part ?? []) ?? [];
  const brushes = motors.some(({ motorKind }) => motorKind === 'series-dc');
  const wet = schools.cooling === 'liquid' || schools.cooling === 'chill-plate' || schools.heating === 'coolant-heater';
  const air = devices.some((device) => (partOf(device, 'inverter') ?? partOf(device, 'motor'))?.cooling === 'air');
  return [
    task(
      'retorque',
      'Torque of the traction joints',
      'Dead; wrench to the list, mark anew. Joints settle with heat and cold.',
      { days: YEAR, km: 15000 },
      true,
    ),
    ...(classB
      ? [
          task(
            'insulation',
            'Insulation of both poles',
            'Tester, or two voltages and a resistor, in wet weather. Write the figure down: its trend tells first.',
            { days: YEAR },
            true,
          ),
          task(
            'gloves',
            'Gloves: test date, air test',
            'Class 0 gloves are tested again within twelve months (IEC 60903: six for those in use); blow them up before each use.',
            { days: YEAR },
            true,
          ),
        ]
      : []),
    task(
      'stops',
      'Emergency stop, disconnect, interlocks: each opens',
      'One after the other, from ready: the contactors have to be heard.',
      { days: 182 },
      true,
    ),
    task(
      'brakes',
      'Brake linings and pipes',
      'A car that brakes by its motor rusts its discs: look at both sides.',
      { days: YEAR, km: 15000 },
      true,
      ['Thinnest lining', 'falls'],
    ),
    task('brake-fluid', 'Brake fluid', 'It takes water up, whether it is used or not.', { days: 2 * YEAR }, true),
    ...(schools.brakes === 'vacuum-pump'
      ? [
          task(
            'vacuum',
            'Vacuum: leak in five minutes, pull-down time',
            'Pump’s fuse out, gauge at the booster; then stop watch. Check valve.',
            { days: YEAR },
            true,
          ),
        ]
      : []),
    ...(schools.steering?.startsWith('pump')
      ? [task('steering', 'Steering fluid and hoses', 'Level, colour, hoses at the rack.', { days: YEAR }, true)]
      : []),
    ...(lowVoltage(vehicle).battery
      ? [
          task(
            'aux-battery',
            '12-volt battery',
            'Load test, poles, clamps. Without it contactors drop out.',
            { days: YEAR },
            false,
          ),
        ]
      : []),
    ...(wet
      ? [
          task(
            'coolant-level',
            'Coolant level',
            'Cold, at the header. What is missing has gone somewhere.',
            { days: 90 },
            false,
          ),
          task(
            'coolant',
            'Coolant changed',
            'Its corrosion guard is used up; conductivity where cells are cooled.',
            { days: 3 * YEAR },
            false,
          ),
        ]
      : []),
    ...(air
      ? [
          task(
            'filters',
            'Air ways of motor, inverter and charger',
            'Blow out, from inside to outside; filters.',
            { days: YEAR, km: 10000 },
            false,
          ),
        ]
      : []),
    ...(brushes
      ? [
          task(
            'brushes',
            'Brushes and commutator',
            'Length against the mark, springs, dust blown out; it tracks to the body when dirty.',
            { days: YEAR, hours: 300 },
            true,
            ['Shortest brush', 'falls'],
          ),
        ]
      : []),
    ...(build.stage?.kind === 'chain'
      ? [
          task(
            'chain',
            'Chain: tension, oil',
            'Slack at its loosest place; it stretches most when new.',
            { days: 182, km: 3000, hours: 50 },
            false,
            ['Length of the links that are marked', 'rises'],
          ),
        ]
      : []),
    ...(build.stage?.kind === 'v-belt' || build.stage?.kind === 'timing-belt'
      ? [
          task(
            'belt',
            'Belt: tension, cracks',
            'Press it in the middle; dust of rubber tells of slip.',
            { days: YEAR, km: 15000 },
            false,
            ['It gives in the middle', 'rises'],
          ),
        ]
      : []),
    ...(motors.length > 0
      ? [
          task(
            'gear-oil',
            'Oil of gearbox and axle',
            'Oil that stays ages too. No engine warms it: the grade for cold.',
            { days: 5 * YEAR, km: 60000 },
            false,
          ),
        ]
      : []),
    ...(flooded
      ? [
          task(
            'water',
            'Water of the cells',
            'Distilled, after charging, up to the mark. Goggles, gloves, no flame.',
            { days: 30 },
            true,
          ),
          task('equalise', 'Equalising charge', 'Aired, attended, until the gravities agree.', { days: 60 }, false),
        ]
      : []),
    ...(cells.length > 0
      ? [
          task(
            'spread',
            'Spread of the cells, full',
            'An hour after the end of a charge; the same cell again is the one to look at.',
            { days: 90 },
            false,
          ),
          task(
            'capacity',
            'Capacity of the pack',
            'From full to empty at a moderate current, once a year.',
            { days: YEAR },
            false,
          ),
        ]
      : []),
  ];
}

/** Every upkeep of this car, with what somebody decided about it, and one’s own. */
export function upkeepOf(context: Context): readonly UpkeepTask[] {
  const marks = context.vehicle.build.logbook?.upkeep ?? {};
  const usual = usualTasks(context);
  const decidedBy = (one: Usual): UpkeepTask => {
    const mark = own(marks, one.id);
    return {
      ...one,
      ...(mark?.everyDays === undefined ? {} : { everyDays: mark.everyDays }),
      ...(mark?.everyM === undefined ? {} : { everyM: mark.everyM }),
      ...(mark?.everyRunS === undefined ? {} : { everyRunS: mark.everyRunS }),
      wear: one.wear && { ...one.wear, limitM: mark?.wearLimitM ?? null, newM: mark?.wearNewM ?? null },
      off: mark?.off?.trim() || null,
      decided: mark !== undefined,
      own: false,
    };
  };
  const ids = new Set(usual.map(({ id }) => id));
  const mine = Object.values(marks).filter(
    (mark): mark is UpkeepMark & { name: string } => !ids.has(mark.id) && mark.name !== undefined,
  );
  return [
    ...usual.map(decidedBy),
    ...mine.map(
      ({ id, name, everyDays = null, everyM = null, everyRunS = null, off }): UpkeepTask => ({
        id,
        name,
        how: 'one’s own',
        everyDays,
        everyM,
        everyRunS,
        wear: null,
        safety: false,
        off: off?.trim() || null,
        decided: true,
        own: true,
      }),
    ),
  ];
}
