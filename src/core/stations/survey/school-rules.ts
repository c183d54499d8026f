import { type Build, jobOf, type LoadJob, type SchoolId, type Schools } from '../../build';
import type { Finding, Ref } from '../../checks';
import * as propose from '../../proposals';
import { lowVoltage, partOf, type ResolvedConductor, type Vehicle } from '../../vehicle';
import { defineRule } from '../define';

/** Schools in workshop words, as the findings name them. */
export const SCHOOL_WORDS: Readonly<Record<SchoolId, string>> = {
  contactors: 'Contactors',
  fusePosition: 'Main fuse',
  emergencyStop: 'Emergency stop',
  clutch: 'Clutch',
  brakes: 'Brake assist',
  steering: 'Steering assist',
  heating: 'Heating',
  cooling: 'Cooling of the drive',
  ancillaries: 'Belt-driven ancillaries',
  auxiliaryBattery: 'Auxiliary battery',
  bms: 'Battery electronics',
  balance: 'Balance point',
  command: 'Who commands',
  cableRoute: 'Cable route',
};

export const JOB_WORDS: Readonly<Record<LoadJob, string>> = {
  'vacuum-pump': 'a vacuum pump',
  'brake-booster': 'an electric brake booster',
  'steering-pump': 'an electro-hydraulic pump',
  'column-assist': 'an electric steering assist',
  'coolant-pump': 'a coolant pump',
  blower: 'a heater blower',
  seat: 'heated seats',
  'screen-heat': 'a heated windscreen',
  'control-unit': 'a control unit',
  bms: 'battery electronics',
  'charge-gauge': 'a charge gauge',
  tachometer: 'a tachometer driver',
  'cabin-lamp': 'a lamp for the inside',
};

/** The loads of the 12-volt schedule that do this job. */
export const doesJob = (vehicle: Vehicle, job: LoadJob): boolean =>
  lowVoltage(vehicle).loads.some(({ load }) => load.job === job);

const hasDevice = ({ devices }: Vehicle, kind: string): boolean => devices.some(({ device }) => device.kind === kind);
/** Chemistries of the traction cells; null while a box has no cells told. */
function chemistries({ devices }: Vehicle): ReadonlySet<string> | null {
  const boxes = devices.filter(({ device }) => device.kind === 'box');
  const cells = boxes.map((box) => partOf(box, 'cell')?.chemistry);
  return boxes.length === 0 || cells.includes(undefined) ? null : new Set(cells as string[]);
}

/** What a school meets in the build: something is lacking (in words), something contradicts it, or it holds and how. */
type Answer = { readonly lacks: string } | { readonly against: string } | { readonly holds: string };
type Judge<K extends SchoolId> = (choice: NonNullable<Schools[K]>, vehicle: Vehicle, build: Build) => Answer;

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

/** Asked only once the load that the choice needs is in the schedule. */
const JUDGES: { readonly [K in SchoolId]?: Judge<K> } = {
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
  balance: (choice, _, { schools }) =>
    choice === 'bottom' && schools.bms === 'shunts'
      ? { against: 'balanced at the bottom, and shunts that balance at the top' }
      : { holds: choice === 'top' ? 'equal when full' : 'equal when empty: charge ends with the first full cell' },
  command: (choice) => (choice === 'motor-controller' ? { holds: 'the motor controller alone' } : fed('control unit')),
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

export const schoolRule = defineRule({
  id: 'survey.school',
  endangers: 'people',
  says: { fails: '{subject}: the build says otherwise', holds: '{subject}', line: '{detail}', open: '{subject}' },
  sources: ['What a school of the trade asks for stands in the build, and nothing in the build contradicts it'],
  judge: ({ vehicle }) => {
    const { build } = vehicle;
    return (Object.keys(JUDGES) as SchoolId[]).flatMap((id): Finding<'detail'>[] => {
      const choice = build.schools[id];
      const subject: Ref = { kind: 'build', id: `school-${id}`, name: SCHOOL_WORDS[id] };
      if (choice === undefined)
        return id === 'bms' && hasDevice(vehicle, 'box')
          ? [{ subject, missing: [{ ref: subject, what: 'what keeps every cell inside its limits' }] }]
          : [];
      const job = jobOf(build.schools, id);
      const answer: Answer =
        job !== undefined && !doesJob(vehicle, job)
          ? { lacks: `${JOB_WORDS[job]} in the 12-volt schedule` }
          : (JUDGES[id] as Judge<SchoolId>)(choice, vehicle, build);
      if ('lacks' in answer) return [{ subject, missing: [{ ref: subject, what: answer.lacks }] }];
      if ('against' in answer) return [{ subject, holds: false, figures: { detail: answer.against } }];
      return [{ subject, holds: true, figures: { detail: answer.holds } }];
    });
  },
  remedies: [propose.askedLoad],
});
