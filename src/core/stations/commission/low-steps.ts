import { findDevice } from '../../build';
import { quantityText as q } from '../../checks';
import { loadCurrentA } from '../../physics/auxiliary';
import { coilsA, LOOP_KINDS, parkedA, scheduled, stopTests, testPoints } from '../../simulate';
import { auxiliaryRestV, coilCircuit, lowVoltage, partOf, type Vehicle } from '../../vehicle';
import type { Context } from '../context';
import { atMost, look, measure, type Step, stepId, unknown, within } from './step';

/** A load’s rating is that of a class of things, not of this one (engineering judgement). */
const LOAD_SHARE = 0.3;
const COIL_SHARE = 0.15;
/** Coil wire at the temperature of the shop, tolerance of its maker. */
const VOLT_SHARE = 0.05;
/** A pedal read once more is so far from how it was read (engineering judgement), V. */
const PEDAL_V = 0.15;
/** From here on a load is worth a clamp meter, A. */
const READ_FROM_A = 0.5;

/** Of the battery alone, with the converter off, V; and what a car may draw asleep whatever is entered (practice), A. */
const ALONE_V = 12.6;
const SLEEPS_A = 0.02;

const TERMINAL_WORDS: Readonly<Record<string, string>> = {
  coilPlus: 'coil plus pin',
  coilMinus: 'coil minus pin',
  auxA: 'auxiliary contact, pin a',
  auxB: 'auxiliary contact, pin b',
};

/** Electronics that measure each cell. */
const electronic = ({ build: { schools } }: Vehicle): boolean =>
  schools.bms === 'central' || schools.bms === 'distributed';

const cells = ({ vehicle }: Context): number =>
  vehicle.devices.reduce((sum, { device }) => sum + (device.kind === 'box' ? (device.cellsInSeries ?? 0) : 0), 0);

