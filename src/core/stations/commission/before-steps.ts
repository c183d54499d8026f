import { hasTrait } from '../../build';
import { quantityText as q } from '../../checks';
import { dataLines, fromBuild, harnessOf, type ResolvedDevice, type Wiring } from '../../vehicle';
import type { Context } from '../context';
import { atLeast, atMost, look, measure, type Step, stepId, within } from './step';

/** New cable to the body and to its shield, Ω (good practice of the trade). */
const CABLE_OHM = 100e6;
/** From the case of every traction device to the body, Ω (ISO 6469-3: under 0.1 Ω). */
const BOND_OHM = 0.1;
/** Of two terminators of 120 Ω side by side, with their tolerances (ISO 11898-2: 118 to 130 Ω each). */
const LINE_SHARE = 0.09;

const CASED: ReadonlySet<string> = new Set([
  'box',
  'motor',
  'inverter',
  'charger',
  'charger-converter',
  'converter',
  'heater',
  'compressor',
]);

/** Traction devices with a case of metal that somebody can touch. */
export const casedDevices = ({ vehicle }: Context): readonly ResolvedDevice[] =>
  vehicle.devices.filter(({ device }) => CASED.has(device.kind) || hasTrait(device.kind, 'leaks'));

const landedShare = fromBuild((vehicle: Wiring): number => {
  const ends = harnessOf(vehicle).wires.flatMap(({ circuit, ends: { a, b } }) => (circuit === 'hv' ? [] : [a, b]));
  return ends.length === 0
    ? 1
    : ends.filter(({ state, wrong }) => wrong === null && state === 'tested').length / ends.length;
});

/** Before anything is joined to the cells. */
export function beforeSteps(context: Context): readonly Step[] {
  const { vehicle, fullV, rules } = context;
  const sheet = 'before-hv' as const;
  const testV = (fullV ?? 0) > 500 ? 1000 : 500;
  const looks: readonly (readonly [string, string, string, string])[] = [
    [
      'torque',
      'Torque list gone through, each joint marked',
      'every bolted joint of the traction circuit',
      'Tighten with the wrench, mark, then go on: a loose lug burns under load.',
    ],
    [
      'polarity',
      'Polarity marked at every lug and box',
      'plus and minus of each cable',
      'Ring each cable out and mark it before it is landed.',
    ],
    [
      'covers',
      'Covers on, nothing left inside',
      'boxes, junction box, inverter',
      'Count the tools; look under every cover.',
    ],
    [
      'brakes',
      'Mechanical brakes hold',
      'service and parking brake, pedal firm',
      'Nothing is energised before the car can be held by its brakes.',
    ],
  ];
  const steps: Step[] = looks.map(([id, name, where, ifNot]) =>
    look({ id: stepId(id), sheet, name, where, switches: 'disconnect out, pack not joined', ifNot }),
  );
  for (const { id, conductor } of vehicle.conductors)
    steps.push(
      measure({
        id: stepId('cable-insulation', id),
        sheet,
        name: `Insulation of ${conductor.name}`,
        where: 'conductor to its shield and to the body, both ends free',
        switches: `insulation tester at ${q(testV, 'voltage')}, neither end landed`,
        dimension: 'resistance',
        ...atLeast(CABLE_OHM),
        from: `a new cable has ${q(CABLE_OHM, 'resistance')} and more (good practice)`,
        ifLow:
          'Shield strands at the lug, a nick from pulling in, water in the duct; dry it, look at both ends, read again.',
        caution:
          'The tester’s voltage bites, and a long cable keeps it: discharge it through the tester before you touch.',
        dead: true,
        subjectId: id,
      }),
    );
  for (const device of casedDevices(context))
    steps.push(
      measure({
        id: stepId('bond', device.id),
        sheet,
        name: `Bond of ${device.device.name}`,
        where: 'bare metal of its case to the body, four-wire or leads zeroed',
        switches: 'everything off',
        dimension: 'resistance',
        ...atMost(BOND_OHM),
        from: `ISO 6469-3: under ${q(BOND_OHM, 'resistance')}`,
        ifHigh: 'Paint or oil under the lug, a loose bolt, a strap that is missing.',
        subjectId: device.id,
      }),
    );
  for (const line of dataLines(vehicle)) {
    const names = line.nodes.filter(({ passes }) => !passes).map(({ name }) => name);
    const ids = {
      id: stepId('can', line.id),
      sheet,
      name: `CAN bus of ${names.slice(0, 3).join(', ')}${names.length > 3 ? ' and more' : ''}`,
      where: 'high to low, at any plug of the bus',
      switches: 'everything off, all plugs in',
      dimension: 'resistance' as const,
      endangers: 'parts' as const,
      ifLow: 'A third terminator, or high and low touch.',
      ifHigh: 'About 120 Ω: one terminator is missing; open: a wire is.',
    };
    steps.push(
      measure({
        ...ids,
        // Two terminators belong on it, whatever was drawn: what the design lacks is the business of Harness.
        ...within(60, LINE_SHARE),
        from: 'two terminators of 120 Ω side by side',
      }),
    );
  }
  if (harnessOf(vehicle).wires.some(({ circuit }) => circuit !== 'hv'))
    steps.push(
      look({
        id: stepId('low-continuity'),
        sheet,
        name: 'Every 12 V and signal wire rung out, end to end and to its neighbours',
        where: `by the list of Harness: ${Math.floor(100 * landedShare(vehicle))} % of the ends are ticked as tested there`,
        switches: '12 V battery off',
        ifNot: 'Swapped pins and shorts are found now with a buzzer, later with smoke.',
        endangers: 'fire',
      }),
    );
  if ((fullV ?? 0) > rules.classBDcV.value)
    steps.push(
      look({
        id: stepId('gear'),
        sheet,
        name: 'Gloves in date, meter proved, second person knows what to do',
        where:
          'class 0 gloves with leather over them, CAT III 1000 V meter, insulated tools, hook, extinguisher, area marked',
        ifNot: 'No traction work without them.',
        two: true,
      }),
    );
  return steps;
}
