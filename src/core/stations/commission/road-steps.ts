import { quantityText as q } from '../../checks';
import type { Context } from '../context';
import { look, measure, type Step, stepId, unknown, within } from './step';

/** Consumption on a real road against the trip (engineering judgement). */
const ROAD_SHARE = 0.25;

export function roadSteps({ trip, tripKey }: Context): readonly Step[] {
  const sheet = 'road' as const;
  const steps: Step[] = [
    look({
      id: stepId('road-brakes'),
      sheet,
      name: 'Brakes first: straight, from walking pace, then faster',
      where: 'private ground, low power',
      ifNot: 'Back to the stands.',
    }),
    look({
      id: stepId('road-let-go'),
      sheet,
      name: 'Accelerator let go: it slows down, lamps as they should be',
      where: 'private ground',
      ifNot: 'Regeneration or pedal ends are set wrong.',
    }),
    look({
      id: stepId('road-feel'),
      sheet,
      name: 'After the first drive no lug, plug or fuse is hotter than its neighbours',
      where: 'thermometer gun at every joint, contactor, fuse',
      switches: 'covers off only after the dead-working routine',
      ifNot: 'A hot joint is a loose one: torque it dead.',
      dead: true,
      endangers: 'fire',
    }),
  ];
  const perKm = trip?.mild.energyPerKmWh ?? null;
  if (perKm !== null)
    steps.push(
      measure({
        id: stepId('consumption'),
        sheet,
        name: 'Consumption of the range run',
        where: 'energy out of the pack over the distance',
        switches: 'usual trip, from full',
        dimension: 'consumption',
        ...within(perKm, ROAD_SHARE),
        from: 'the usual trip as driven by the model on a mild day, ± 25 %',
        ifLow: 'Downhill, wind from behind; a good sign.',
        ifHigh: 'Brakes that drag, tyres soft, wind; or mass and drag are more than entered.',
        endangers: 'comfort',
      }),
    );
  else
    steps.push(
      unknown({
        id: stepId('consumption'),
        sheet,
        name: 'Consumption of the range run',
        where: 'energy out of the pack over the distance',
        dimension: 'consumption',
        lacks: tripKey === null ? 'the usual trip, in Drive' : 'the usual trip, which is being driven',
        pending: tripKey !== null,
        endangers: 'comfort',
      }),
    );
  steps.push(
    look({
      id: stepId('torque-100'),
      sheet,
      name: 'Torque list again after the first days',
      where: `every bolted joint of the traction circuit, after ${q(100000, 'distance')}`,
      switches: 'dead',
      ifNot: 'Tighten, mark, and look again after as much.',
      dead: true,
      endangers: 'fire',
    }),
    look({
      id: stepId('recheck-1000'),
      sheet,
      name: 'Everything looked over again',
      where: `cables, clamps, hoses, mounts, insulation, after ${q(1000000, 'distance')}`,
      switches: 'dead',
      ifNot: 'Mend it, and write it in the logbook.',
      dead: true,
      endangers: 'fire',
    }),
  );
  return steps;
}

export const handOverSteps = (): readonly Step[] => [
  look({
    id: stepId('licensed-brakes'),
    sheet: 'hand-over',
    name: 'Brakes and steering looked at by a licensed person',
    where: 'as local rules ask',
    ifNot: 'Not on the road before.',
  }),
  look({
    id: stepId('licensed-electric'),
    sheet: 'hand-over',
    name: 'Traction system looked at by whoever local rules ask for',
    where: 'with these sheets and the build pack',
    ifNot: 'Not handed over before.',
  }),
  look({
    id: stepId('owner-told'),
    sheet: 'hand-over',
    name: 'Owner knows how to charge, what the lamps mean, where to isolate',
    where: 'owner’s sheet and emergency card in the car',
    ifNot: 'Go through them together.',
    endangers: 'comfort',
  }),
];
