import type { Draft } from 'immer';
import type { CablePart } from '../../parts/types';
import { formatQuantity } from '../../quantities/format';
import {
  type Build,
  type Exposure,
  findConductor,
  findDevice,
  type Laid,
  own,
  type Point,
  type Route,
  type RouteFacts,
  type Size,
} from '../types';
import { define } from './definition';
import { addPart, conductorToEdit, deviceToEdit, pruneParts, retireAdoptions } from './helpers';
import { EditRefused } from './refused';
import { INGRESS } from './wire-edits';

const nameOf = (build: Build, id: string): string => findDevice(build, id)?.name ?? 'a device';
const routeToEdit = (draft: Draft<Build>, id: string): Draft<Route> => {
  const route = own(draft.routes, id);
  if (!route) throw new EditRefused('That route is no longer in the build.', 'Lay a new one.');
  return route as Draft<Route>;
};

/** The frame that the vehicle can lie in, m: further out is a slip of the pen. */
const FARTHEST_M = 20;
function refuseFar(point: Partial<Point>): void {
  for (const value of [point.xM, point.yM, point.zM])
    if (value !== undefined && !(Math.abs(value) <= FARTHEST_M))
      throw new EditRefused('That is more than 20 m from the front axle.', 'Type metres behind the front axle.');
}

/** A point outside the vehicle, where its outline was told. */
function refuseOutside({ vehicle, chassis }: Draft<Build>, { xM, yM }: Point): void {
  const { frontOverhangM, rearOverhangM, widthM } = chassis ?? {};
  if (frontOverhangM !== undefined && xM < -frontOverhangM)
    throw new EditRefused(
      `That is ${formatQuantity({ value: -frontOverhangM - xM, dimension: 'length' }).text} in front of the vehicle.`,
      'Place it behind the bumper, or correct the overhang in Survey.',
    );
  if (rearOverhangM !== undefined && vehicle.wheelbaseM !== null && xM > vehicle.wheelbaseM + rearOverhangM)
    throw new EditRefused(
      `That is ${formatQuantity({ value: xM - vehicle.wheelbaseM - rearOverhangM, dimension: 'length' }).text} behind the vehicle.`,
      'Place it before the rear end, or correct the overhang in Survey.',
    );
  if (widthM !== undefined && Math.abs(yM) > widthM / 2)
    throw new EditRefused(
      `That is ${formatQuantity({ value: Math.abs(yM) - widthM / 2, dimension: 'length' }).text} beside the vehicle.`,
      'Place it within its width, or correct the width in Survey.',
    );
}

const millimetre = (value: number): number => Math.round(value * 1000) / 1000;
const rounded = ({ xM, yM, zM }: Point): Point => ({ xM: millimetre(xM), yM: millimetre(yM), zM: millimetre(zM) });

/** Puts one device to a point; what sits inside it moves along. */
function place(
  draft: Draft<Build>,
  { deviceId, zoneId, usual, ...to }: { deviceId: string; zoneId: string; usual?: true } & Partial<Point>,
): void {
  const device = deviceToEdit(draft, deviceId);
  if (!own(draft.zones, zoneId)) throw new EditRefused('That place is not in the build.', 'Choose another place.');
  refuseFar(to);
  const before = device.place ?? { xM: 0, yM: 0, zM: 0.5, zoneId };
  const next = rounded({ xM: to.xM ?? before.xM, yM: to.yM ?? before.yM, zM: to.zM ?? before.zM });
  refuseOutside(draft, next);
  const moved = { x: next.xM - before.xM, y: next.yM - before.yM, z: next.zM - before.zM };
  const knew = device.place !== null;
  device.place = { ...next, zoneId, ...(usual ? { usual } : {}) };
  for (const circuit of [draft.circuits.hv, draft.circuits.lv])
    for (const other of Object.values(circuit.devices)) {
      if (other.insideId !== deviceId) continue;
      other.place =
        other.place && knew
          ? {
              ...rounded({
                xM: other.place.xM + moved.x,
                yM: other.place.yM + moved.y,
                zM: other.place.zM + moved.z,
              }),
              zoneId,
            }
          : { ...next, zoneId };
    }
}

