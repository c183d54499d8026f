import type { Assessment } from '../assess';
import { isLithium } from '../physics/cell-care';
import { type Dimension, formatQuantity } from '../quantities';
import { consumersOf, everyContactor, linkDischarges, liveness, stillFed, stopTests } from '../simulate';
import { dueList, inOrder, standOn } from '../stations/logbook';
import type { ResolvedDevice } from '../vehicle';
import { coilCircuit, lowVoltage, partOf } from '../vehicle';
import { type Block, type Chapter, table, text } from './document';

const speaker =
  ({ build: { units } }: Assessment) =>
  (value: number, dimension: Dimension, digits = 3): string =>
    formatQuantity({ value, dimension }, units, digits).text;

const placeOf = ({ build }: Assessment, { device }: Pick<ResolvedDevice, 'device'>): string =>
  device.place ? (build.zones[device.place.zoneId]?.name ?? 'place not entered') : 'place not entered';

/** At least so long, s, however fast the model says that they are empty (practice). */
const LEAST_WAIT_S = 300;

/** How long to wait for the capacitors: said only where every one of them is known, and what empties it. */
function dischargeWords({ vehicle, context }: Assessment, say: ReturnType<typeof speaker>): string {
  const { fullV, rules } = context;
  const untold = consumersOf(vehicle).filter(({ part }) => part === null);
  if (fullV === null || untold.length > 0)
    return `How long capacitors stay charged is not known${untold.length > 0 ? ` (${untold.map(({ device }) => device.name).join(', ')})` : ''}: prove it dead, however long you waited.`;
  if (fullV <= rules.classBDcV.value) return `Wait ${say(LEAST_WAIT_S, 'time', 2)}.`;
  const links = linkDischarges(vehicle, fullV, rules.classBDcV.value);
  if (links.some(({ timeS }) => timeS === null))
    return 'Nothing that is known empties the capacitors of the drive: they stay charged until somebody proves them dead.';
  const waitS = Math.max(LEAST_WAIT_S, ...links.map(({ timeS }) => 2 * timeS!));
  return `Wait ${say(waitS, 'time', 2)}: capacitors empty themselves.`;
}

/** For whoever comes to an accident: where to isolate, how long to wait, what stays live. */
export function rescueChapter(assessment: Assessment): Chapter {
  const { build, vehicle, context } = assessment;
  const say = speaker(assessment);
  const { fullV, rules } = context;
  const safeV = rules.classBDcV.value;
  const boxes = vehicle.devices.filter(({ device }) => device.kind === 'box');
  const disconnects = vehicle.devices.filter(({ device }) => device.kind === 'disconnect');
  // By what it does in the wiring, never by its name: what it opens lets go of something.
  const nameOf = (id: string) => vehicle.deviceOf.get(id)?.device.name ?? id;
  const stops = stopTests(vehicle).flatMap(({ id, letsGo, staysIn }) => {
    const device = build.circuits.lv.devices[id] ?? build.circuits.hv.devices[id];
    if (device?.kind !== 'emergency-stop' || letsGo.length === 0) return [];
    const opens =
      staysIn.length === 0
        ? 'every contactor'
        : `${letsGo.map(nameOf).join(', ')} only; ${staysIn.map(nameOf).join(', ')} stay closed`;
    return [`${device.name}, ${placeOf(assessment, { device })}: press. It opens ${opens}.`];
  });
  const discharge = dischargeWords(assessment, say);
  const open = [...everyContactor(vehicle), ...disconnects.map(({ id }) => id)];
  const stays = fullV === null ? null : liveness(vehicle, open, safeV);
  const fed = fullV === null ? [] : stillFed(vehicle, { open: new Set(open) }, safeV);
  const hot = (stays?.parts ?? []).filter(({ live }) => live === 'hazardous');
  const cells = boxes.flatMap((box) => partOf(box, 'cell') ?? []);
  const lithium = cells.some(({ chemistry }) => isLithium(chemistry));
  const acid = cells.some(({ chemistry }) => chemistry.startsWith('lead'));
  const battery = lowVoltage(vehicle).battery;
  const steps: string[] = [
    'Chock the wheels. It makes no noise when it is on: it may move.',
    'Key out and away from the car.',
    ...stops,
    ...disconnects.map(
      (device) => `${device.device.name}: ${placeOf(assessment, device)}. Open it, keep what comes off.`,
    ),
    ...(battery ? [`12-volt battery: ${placeOf(assessment, { device: battery.device })}. Take its minus off.`] : []),
    discharge,
    'Prove dead at the place of work before touching.',
  ];
  return {
    id: 'rescue',
    title: 'Emergency card',
    large: true,
    blocks: [
      {
        is: 'caution',
        text: `Electric car, ${fullV === null ? 'voltage not known' : `up to ${say(fullV, 'voltage')} DC`}. Orange cables are live.`,
      },
      text('Make it dead', true),
      { is: 'list', items: steps },
      ...(coilCircuit(vehicle) === null
        ? [
            {
              is: 'caution',
              text: 'No circuit of the contactors’ coils is in the build: nobody knows that the stop opens them.',
            } as const,
          ]
        : []),
      text('What stays live', true),
      {
        is: 'list',
        items: [
          'Cells never switch off: the boxes are live inside, always.',
          ...boxes.map(
            (box) =>
              `${box.device.name}: ${placeOf(assessment, box)}, ${partOf(box, 'cell') && box.device.cellsInSeries ? `${box.device.cellsInSeries} cells in a row` : 'cells not entered'}`,
          ),
          ...(stays === null
            ? ['What stays live can’t be told: the pack has no cells in the build.']
            : hot.map(({ spanV, memberIds }) => {
                const wires = memberIds.flatMap((id) => vehicle.conductorOf.get(id)?.conductor.name ?? []);
                return `With contactors open and disconnects out, ${say(spanV, 'voltage')} on: ${wires.length > 0 ? wires.join(', ') : 'inside the box only'}`;
              })),
          ...fed.map(
            ({ device, voltageV }) => `${device.device.name} is fed all the same: ${say(voltageV, 'voltage')}`,
          ),
        ],
      },
      text('Fire, water, cutting', true),
      {
        is: 'list',
        items: [
          ...(lithium
            ? [
                'Lithium cells: much water, for long; they can burn again hours and days later. Gas is poisonous and burns: upwind, breathing gear.',
              ]
            : []),
          ...(acid ? ['Lead cells: acid runs out, hydrogen explodes: no spark, air it, water for skin and eyes.'] : []),
          'In water: touching the body of the car gives no shock to be expected; isolate once it is out, water stays in the boxes.',
          'Do not cut orange cables, boxes or what lies under the sills until it is proved dead.',
        ],
      },
      { is: 'drawing', id: 'plan', about: 'Boxes and cables from above, front at the left' },
    ],
  };
}

