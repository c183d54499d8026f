import type { Ancillary, AncillaryFlag, Build, SchoolOf } from '../../build';
import { cataloguePart } from '../../parts';
import { both, type Change, edit, reEnd, refit } from './change';
import { figure } from './charge-changes';

export const answer = (system: Ancillary, flag: AncillaryFlag, is: boolean) =>
  edit({ edit: 'answerAncillary', input: { system, flag, is } });
export const vacuumSwitch = (onPa: number, offPa: number) => edit({ edit: 'setVacuumSwitch', input: { onPa, offPa } });
export const steering = (choice: SchoolOf<'steering'>) => edit({ edit: 'setSchool', input: { steering: choice } });
export const brakes = (choice: SchoolOf<'brakes'>) => edit({ edit: 'setSchool', input: { brakes: choice } });
/** Figures of a system without one that is left out. */
export const without =
  (system: Ancillary, field: string): Change =>
  (build: Build) => {
    const { [field]: _, ...others } = build[system] as Record<string, unknown>;
    return { ...build, [system]: others } as Build;
  };
export const load =
  (id: string, more: Partial<NonNullable<Build['circuits']['lv']['devices'][string]['load']>>): Change =>
  (build) =>
    edit({
      edit: 'setLowLoad',
      input: { deviceId: id, load: { ...build.circuits.lv.devices[id]!.load!, ...more } },
    })(build);
/** An electric booster among the loads, joined like the others of its kind. */
export const booster: Change = both(
  brakes('electric-booster'),
  load('low-vacuum-pump-load', { job: 'brake-booster', essential: true }),
  figure('masterBore', 0.0254),
  figure('masterStroke', 0.036),
  figure('brakeFluid', 0.012),
  answer('brakes', 'fluidAbove', true),
);
/** What fed the relay of this load feeds the load. */
export const pastRelay: Change = (build) => {
  const relay = 'low-vacuum-pump-relay';
  const wires = Object.values(build.circuits.lv.conductors);
  const at = (terminal: string) =>
    wires.find(({ a, b }) => [a, b].some((end) => end.deviceId === relay && end.terminal === terminal))!;
  const [before, after] = [at('a'), at('b')];
  const other = before.a.deviceId === relay ? before.b : before.a;
  const side = after.a.deviceId === relay ? 'a' : 'b';
  return reEnd(after.id, side, `${other.deviceId}.${other.terminal}`)(build);
};
/** A pass to be driven down. */
export const pass = both(figure('hillGrade', 0.12), figure('hillSpeed', 12));
/** A compressor on the bus, its three questions answered. */
export const conditioned: Change = both(
  edit({
    edit: 'addBranch',
    input: {
      seed: 'ac',
      device: { kind: 'compressor', name: 'Compressor', partId: 'compressor-400-2500' },
      part: cataloguePart('compressor-400-2500', 'bus-device'),
      fuse: cataloguePart('fuse-traction-500-32', 'fuse'),
      cable: cataloguePart('cable-plain-4', 'cable'),
      lengthM: 1,
    },
  }),
  answer('cabin', 'acOil', true),
  answer('cabin', 'acFan', true),
  answer('cabin', 'acLicensed', true),
);
export const noBattery: Change = (build) => {
  const battery = Object.values(build.circuits.lv.devices).find(({ kind }) => kind === 'auxiliary-battery')!;
  return edit({ edit: 'removeDevice', input: { deviceId: battery.id } })(build);
};
/** A plain element for another voltage. */
export const elementFor = (resistanceAtV: number): Change => refit('heater', 'bus-device', { resistanceAtV });
export const electric = load('low-steering-pump-load', { job: 'column-assist' });
export const column = both(
  steering('column'),
  electric,
  figure('columnTorque', 35),
  answer('steering', 'speedTold', true),
  answer('steering', 'safeDefault', true),
  figure('columnFull', 15 / 3.6),
  figure('columnNone', 55 / 3.6),
);

/** A belt that was kept, on a motor that idles. */
export const belt: Change = both(
  edit({ edit: 'setSchool', input: { ancillaries: 'belt' } }),
  answer('steering', 'idles', true),
  figure('beltPower', 300),
);
export const bySpeed: Change = both(steering('pump-by-speed'), answer('steering', 'pumpsOn', true));

/** That compressor takes most of its cold out of the cells. */
export const chills: Change = (build) => {
  const compressor = Object.values(build.circuits.hv.devices).find(({ kind }) => kind === 'compressor')!;
  return edit({ edit: 'setCoolsCells', input: { deviceId: compressor.id, powerW: 4500 } })(build);
};

/** No measured flow: a pump of 40 kPa and 20 l/min on a loop that takes 20 kPa at 10 l/min. */
export const withoutFlow: Change = both(
  without('cooling', 'flowLPerMin'),
  figure('pumpHead', 40000),
  figure('pumpFree', 20),
  figure('loopDrop', 20000),
  figure('loopDropAt', 10),
);