export const PLAN_EDITS = {
  setZone: define<{ zoneId: string; ambientC?: number; exposure?: readonly Exposure[]; ingress?: string }>({
    title: (build, { zoneId, ambientC }) =>
      `${own(build.zones, zoneId)?.name ?? 'place'}${ambientC === undefined ? ': what gets at it' : ` at ${formatQuantity({ value: ambientC, dimension: 'temperature' }).text}`}`,
    apply: (draft, { zoneId, ambientC, exposure, ingress }) => {
      const zone = own(draft.zones, zoneId);
      if (!zone) throw new EditRefused('That place is no longer in the build.', 'Choose another place.');
      if (ambientC !== undefined) {
        if (!(ambientC >= -60 && ambientC <= 200))
          throw new EditRefused('An ambient is between −60 and 200 °C.', 'Type the hottest air that stays there.');
        zone.ambientC = ambientC;
      }
      if (exposure !== undefined) zone.exposure = [...exposure];
      if (ingress !== undefined) {
        if (!INGRESS.test(ingress))
          throw new EditRefused('That is no protection class.', 'Write it as IP67: IP and two digits.');
        zone.ingress = ingress;
      }
    },
  }),

  /** Puts a device to a point of the vehicle's frame; what sits inside it moves along. */
  placeDevice: define<{ deviceId: string; zoneId: string } & Partial<Point>>({
    title: (build, { deviceId }) => `move ${nameOf(build, deviceId)}`,
    apply: place,
  }),

  /** Several at once, as one step that can be undone. */
  placeDevices: define<{ places: readonly (Point & { readonly deviceId: string; readonly zoneId: string })[] }>({
    title: (_, { places }) =>
      `put ${places.length} ${places.length === 1 ? 'device' : 'devices'} where they usually go`,
    apply: (draft, { places }) => {
      for (const one of places) place(draft, { ...one, usual: true });
    },
  }),

  setSize: define<{ deviceId: string; sizeM: Size | null }>({
    title: (build, { deviceId }) => `measures of ${nameOf(build, deviceId)}`,
    apply: (draft, { deviceId, sizeM }) => {
      const device = deviceToEdit(draft, deviceId);
      if (sizeM === null) delete device.sizeM;
      else if (Object.values(sizeM).every((value) => value > 0 && value <= 5)) device.sizeM = sizeM;
      else throw new EditRefused('A measure is above 0 and at most 5 m.', 'Measure it over its lugs.');
    },
  }),

  putInside: define<{ deviceId: string; boxId: string | null }>({
    title: (build, { deviceId, boxId }) =>
      boxId
        ? `${nameOf(build, deviceId)} sits in ${nameOf(build, boxId)}`
        : `${nameOf(build, deviceId)} sits by itself`,
    apply: (draft, { deviceId, boxId }) => {
      const device = deviceToEdit(draft, deviceId);
      if (boxId === null) delete device.insideId;
      else if (boxId === deviceId || findDevice(draft as Build, boxId)?.kind !== 'box')
        throw new EditRefused('Only a box holds other devices.', 'Choose a box.');
      else device.insideId = boxId;
    },
  }),

  /** A route for some conductors, through given points; their own lengths go, the way gives them now. */
  layRoute: define<{
    routeId: string;
    name: string;
    conductorIds: readonly string[];
    waypoints: readonly Point[];
    laid: Laid;
    slackM: number;
  }>({
    title: (_, { name }) => `lay the route ${name}`,
    apply: (draft, { routeId, name, conductorIds, waypoints, laid, slackM }) => {
      if (own(draft.routes, routeId)) throw new EditRefused(`The id "${routeId}" is used already.`, 'Make a fresh id.');
      if (conductorIds.length === 0) throw new EditRefused('A route is for a conductor.', 'Choose one or more.');
      if (!own(draft.zones, laid.zoneId)) throw new EditRefused('That place is not in the build.', 'Choose another.');
      for (const point of waypoints) refuseFar(point);
      draft.routes[routeId] = {
        id: routeId,
        name: name.slice(0, 120) || 'Route',
        waypoints: waypoints.map(rounded),
        slackM,
        measuredLengthM: null,
        laid: { ...laid },
        endsFollow: true,
      };
      for (const id of conductorIds) {
        const conductor = conductorToEdit(draft, id);
        conductor.routeId = routeId;
        conductor.lengthM = null;
        conductor.laid = null;
      }
    },
  }),

  /** Moves, adds (at the index) or takes out (point null) a waypoint. */
  setWaypoint: define<{ routeId: string; index: number; point: Point | null; insert?: boolean }>({
    title: (build, { routeId, point }) =>
      `${point ? 'bend' : 'straighten'} ${own(build.routes, routeId)?.name ?? 'a route'}`,
    apply: (draft, { routeId, index, point, insert }) => {
      const route = routeToEdit(draft, routeId);
      if (point) {
        refuseFar(point);
        refuseOutside(draft, point);
      }
      if (index < 0 || index > route.waypoints.length - (insert ? 0 : 1))
        throw new EditRefused('That waypoint is no longer there.', 'Choose another one.');
      if (point && insert && route.waypoints.length >= 200)
        throw new EditRefused('A route has 200 points at most.', 'Take some out.');
      if (!point && !route.endsFollow && route.waypoints.length <= 2)
        throw new EditRefused('A route keeps two points.', 'Remove the route instead.');
      route.waypoints.splice(index, insert && point ? 0 : 1, ...(point ? [rounded(point)] : []));
    },
  }),

  setRoute: define<{
    routeId: string;
    slackM?: number;
    measuredLengthM?: number | null;
    endsFollow?: boolean;
    laid?: Partial<Laid>;
    facts?: RouteFacts;
  }>({
    title: (build, { routeId }) => `change the route ${own(build.routes, routeId)?.name ?? ''}`,
    apply: (draft, { routeId, slackM, measuredLengthM, endsFollow, laid, facts }) => {
      const route = routeToEdit(draft, routeId);
      if (slackM !== undefined) {
        if (!(slackM >= 0 && slackM <= 50))
          throw new EditRefused('Slack is from 0 to 50 m.', 'Type what is left over for rises and bends.');
        route.slackM = slackM;
      }
      if (measuredLengthM !== undefined) {
        if (measuredLengthM !== null && !(measuredLengthM > 0 && measuredLengthM <= 100))
          throw new EditRefused(
            'A route of no length is no route: above 0 and at most 100 m.',
            'Measure along the way, or empty the field.',
          );
        route.measuredLengthM = measuredLengthM;
      }
      if (endsFollow !== undefined) route.endsFollow = endsFollow;
      if (laid) {
        if (laid.zoneId !== undefined && !own(draft.zones, laid.zoneId))
          throw new EditRefused('That place is not in the build.', 'Choose another place.');
        Object.assign(route.laid, laid);
      }
      if (facts) route.facts = { ...route.facts, ...facts };
    },
  }),

  /** Takes a route away: its conductors keep the length that they had. */
  dropRoute: define<{ routeId: string; lengths: Readonly<Record<string, number>> }>({
    title: (build, { routeId }) => `take the route ${own(build.routes, routeId)?.name ?? ''} away`,
    apply: (draft, { routeId, lengths }) => {
      const route = routeToEdit(draft, routeId);
      for (const circuit of [draft.circuits.hv, draft.circuits.lv])
        for (const conductor of Object.values(circuit.conductors)) {
          if (conductor.routeId !== routeId) continue;
          conductor.routeId = null;
          conductor.laid = { ...route.laid };
          const length = own(lengths, conductor.id);
          if (length !== undefined && length > 0) conductor.lengthM = length;
        }
      delete draft.routes[routeId];
    },
  }),

  /** Other sizes for several conductors at once, each its own. */
  fitCables: define<{ choices: readonly { readonly conductorId: string; readonly part: CablePart }[] }>({
    title: (build, { choices }) =>
      choices.length === 1
        ? `fit ${choices[0]!.part.areaMm2} mm² to ${findConductor(build, choices[0]!.conductorId)?.name ?? 'a conductor'}`
        : `size ${choices.length} conductors`,
    apply: (draft, { choices }) => {
      for (const { conductorId, part } of choices) {
        const conductor = conductorToEdit(draft, conductorId);
        if (conductor.kind !== 'cable')
          throw new EditRefused(`${conductor.name} is not a cable.`, 'Make it a cable first.');
        addPart(draft, part);
        conductor.partId = part.id;
        retireAdoptions(draft, conductorId);
      }
      pruneParts(draft);
    },
  }),
};
