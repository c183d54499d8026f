import type { Assessment } from '../assess';
import { findDevice } from '../build';
import { type Dimension, formatArea, formatQuantity, inUnits } from '../quantities';
import { SETTING_WORDS, sequenceSheet } from '../stations/interlocks';
import { type HarnessWire, lowVoltage, partOf, sizeText } from '../vehicle';
import { type Chapter, table, text } from './document';

const speaker =
  ({ build: { units } }: Assessment) =>
  (value: number | null | undefined, dimension: Dimension, digits = 3): string =>
    value === null || value === undefined ? 'not entered' : formatQuantity({ value, dimension }, units, digits).text;

/** The traction circuit: drawing, conductors, fuses, contactors. */
export function circuitChapter(assessment: Assessment): Chapter {
  const { vehicle, results, build } = assessment;
  const say = speaker(assessment);
  const end = ({ deviceId, terminal }: { deviceId: string; terminal: string }) =>
    `${vehicle.deviceOf.get(deviceId)?.device.name ?? deviceId}, ${terminal}`;
  return {
    id: 'circuit',
    title: 'Traction circuit',
    across: true,
    blocks: [
      { is: 'drawing', id: 'circuit', about: 'Traction circuit, cruising' },
      text('Conductors', true),
      table(
        ['Conductor', 'From', 'To', 'Size', 'Length', 'Carries for long'],
        results.cables.rows.map(({ resolved, resolved: { conductor, lengthM }, currentA }) => [
          conductor.name,
          end(conductor.a),
          end(conductor.b),
          sizeText(resolved, build.units) ?? 'not entered',
          say(lengthM, 'length'),
          currentA === null ? 'not known' : say(currentA, 'current'),
        ]),
        [0, 1, 2],
      ),
      text('Fuses', true),
      table(
        ['Fuse', 'Rated', 'DC voltage', 'Breaks up to'],
        vehicle.devices
          .filter(({ device }) => device.kind === 'fuse')
          .map((device) => {
            const part = partOf(device, 'fuse');
            return [
              device.device.name,
              say(part?.ratedCurrentA, 'current'),
              part && part.ratedVoltageDcV === null ? 'none stated' : say(part?.ratedVoltageDcV, 'voltage'),
              say(part?.breakingCapacityA, 'current'),
            ];
          }),
        [0],
      ),
    ],
  };
}

export const planChapter = (assessment: Assessment): Chapter => ({
  id: 'plan',
  title: 'Layout plan',
  across: true,
  blocks: [
    { is: 'drawing', id: 'plan', about: 'From above, front at the left' },
    table(
      ['Thing', 'Place'],
      assessment.vehicle.devices.map(({ device }) => [
        device.name,
        device.place ? (assessment.build.zones[device.place.zoneId]?.name ?? '') : 'not on the plan',
      ]),
      [0, 1],
    ),
  ],
});

/** The 12-volt side: drawing, fuse-box card, loads. */
export function lowChapter(assessment: Assessment): Chapter {
  const { build, vehicle, results } = assessment;
  const say = speaker(assessment);
  const low = lowVoltage(vehicle);
  const fuses = low.lv.devices
    .filter(({ device }) => device.kind === 'lv-fuse')
    .sort((p, r) => (p.device.way ?? 999) - (r.device.way ?? 999));
  const feeds = (id: string) =>
    Object.values(build.circuits.lv.conductors)
      .filter(({ a, b }) => a.deviceId === id || b.deviceId === id)
      .map(({ a, b }) => findDevice(build, a.deviceId === id ? b.deviceId : a.deviceId)?.name ?? '')
      .join(', ');
  return {
    id: 'low-voltage',
    title: '12 V and fuse-box card',
    blocks: [
      ...(low.loads.length > 0 ? [{ is: 'drawing', id: 'feed', about: '12 V feed' } as const] : []),
      text('Fuse box', true),
      table(
        ['Way', 'Fuse', 'Rated', 'Between'],
        fuses.map((fuse) => [
          fuse.device.way === undefined ? '' : String(fuse.device.way),
          fuse.device.name,
          say(partOf(fuse, 'fuse')?.ratedCurrentA ?? fuse.device.ratedA, 'current'),
          feeds(fuse.id),
        ]),
        [1, 3],
      ),
      text('Loads', true),
      table(
        ['Load', 'Draws', 'Peak', 'Kept up'],
        results['low-voltage'].schedule.loads.map(({ name, onA, peakA, essential }) => [
          name,
          say(onA, 'current'),
          say(peakA, 'current'),
          essential ? 'yes' : '',
        ]),
        [0],
      ),
    ],
  };
}