/** The 12-volt side alone, the disconnect out. */
export function lowSteps(context: Context): readonly Step[] {
  const { vehicle } = context;
  const { build } = vehicle;
  const low = lowVoltage(vehicle);
  const sheet = 'low-voltage' as const;
  const out = 'disconnect out, key on';
  const steps: Step[] = [];
  const { battery } = low;
  if (battery) {
    const at = {
      id: stepId('battery-rest', battery.device.id),
      sheet,
      name: `${battery.device.name} at rest`,
      where: 'at its own poles',
      switches: 'key out, at rest for an hour',
      dimension: 'voltage' as const,
      subjectId: battery.device.id,
      endangers: 'parts' as const,
    };
    steps.push(
      battery.data
        ? measure({
            ...at,
            expected: auxiliaryRestV(battery.data, 0.9),
            low: auxiliaryRestV(battery.data, 0.6),
            high: auxiliaryRestV(battery.data, 1) * 1.02,
            from: 'open-circuit voltage of its chemistry from 60 % to full',
            ifLow: 'Charge it first, by itself; low again next day: worn out, or a drain.',
            ifHigh: 'Just charged: wait, or switch a lamp on for a minute.',
          })
        : unknown({ ...at, lacks: 'its data, in 12 V' }),
    );
    const parked = parkedA(vehicle);
    const drain = {
      id: stepId('parked'),
      sheet,
      name: 'Parked current',
      where: 'in series with the battery’s minus, once everything sleeps',
      switches: 'key out, doors shut, 30 min',
      dimension: 'current' as const,
      endangers: 'comfort' as const,
    };
    steps.push(
      parked === null
        ? unknown({ ...drain, lacks: 'a 12-volt circuit that can be solved' })
        : measure({
            ...drain,
            ...atMost(Math.max(1.3 * parked, SLEEPS_A), parked),
            from: `12 V solved parked, ${q(parked, 'current')}, and a third more; never under ${q(SLEEPS_A, 'current')}`,
            ifHigh: 'Something does not sleep: pull fuses one by one until it falls. A fan relay may be welded.',
          }),
    );
  }
  for (const { id, name, load } of low.loads) {
    const amps = loadCurrentA(scheduled({ id, name, load }, 'day'), load.rating, ALONE_V);
    if (amps < READ_FROM_A) continue;
    steps.push(
      measure({
        id: stepId('load', id),
        sheet,
        name: `${name}: current`,
        where: 'clamp on its feed, at the fuse box',
        switches: `${out}; only this one on`,
        dimension: 'current',
        ...within(amps, LOAD_SHARE),
        from: `its rating in the schedule of 12 V, at ${q(ALONE_V, 'voltage', 3)} of the battery alone, ± 30 %`,
        ifLow: 'Bulb out, plug corroded, earth joint bad; or it is another one than was entered.',
        ifHigh: 'It sticks or is stronger than was entered: its fuse and wire were sized for less.',
        endangers: load.essential ? 'people' : 'fire',
        subjectId: id,
      }),
    );
  }
  const circuit = coilCircuit(vehicle);
  if (circuit) {
    for (const contactor of vehicle.devices) {
      const part = partOf(contactor, 'contactor');
      if (!part || !circuit.wired.some(({ id }) => id === contactor.id)) continue;
      const ohm = part.coilVoltageV ** 2 / part.coilPowerW;
      steps.push(
        measure({
          id: stepId('coil', contactor.id),
          sheet,
          name: `Coil of ${contactor.device.name}`,
          where: 'across its two coil pins, plug off',
          switches: 'everything off',
          dimension: 'resistance',
          ...within(ohm, COIL_SHARE),
          from: `U²/P = (${q(part.coilVoltageV, 'voltage')})² / ${q(part.coilPowerW, 'power')}; a coil with an economiser reads otherwise: its sheet says`,
          ifLow: 'Turns shorted, or a diode the wrong way round across it.',
          ifHigh: 'Open or corroded: it would not pull in.',
          endangers: 'parts',
          subjectId: contactor.id,
          adopts: {
            subjectId: contactor.id,
            field: 'coilPowerW',
            value: (read) => (read > 0 ? part.coilVoltageV ** 2 / read : null),
          },
        }),
      );
    }
    const met = new Set<string>();
    for (const point of testPoints(vehicle)) {
      const device = findDevice(build, point.deviceId);
      if (!device) continue;
      const terminal = point.node.slice(point.deviceId.length + 1);
      const joint = device.kind === 'lv-junction';
      const way = joint ? 'at' : met.has(device.id) ? 'out of' : 'into';
      met.add(device.id);
      steps.push(
        measure({
          id: stepId('feed', point.node),
          sheet,
          name: `Coil supply ${way} ${device.name}`,
          where: `${device.name}${joint ? '' : `, ${TERMINAL_WORDS[terminal] ?? `terminal ${terminal}`}`}, to the battery’s minus`,
          switches:
            'traction disconnect out, its auxiliary contact bridged for this test only; contactors commanded in',
          dimension: 'voltage',
          ...within(point.expectedV, VOLT_SHARE),
          from: `the coil circuit solved at a battery of ${q(ALONE_V, 'voltage', 3)} with everything closed`,
          ifLow: 'Nothing: open before this point. A volt or two short: a bad joint or a thin wire before it.',
          ifHigh: 'The battery is being charged, or it is fed from somewhere else: find it.',
          subjectId: point.deviceId,
        }),
      );
    }
    const wired = new Set(circuit.wired.map(({ id }) => id));
    for (const { id, letsGo } of stopTests(vehicle)) {
      const device = findDevice(build, id);
      const [first] = letsGo.filter((one) => wired.has(one));
      // One that lets nothing go is the business of HV circuit.
      if (!device || !first || !(LOOP_KINDS as readonly string[]).includes(device.kind)) continue;
      const coils = letsGo.map((one) => findDevice(build, one)?.name ?? one).join(', ');
      steps.push(
        measure({
          id: stepId('stop', id),
          sheet,
          name: `${device.name} lets the contactors go`,
          where: `across both coil pins of ${coils}, each in turn: the highest counts`,
          switches: `everything closed, contactors commanded in; then ${device.name} opened`,
          dimension: 'voltage',
          ...atMost(1, 0),
          from: 'nothing feeds a coil with the loop open',
          ifHigh: 'It is bridged, wired around, or the coils are fed from elsewhere: do not go on.',
          caution: 'This one has to work whatever else fails: open it three times.',
          subjectId: id,
        }),
      );
    }
  }
  const { pedalRestV, pedalFullV } = build.controls ?? {};
  for (const [id, name, volts] of [
    ['pedal-rest', 'Accelerator at rest', pedalRestV],
    ['pedal-full', 'Accelerator pressed down', pedalFullV],
  ] as const) {
    const at = {
      id: stepId(id),
      sheet,
      name,
      where: 'first track to the sensor’s own ground',
      switches: out,
      dimension: 'voltage' as const,
    };
    if (volts !== undefined)
      steps.push(
        measure({
          ...at,
          expected: volts,
          low: volts - PEDAL_V,
          high: volts + PEDAL_V,
          from: `pedal as it was read in Interlocks, ± ${q(PEDAL_V, 'voltage')}`,
          ifLow: 'Supply of the sensor low, track open, or ground shared with something that draws.',
          ifHigh: 'Ground of the sensor open, or its two wires swapped.',
        }),
      );
    else if (vehicle.devices.some(({ device }) => device.kind === 'inverter'))
      steps.push(unknown({ ...at, lacks: 'the pedal’s ends, in Interlocks' }));
  }
  if (build.controls?.pedalTwo)
    steps.push(
      look({
        id: stepId('pedal-two'),
        sheet,
        name: 'Second track of the accelerator follows the first, one pulled off: no torque',
        where: 'both tracks, pressed slowly from end to end',
        switches: out,
        ifNot: 'A track that sticks alone must take the torque away: mend before wheels turn.',
      }),
    );
  const group = cells(context);
  if (electronic(vehicle) && group > 0)
    steps.push(
      measure({
        id: stepId('cells-seen'),
        sheet,
        name: 'Cells that the management sees',
        where: 'its own display or log',
        switches: out,
        dimension: 'count',
        expected: group,
        low: group,
        high: group,
        from: 'cells in the row, all boxes',
        ifLow: 'A sense wire open or a board without supply; which number is the first that is missing?',
        ifHigh: 'It is set for another pack.',
        endangers: 'fire',
      }),
    );
  steps.push(
    look({
      id: stepId('switches-low'),
      sheet,
      name: 'Brake and direction switches do what they say, never two at once',
      where: 'control’s own display, or at its pins',
      switches: out,
      ifNot: 'Stuck, swapped or both on: the car could move the wrong way.',
    }),
    look({
      id: stepId('clicks'),
      sheet,
      name: 'Relays and contactors click in the order of the sequence sheet',
      where: 'ear and hand, sequence sheet of Interlocks',
      switches: 'disconnect out',
      ifNot: 'A main that comes first welds on the empty link: stop here.',
      endangers: 'parts',
    }),
    look({
      id: stepId('faults-low'),
      sheet,
      name: 'No fault codes but those of the missing voltage',
      where: 'every device that can say so',
      switches: out,
      ifNot: 'Read the code, mend it now: with HV on it is harder.',
      endangers: 'parts',
    }),
  );
  const coils = coilsA(vehicle, ALONE_V);
  if (circuit && coils > 0)
    steps.push(
      measure({
        id: stepId('coils-all'),
        sheet,
        name: 'All coils that driving holds: current',
        where: 'clamp on their common feed',
        switches: 'disconnect out, held in',
        dimension: 'current',
        ...within(coils, 0.25),
        from: 'Σ P·U/U_rated² at 12.6 V, ± 25 %',
        ifLow: 'One of them does not hold, or its economiser has cut in.',
        ifHigh: 'A coil or its diode is shorted.',
        endangers: 'parts',
      }),
    );
  return steps;
}
