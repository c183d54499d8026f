import { parseTyre } from '../../physics/tyre';
import {
  aBody,
  type BodyType,
  type Category,
  type Duty,
  type LossId,
  type LossState,
  OWN_LIMITS,
  type OwnLimit,
  type OwnTrip,
  type Regeneration,
  type TripId,
  type VehicleData,
} from '../types';
import { define } from './definition';
import { EditRefused } from './refused';

/** What Survey and Drive ask beside plain figures. */
export const SURVEY_EDITS = {
  setTyre: define<{ tyre: string }>({
    title: (_, { tyre }) => `tyres ${tyre.trim()}`,
    apply: (draft, { tyre }) => {
      const answer = parseTyre(tyre);
      if (!answer.ok) throw new EditRefused(answer.reason, 'Read it off the side wall.');
      draft.vehicle.tyre = tyre.trim();
    },
  }),

  setBody: define<{ body: BodyType }>({
    title: (_, { body }) => `it is ${aBody(body)}`,
    apply: (draft, { body }) => {
      draft.vehicle.body = body;
    },
  }),

  setStand: define<{ cut: boolean }>({
    title: (_, { cut }) => `side stand ${cut ? 'cuts the torque' : 'cuts nothing'}`,
    apply: (draft, { cut }) => {
      draft.vehicle.standCut = cut;
    },
  }),

  setCategory: define<{ category: Category }>({
    title: (_, { category }) => `category ${category}`,
    apply: (draft, { category }) => {
      draft.vehicle.category = category;
    },
  }),

  setStartingPoint: define<{ startingPoint: NonNullable<VehicleData['startingPoint']> }>({
    title: (_, { startingPoint }) =>
      ({
        'engine-out': 'the engine comes out',
        extend: 'an electric vehicle is extended',
        repack: 'an electric vehicle gets another pack',
        redrive: 'an electric vehicle gets another drive',
        repair: 'a repair',
      })[startingPoint],
    apply: (draft, { startingPoint }) => {
      draft.vehicle.startingPoint = startingPoint;
    },
  }),

  describeVehicle: define<{ description: string }>({
    title: () => 'describe the vehicle',
    apply: (draft, { description }) => {
      if (description.length > 2000)
        throw new EditRefused('That is more than 2000 characters.', 'Say it shorter; notes have more room.');
      draft.vehicle.description = description;
    },
  }),

  /** First gear first; each lower than the one before. */
  setGears: define<{ gearRatios: readonly number[] }>({
    title: (_, { gearRatios }) => `gears ${gearRatios.join(', ')}`,
    apply: (draft, { gearRatios }) => {
      if (gearRatios.length === 0 || gearRatios.length > 12)
        throw new EditRefused('A gearbox has 1 to 12 gears.', 'Write the ratios with commas, first gear first.');
      gearRatios.forEach((ratio, k) => {
        if (!(ratio > 0 && ratio <= 100))
          throw new EditRefused(
            `Gear ${k + 1} has no ratio above 0 and up to 100.`,
            'Write the ratios with commas, first gear first.',
          );
        if (k > 0 && ratio >= gearRatios[k - 1]!)
          throw new EditRefused(
            `Gear ${k + 1} (${ratio}) is not longer than gear ${k} (${gearRatios[k - 1]}).`,
            'Write first gear, the largest ratio, first; each one after it is smaller.',
          );
      });
      draft.vehicle.gearRatios = [...gearRatios];
    },
  }),

  /** Square metres of drag, C_d times the frontal area; null: as the body's. */
  setDragArea: define<{ dragAreaM2: number | null }>({
    title: (_, { dragAreaM2 }) => `drag area ${dragAreaM2 === null ? 'as its body' : `${dragAreaM2} m²`}`,
    apply: (draft, { dragAreaM2 }) => {
      if (dragAreaM2 === null) delete draft.vehicle.dragAreaM2;
      else if (dragAreaM2 > 0 && dragAreaM2 <= 20) draft.vehicle.dragAreaM2 = dragAreaM2;
      else
        throw new EditRefused('A drag area is above 0 and at most 20 m².', 'Type drag coefficient times frontal area.');
    },
  }),

  setLoss: define<{ loss: LossId; state: LossState | null }>({
    title: (_, { loss, state }) => `${loss.replace('-', ' ')}: ${state ?? 'open'}`,
    apply: (draft, { loss, state }) => {
      const losses = { ...draft.losses };
      if (state === null) delete losses[loss];
      else losses[loss] = state;
      draft.losses = losses;
    },
  }),

  setTrip: define<{ tripId: TripId | 'own' }>({
    title: (_, { tripId }) => `usual trip: ${tripId}`,
    apply: (draft, { tripId }) => {
      if (tripId === 'own' && !draft.duty.ownTrip)
        throw new EditRefused('There is no trip of your own yet.', 'Bring one in as GPX or CSV.');
      draft.duty.tripId = tripId;
    },
  }),

  /** Takes a trip that was read from a file as the usual one. */
  setOwnTrip: define<OwnTrip>({
    title: (_, { name }) => `bring in the trip ${name}`,
    apply: (draft, { name, speedsMPerS, grades }) => {
      if (speedsMPerS.length < 2 || speedsMPerS.length > 36001 || grades.length !== speedsMPerS.length)
        throw new EditRefused(
          'A trip has two points to ten hours of them, with a grade for each.',
          'Read the file again.',
        );
      draft.duty.ownTrip = { name: name.slice(0, 120) || 'Trip', speedsMPerS: [...speedsMPerS], grades: [...grades] };
      draft.duty.tripId = 'own';
    },
  }),

  /** How the motor brakes: as asked by the driver, and whether that lights the brake lamps. */
  setRegeneration: define<Pick<Regeneration, 'asked' | 'lampLit'>>({
    title: (_, { asked, lampLit }) =>
      asked
        ? `regeneration: ${asked.replace('-', ' ')}`
        : lampLit
          ? 'regeneration lights the lamps'
          : 'no lamps lit by regeneration',
    apply: (draft, input) => {
      draft.regeneration = { ...draft.regeneration, ...input };
    },
  }),

  /** A limit of one's own; null: none. */
  setOwnLimit: define<{ limit: OwnLimit; value: number | null }>({
    title: (_, { limit, value }) => `own limit ${limit}: ${value === null ? 'none' : value}`,
    apply: (draft, { limit, value }) => {
      if (!OWN_LIMITS.includes(limit))
        throw new EditRefused(`There is no limit called "${limit}".`, 'Choose one of the list.');
      const limits = { ...draft.ownLimits };
      if (value === null) delete limits[limit];
      else if (value > 0 && value <= 1e6) limits[limit] = value;
      else throw new EditRefused('A limit is a number above zero.', 'Type it as the rule says it, or empty the field.');
      draft.ownLimits = limits;
    },
  }),

  setPowersFrom: define<{ powersFrom: NonNullable<Duty['powersFrom']> }>({
    title: (_, { powersFrom }) =>
      powersFrom === 'vehicle' ? 'currents follow from the vehicle' : 'currents from typed powers',
    apply: (draft, { powersFrom }) => {
      draft.duty.powersFrom = powersFrom;
    },
  }),
};