const colourOf = ({ colour, stripe }: HarnessWire): string => (stripe ? `${colour}/${stripe}` : colour);

/** Every wire, by sub-harness. */
export function wiresChapter(assessment: Assessment): Chapter {
  const { build, results } = assessment;
  const say = speaker(assessment);
  const { wires } = results.harness.harness;
  const looms = [...new Set(wires.map(({ loom }) => loom))].sort();
  return {
    id: 'wires',
    title: 'Wire tables',
    across: true,
    blocks: looms.flatMap((loom) => [
      text(loom, true),
      table(
        ['Label', 'Wire', 'Colour', 'Size', 'Cut', 'From', 'To', 'State'],
        wires
          .filter((wire) => wire.loom === loom)
          .map((wire) => [
            wire.label,
            wire.name,
            colourOf(wire),
            wire.areaMm2 === null ? 'not entered' : formatArea(wire.areaMm2, build.units),
            wire.cutM === null ? 'not known' : say(wire.cutM, 'length'),
            ...(['a', 'b'] as const).map((side) => {
              const { hostName, at, pin } = wire.ends[side];
              return `${hostName}, ${at}${pin === null ? '' : `, pin ${pin}`}`;
            }),
            `${wire.ends.a.state} / ${wire.ends.b.state}`,
          ]),
        [1, 5, 6],
      ),
    ]),
  };
}

/** Which wire of the sense plug is on which cell, and what it read. */
export function tapChapter({ results, build }: Assessment): Chapter | null {
  const { places } = results.bms;
  if (places.length === 0) return null;
  const taps = build.bms?.tapsV ?? [];
  let before = 0;
  const rows = places.map((place, k) => {
    before += taps[k] ?? 0;
    return [
      String(k + 1),
      place.box === null ? '' : `${place.box}${place.cellInBox === null ? '' : `, ${place.cellInBox}`}`,
      taps[k] === undefined ? '' : taps[k]!.toFixed(3),
      taps[k] === undefined ? '' : before.toFixed(2),
    ];
  });
  return {
    id: 'taps',
    title: 'Tap card',
    blocks: [
      { is: 'caution', text: 'Cells never switch off. Wires of the sense plug carry the whole pack from end to end.' },
      table(['Cell', 'Where', 'Read, V', 'Sum, V'], rows, [1]),
    ],
  };
}

export function sequenceChapter(assessment: Assessment): Chapter | null {
  const { build, context } = assessment;
  const lines = sequenceSheet(context);
  if (lines.length === 0) return null;
  return {
    id: 'sequence',
    title: 'Sequence sheet',
    blocks: [
      { is: 'caution', text: 'Second person, gloves, meter proved before and after.' },
      table(
        ['', 'Step', 'Clicks', 'Read', 'Hands', 'Read on the car'],
        lines.map(({ step, clicks, read, hands }, k) => [
          String(k + 1),
          step,
          clicks,
          inUnits(read, build.units),
          hands,
          '',
        ]),
        [1, 2, 3, 4, 5],
      ),
      { is: 'drawing', id: 'sequence', about: 'States and steps' },
    ],
  };
}

/** Settings of each device: wanted, entered, read back. */
export function settingsChapter(assessment: Assessment): Chapter | null {
  const say = speaker(assessment);
  const sheets = assessment.results.interlocks.sheets.filter(({ rows }) => rows.length > 0);
  if (sheets.length === 0) return null;
  return {
    id: 'settings',
    title: 'Settings',
    blocks: sheets.flatMap(({ name, rows, sheet }) => [
      text(`${name}${sheet?.firmware ? `, firmware ${sheet.firmware}` : ''}`, true),
      table(
        ['Setting', 'Wanted', 'Entered', 'Read back', 'From'],
        rows.map(({ setting, dimension, sense, wanted, entry, why }) => [
          SETTING_WORDS[setting],
          wanted === null
            ? 'not known'
            : `${sense === 'at-most' ? 'at most ' : sense === 'at-least' ? 'at least ' : ''}${say(wanted, dimension, 4)}`,
          entry?.entered === null || entry === null ? '' : say(entry.entered, dimension, 4),
          entry?.readBack === null || entry === null ? '' : say(entry.readBack, dimension, 4),
          why,
        ]),
        [0, 4],
      ),
    ]),
  };
}
