import { type Build, jobOf, type SchoolId, type Schools } from '../../build';
import { ruleSetOf } from '../../rules';
import { lowVoltage, partOf, type ResolvedConductor, type Vehicle, wayOf } from '../../vehicle';
import { fullVoltage } from '../context';
import { doesJob } from './school-jobs';

export const hasDevice = ({ devices }: Vehicle, kind: string): boolean =>
  devices.some(({ device }) => device.kind === kind);
/** Chemistries of the traction cells; null while a box has no cells told. */
function chemistries({ devices }: Vehicle): ReadonlySet<string> | null {
  const boxes = devices.filter(({ device }) => device.kind === 'box');
  const cells = boxes.map((box) => partOf(box, 'cell')?.chemistry);
  return boxes.length === 0 || cells.includes(undefined) ? null : new Set(cells as string[]);
}

/** What a school meets in the build: something is lacking (in words), something contradicts it, or it holds and how. */
export type Answer = { readonly lacks: string } | { readonly against: string } | { readonly holds: string };
export type Judge<K extends SchoolId> = (choice: NonNullable<Schools[K]>, vehicle: Vehicle, build: Build) => Answer;

/** Between things that share a box, and the box itself. */
function insideOneBox({ deviceOf }: Vehicle, { conductor: { a, b } }: ResolvedConductor): boolean {
  const [p, q] = [a, b].map(({ deviceId }) => {
    const device = deviceOf.get(deviceId)?.device;
    return device?.kind === 'box' ? device.id : device?.insideId;
  });
  return p !== undefined && p === q;
}

const UNASSISTED = 'without assist, knowingly: a licensed person inspects it';
const fed = (what: string): Answer => ({ holds: `${what}, in the 12-volt schedule` });

/** What stands in the way of the drive's current, in order: before the first box, between boxes, behind the last. Null: no way yet. */
function trunkOf(
  vehicle: Vehicle,
): { readonly plus: string[]; readonly between: string[]; readonly minus: string[] } | null {
  const inverter = vehicle.devices.find(({ device }) => device.kind === 'inverter');
  const way = inverter && wayOf(vehicle, inverter);
  if (!way) return null;
  const [first, last] = [way.ids.indexOf(way.boxIds[0]!), way.ids.lastIndexOf(way.boxIds.at(-1)!)];
  const series = new Set(way.seriesIds);
  const from = (a: number, b: number) => way.ids.slice(a, b).filter((id) => series.has(id));
  return { plus: from(0, first), between: from(first, last), minus: from(last, way.ids.length) };
}

const NO_WAY: Answer = { lacks: 'the traction circuit from pack to inverter, in Pack' };