/** For whoever drives it. */
export function ownerChapter(assessment: Assessment, date: string): Chapter {
  const { build, results, trip, vehicle } = assessment;
  const say = speaker(assessment);
  const { charging = {}, gauges = {}, packLimits, supply = {} } = build;
  const { charge, to80 } = results.charging;
  const entries = inOrder(build.logbook ?? {});
  const due = dueList(results.logbook.tasks, entries, standOn(entries, date)).filter(({ state }) => state !== 'off');
  const range = (metres: number | null | undefined) =>
    metres === null || metres === undefined ? 'not known' : say(metres, 'distance', 2);
  const lamps: string[] = [
    ...(gauges.lampOnV === undefined ? [] : ['Recharge lamp: charge soon, drive gently.']),
    ...(gauges.lowTwelve
      ? [
          '12-volt lamp: the converter does not charge; lights, wipers and contactors live on the battery for a while. Stop where it is safe.',
        ]
      : []),
    ...(gauges.insulationLamp
      ? [
          'Insulation lamp: do not touch anything under the covers, do not wash it, have it looked at before the next charge.',
        ]
      : []),
    ...(gauges.shiftRpm === undefined ? [] : ['Shift lamp: the motor turns fast enough, take the next gear.']),
  ];
  const lithium = vehicle.devices.some((box) => {
    const cell = partOf(box, 'cell');
    return cell !== null && isLithium(cell.chemistry);
  });
  const blocks: Block[] = [
    text('How far', true),
    table(
      ['', 'Range'],
      [
        ['New and mild', range(trip?.rangeFreshM)],
        ['Winter', range(trip?.rangeWinterM)],
      ],
      [0],
    ),
    text('Charging', true),
    {
      is: 'list',
      items: [
        supply.voltageV === undefined
          ? 'Where it is charged is not entered.'
          : `At ${say(supply.voltageV, 'voltage')}${supply.breakerA === undefined ? '' : `, behind ${say(supply.breakerA, 'current')}`}, from the ${supply.outlet === 'wall-unit' ? 'wall unit' : 'socket'}.`,
        ...(charge
          ? [
              `From ${Math.round(charge.fromSoc * 100)} % to its end in ${say(charge.run.last.timeS, 'time', 2)}${to80 && to80.soc > charge.fromSoc ? `; to 80 % in ${say(to80.timeS, 'time', 2)}` : ''}.`,
            ]
          : ['How long it takes is not known.']),
        `On usual days up to ${Math.round((packLimits.socFull ?? 1) * 100)} %; down to ${Math.round(packLimits.socEmpty * 100)} %, no further.`,
        'Look at plug and cable each time: warm is normal, hot is not. Roll the cable out whole.',
        ...(lithium
          ? [
              `Cells below ${say(0, 'temperature')} are not charged: ${
                (build.bms?.chargeFromC ?? Number.NEGATIVE_INFINITY) >= 0 && build.bms?.stopsCharger === true
                  ? 'it waits until they are warm.'
                  : 'nothing that is entered waits for that by itself, so look before you plug in.'
              }`,
            ]
          : ['Charge where it is aired: gas from the cells burns.']),
        ...(charging.readyH === undefined ? [] : [`It is to be ready at ${charging.readyH} h.`]),
        'Left for weeks: about half full, 12-volt battery on a keeper or its switch off.',
      ],
    },
    text('Lamps', true),
    ...(lamps.length > 0 ? [{ is: 'list', items: lamps } as const] : [text('No lamps are entered, in Ancillaries.')]),
    text('If something is wrong', true),
    {
      is: 'list',
      items: [
        'Smell, smoke, a bang: stop, everybody out, key out, emergency stop if it has one, away from it, call the fire brigade and say that it is electric.',
        'It does not switch on: key out for a minute, plug out, once more. Not a third time.',
        'Never open covers with orange cables. Never pull the service disconnect while driving.',
      ],
    },
    text('Upkeep', true),
    table(
      ['What', 'Next'],
      due
        .slice(0, 20)
        .map(({ task, expected, onDay, state }) => [
          task.name,
          state === 'due' ? 'now' : (expected ?? onDay ?? 'from the first entry of the logbook'),
        ]),
      [0],
    ),
  ];
  return { id: 'owner', title: 'Owner’s sheet', large: true, blocks };
}