/** Asked only once the load that the choice needs is in the schedule. */
export const JUDGES: { readonly [K in SchoolId]?: Judge<K> } = {
  contactors: (choice, vehicle, { ruleSet, ownLimits }) => {
    const trunk = trunkOf(vehicle);
    if (!trunk) return NO_WAY;
    const kindOf = (id: string) => vehicle.deviceOf.get(id)?.device.kind;
    const switched = (['plus', 'minus'] as const).filter((pole) =>
      trunk[pole].some((id) => kindOf(id) === 'contactor'),
    );
    if (choice === 'single-pole') {
      if (switched.length === 0) return { against: 'no contactor stands in either pole' };
      return Object.values(trunk).some((ids) => ids.some((id) => kindOf(id) === 'disconnect'))
        ? { holds: `a contactor in ${switched.join(' and ')}, a hand switch takes the pack apart` }
        : { against: 'one main contactor, and no hand switch or disconnect beside it' };
    }
    if (switched.length === 2) return { holds: 'a contactor in each pole' };
    const fullV = fullVoltage(vehicle);
    if (switched.length === 1 && fullV !== null && fullV <= ruleSetOf(ruleSet, ownLimits).classBDcV.value)
      return { holds: 'one pole is switched, which is enough in class A' };
    return { against: switched.length === 0 ? 'no pole is switched' : `only ${switched[0]} is switched` };
  },
  fusePosition: (choice, vehicle) => {
    const trunk = trunkOf(vehicle);
    if (!trunk) return NO_WAY;
    const fuse = (ids: readonly string[]) => ids.some((id) => vehicle.deviceOf.get(id)?.device.kind === 'fuse');
    const [terminal, middle] = [fuse([...trunk.plus, ...trunk.minus]), fuse(trunk.between)];
    if (!terminal && !middle) return { lacks: 'a main fuse, in HV circuit' };
    const wanted = { 'pack-terminal': terminal, 'mid-string': middle, both: terminal && middle }[choice];
    const there =
      terminal && middle ? 'at the terminal and in the middle' : terminal ? 'at the terminal' : 'in the middle';
    return wanted ? { holds: there } : { against: `it stands ${there}${choice === 'both' ? ' only' : ''}` };
  },
  emergencyStop: (choice, vehicle, { circuits: { hv, lv } }) => {
    const byWire = [hv, lv].some(({ devices }) => Object.values(devices).some(({ kind }) => kind === 'emergency-stop'));
    const byHand = vehicle.devices.some((device) => partOf(device, 'disconnect')?.breaksLoad === true);
    const lacking = [
      ...(choice !== 'mechanical' && !byWire ? ['a handle in the feed of the coils, in HV circuit, Safety loop'] : []),
      ...(choice !== 'electrical' && !byHand ? ['a hand switch in the pack’s way that breaks load'] : []),
    ];
    return lacking.length > 0
      ? { lacks: lacking.join(' and ') }
      : {
          holds:
            choice === 'electrical'
              ? 'a handle opens the coils’ feed'
              : choice === 'mechanical'
                ? 'a hand switch breaks the load'
                : 'handle and hand switch',
        };
  },
  brakes: (choice) =>
    choice === 'unassisted'
      ? { holds: UNASSISTED }
      : fed(choice === 'vacuum-pump' ? 'vacuum pump and reservoir' : 'electric booster'),
  steering: (choice) =>
    choice === 'none'
      ? { holds: UNASSISTED }
      : fed(
          choice === 'original-electric'
            ? 'electric as it came'
            : choice === 'column'
              ? 'column assist'
              : 'electric pump',
        ),
  heating: (choice, vehicle) => {
    if (choice === 'seats')
      return hasDevice(vehicle, 'heater') || doesJob(vehicle, 'screen-heat')
        ? { holds: 'seats first, and something clears the screen' }
        : { lacks: 'something that clears the windscreen: seats don’t' };
    return hasDevice(vehicle, 'heater')
      ? fed(choice === 'coolant-heater' ? 'heater on the bus, its coolant pump' : 'heater on the bus, its blower')
      : { lacks: 'a heater on the bus, in HV circuit' };
  },
  cooling: (choice, vehicle) => {
    const cooled = vehicle.devices.filter(({ device }) => device.kind === 'inverter' || device.kind === 'motor');
    const by = (medium: 'air' | 'liquid') =>
      cooled.filter(({ part }) => (part?.kind === 'inverter' || part?.kind === 'motor') && part.cooling === medium);
    const wet = by('liquid');
    if (choice === 'plate')
      return wet.length > 0
        ? {
            against: `${wet.map(({ device }) => device.name).join(' and ')} by its part needs coolant: a plate in air takes nothing out of it`,
          }
        : { holds: 'plate in air: Drive shows the motor’s temperature' };
    // Both are told, and neither has a way for coolant.
    return cooled.length > 0 && by('air').length === cooled.length && choice === 'liquid'
      ? {
          against: `${cooled.map(({ device }) => device.name).join(' and ')} by their parts are cooled by air: coolant has no way through them`,
        }
      : fed('coolant pump');
  },
  ancillaries: (choice, _, { schools }) => {
    if (choice === 'separate') return { holds: 'each its own' };
    if (jobOf(schools, 'steering') !== undefined)
      return { against: 'the belt is kept, and the steering has an electric assist too' };
    if (schools.clutch === undefined) return { lacks: 'the clutch: can the motor turn while the car stands?' };
    return schools.clutch === 'kept'
      ? { holds: 'the motor idles for them while the car stands' }
      : { against: 'without a clutch the motor stands when the car stands, and so do they' };
  },
  auxiliaryBattery: (choice, vehicle) => {
    const { battery } = lowVoltage(vehicle);
    const there = battery !== null;
    if (choice === 'kept')
      return battery?.data
        ? { holds: 'it is there; how long it holds up is judged at 12 V' }
        : { lacks: there ? 'the kind and capacity of the battery' : 'the battery' };
    return there
      ? { against: 'none is chosen, and one is in the 12-volt circuit' }
      : { against: 'none: contactors, brake and steering assist and lamps die with the converter' };
  },
  bms: (choice, vehicle) => {
    if (choice === 'none') {
      const kinds = chemistries(vehicle);
      if (kinds === null) return { lacks: 'the cells, in Pack' };
      if ([...kinds].some((kind) => !kind.startsWith('lead')))
        return { against: 'lithium cells without electronics: nobody stops a cell that is full or empty' };
      return kinds.has('lead-agm')
        ? { against: 'AGM can’t be equalised and watered: it wants regulators on its blocks' }
        : { holds: 'flooded lead: equalised and watered' };
    }
    return choice === 'shunts' ? { holds: 'shunts: the charger has to fall to their current' } : fed('electronics');
  },
  balance: (choice, _, { schools, bms }) =>
    choice === 'bottom' && (schools.bms === 'shunts' || bms?.balanceFromV !== undefined)
      ? {
          against: `balanced at the bottom, and ${schools.bms === 'shunts' ? 'shunts' : 'electronics'} that bleed${schools.bms === 'shunts' ? '' : 's'} at the top`,
        }
      : { holds: choice === 'top' ? 'equal when full' : 'equal when empty: charge ends with the first full cell' },
  command: (choice) =>
    choice === 'motor-controller'
      ? { holds: 'the motor controller alone' }
      : choice === 'hand-switches'
        ? { holds: 'by hand: Interlocks shows what a hand can do wrong' }
        : fed('control unit'),
  cableRoute: (choice, vehicle) => {
    const cables = vehicle.conductors.filter(
      (conductor) => conductor.conductor.kind === 'cable' && !insideOneBox(vehicle, conductor),
    );
    const nowhere = cables.find(({ zone }) => zone === null);
    if (cables.length === 0) return { lacks: 'cables, in HV circuit' };
    if (nowhere) return { lacks: `where ${nowhere.conductor.name} lies` };
    const below = cables.filter(
      ({ zone }) => zone!.id === 'zone-underbody' || (zone!.exposure ?? []).includes('stones'),
    );
    if (choice === 'inside')
      return below.length > 0
        ? { against: `${below[0]!.conductor.name} lies under the floor` }
        : { holds: 'nothing of it lies under the floor' };
    const bare = below.find(({ laid }) => !laid!.conduit);
    if (bare) return { against: `${bare.conductor.name} has no conduit there` };
    return below.length > 0
      ? { holds: 'in conduit; its cover is judged in Cables' }
      : { lacks: 'a cable that lies there' };
  },
};
