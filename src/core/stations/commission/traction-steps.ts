import { hasTrait } from '../../build';
import { quantityText as q } from '../../checks';
import { ocvPoints } from '../../physics/cell';
import { ASSUMED_LEAK_OHM, isRun, linkDischarges, type PrechargeRun } from '../../simulate';
import { partOf, type ResolvedDevice } from '../../vehicle';
import type { Context } from '../context';
import { atLeast, atMost, LIVE, look, measure, type Step, stepId, unknown, within } from './step';

const deviceName = ({ vehicle }: Context, id: string): string => vehicle.deviceOf.get(id)?.device.name ?? id;

/** First voltage from a source that can burn nothing. */
export function sourceSteps({ vehicle, fullV, rules }: Context): readonly Step[] {
  if (fullV === null) return [];
  const sheet = 'limited-source' as const;
  const series = vehicle.devices.some((device) => partOf(device, 'motor')?.motorKind === 'series-dc');
  const steps: Step[] = [
    look({
      id: stepId('source-isolated'),
      sheet,
      name: 'Source is isolated from the mains and limited in current',
      where: 'its plate: isolated output, limit set to 1 A or a lamp in series',
      switches: 'in the pack’s place, disconnect out',
      ifNot: 'One that is not isolated ties the mains to the traction circuit: use another, or a lamp and the pack.',
      caution: 'A source that takes nothing back lets the link rise when the motor brakes: regeneration set to zero.',
    }),
    measure({
      id: stepId('source-link'),
      sheet,
      name: 'Link follows the limited source',
      where: 'the inverter’s plus to its minus',
      switches: `source up slowly to ${q(Math.min(fullV, rules.classBDcV.value - 5), 'voltage')}, contactors closed by hand or by the sequence`,
      dimension: 'voltage',
      ...within(Math.min(fullV, rules.classBDcV.value - 5), 0.05),
      from: 'what the source is set to, below high voltage',
      ifLow: 'A contactor, fuse or the disconnect is open; or something draws all that the source gives.',
      ifHigh: 'The source overshoots: turn it down before you join it.',
    }),
    look({
      id: stepId('source-current'),
      sheet,
      name: 'Current falls to next to nothing once the link is full',
      where: 'the source’s own display',
      switches: 'nothing enabled',
      ifNot: 'Something draws: a bleed is expected, more is a load left awake or a wrong polarity.',
      endangers: 'parts',
    }),
  ];
  if (series)
    steps.push(
      look({
        id: stepId('series-caution'),
        sheet,
        name: 'Series motor stays loaded, or is turned from 12 V only',
        where: 'belt, chain or gear engaged; clutch and neutral count as unloaded',
        ifNot: 'Unloaded on pack voltage it runs away and bursts: do not go on.',
        caution: 'Never unloaded on pack voltage.',
      }),
    );
  return steps;
}

/** Rest voltage of a cell, empty and full, V. */
function restOf(device: ResolvedDevice): readonly [number, number] | null {
  const cell = partOf(device, 'cell');
  if (!cell) return null;
  const points = ocvPoints(cell.chemistry);
  return [points[0]![1], points.at(-1)![1]];
}

/** Each box and both poles to the body. */
export function insulationSteps(context: Context): readonly Step[] {
  const { vehicle, fullV, rules } = context;
  const sheet = 'insulation' as const;
  const steps: Step[] = [];
  for (const box of vehicle.devices) {
    if (box.device.kind !== 'box') continue;
    const at = {
      id: stepId('box', box.id),
      sheet,
      name: `Voltage of ${box.device.name}`,
      where: 'its plus to its minus, red lead on the one that is marked plus',
      switches: 'disconnect out',
      dimension: 'voltage' as const,
      caution: LIVE,
      two: true,
      subjectId: box.id,
    };
    const rest = restOf(box);
    const n = box.device.cellsInSeries ?? null;
    steps.push(
      rest && n !== null
        ? measure({
            ...at,
            expected: null,
            low: n * rest[0],
            high: n * rest[1] * 1.01,
            from: `${n} cells between empty and full at rest`,
            ifLow:
              'A negative figure: plus and minus are swapped. Cells missing: a link or a mid-fuse is open; or the box is empty.',
            ifHigh: 'More cells than the design has, or the meter is on AC.',
          })
        : unknown({ ...at, lacks: n === null ? 'its cells in a row' : 'its cells' }),
    );
  }
  if (fullV === null) return steps;
  if (fullV <= rules.classBDcV.value) return steps;
  const limit = rules.insulationOhmPerV.value * fullV;
  const branches = vehicle.devices.filter(({ device }) => hasTrait(device.kind, 'leaks'));
  for (const branch of branches) {
    const own = branch.device.insulationOhm;
    steps.push(
      measure({
        id: stepId('insulation', branch.id),
        sheet,
        name: `Insulation of ${branch.device.name}`,
        where: 'either pole to the body; then the larger one again with a known resistor across it',
        switches:
          branch.device.kind === 'box' ? 'this box alone, disconnect out' : 'this branch alone joined to the pack',
        dimension: 'resistance',
        expected: own ?? null,
        // Side by side they share what the whole may leak: no single one may take more than all.
        low: Math.max(limit, (own ?? 0) * 0.3),
        high: null,
        from: `${rules.insulationOhmPerV.value} Ω/V of ${q(fullV, 'voltage')} for the whole${own === undefined ? '' : `, and a third of the ${q(own, 'resistance')} that it is entered with`}`,
        ifLow:
          'A chassis fault: pull branches until it recovers. It falls with voltage: wet cable or connector. Equal both sides: mid-string, or coolant.',
        caution: `${LIVE} Wait for the Y capacitors to settle; add each branch and read again.`,
        two: true,
        subjectId: branch.id,
        adopts: { subjectId: branch.id, field: 'insulationOhm', value: (read) => (read > 0 ? read : null) },
        byVoltmeter: true,
      }),
    );
  }
  if (branches.length > 0)
    steps.push(
      measure({
        id: stepId('insulation-all'),
        sheet,
        name: 'Insulation of everything together',
        where: 'either pole to the body; then the larger one again with a known resistor across it',
        switches: 'all branches joined, contactors closed',
        dimension: 'resistance',
        ...atLeast(limit),
        expected: 1 / branches.reduce((sum, { device }) => sum + 1 / (device.insulationOhm ?? ASSUMED_LEAK_OHM), 0),
        from: `${rules.insulationOhmPerV.value} Ω/V of ${q(fullV, 'voltage')}, working voltage`,
        ifLow: 'Pull branches one by one until it recovers: the last one leaks.',
        caution: LIVE,
        two: true,
        byVoltmeter: true,
      }),
    );
  return steps;
}

/** Tolerances of capacitors (± 20 %) and resistors (± 10 %), added as they may stand. */
const RC_SHARE = 0.3;
const C_SHARE = 0.2;

/** The link capacitor that a whole link’s reading goes to: what the others hold is taken off. */
function capacitorOf(context: Context, totalF: number): { readonly id: string; readonly restF: number } | null {
  const all = context.vehicle.devices.flatMap((device) => {
    const f = (partOf(device, 'inverter') ?? partOf(device, 'bus-device'))?.linkCapacitanceF ?? 0;
    return f > 0 ? [{ id: device.id, f }] : [];
  });
  const largest = all.sort((p, r) => r.f - p.f)[0];
  return largest && largest.f <= totalF * 1.0001 ? { id: largest.id, restF: totalF - largest.f } : null;
}

export function prechargeSteps(context: Context): readonly Step[] {
  const { precharges, vehicle, fullV, rules } = context;
  const sheet = 'precharge' as const;
  const steps: Step[] = [];
  for (const outcome of precharges) {
    const name = deviceName(context, outcome.resistorId);
    if (!isRun(outcome)) {
      steps.push(
        unknown({
          id: stepId('reach', outcome.resistorId),
          sheet,
          name: `Precharge through ${name}`,
          where: 'the inverter’s plus to its minus',
          dimension: 'time',
          lacks: `a precharge that can be followed: ${outcome.reason}`,
          caution: LIVE,
          two: true,
          subjectId: outcome.resistorId,
        }),
      );
      continue;
    }
    steps.push(...ofBranch(context, outcome, name));
  }
  if (fullV === null || fullV <= rules.classBDcV.value) return steps;
  const safe = rules.classBDcV.value;
  linkDischarges(vehicle, fullV, safe).forEach((link) => {
    const id = stepId('discharge', link.devices[0]!.id);
    const name = `Discharge of ${link.devices.map(({ device }) => device.name).join(', ')}`;
    const at = {
      id,
      sheet,
      name: name.length > 120 ? `${name.slice(0, 117)}…` : name,
      where: `its plus to its minus, down to ${q(safe, 'voltage')}`,
      switches: `from ${q(fullV, 'voltage')} or as full as it is; key off, stop watch`,
      dimension: 'time' as const,
      caution: LIVE,
      two: true,
      subjectId: link.devices[0]!.id,
    };
    const bleed = link.devices.find(
      (device) => (partOf(device, 'inverter') ?? partOf(device, 'bus-device'))?.bleedResistanceOhm !== undefined,
    );
    const only =
      bleed && link.unknown.length === link.devices.length - 1
        ? (partOf(bleed, 'inverter') ?? partOf(bleed, 'bus-device'))!
        : null;
    steps.push(
      link.timeS === null
        ? unknown({
            ...at,
            lacks:
              link.unknown.length > 0
                ? `the bleed resistor of ${link.unknown.map(({ device }) => device.name).join(', ')}`
                : 'anything that bleeds it: it stays charged',
          })
        : measure({
            ...at,

            ...within(link.timeS, RC_SHARE),
            from: `R · C · ln(V/V_safe) = ${q(link.resistanceOhm!, 'resistance')} · ${q(link.capacitanceF, 'capacitance')} · ln(${q(fullV, 'voltage')} / ${q(safe, 'voltage')}), ± 30 %`,
            ifLow: 'A load is left awake, or the capacitor is smaller than stated: it is safe sooner.',
            ifHigh:
              'A bleed resistor is open, or the capacitor is larger than stated: wait longer, at every opening of HV.',
            adopts:
              only && bleed && link.resistanceOhm === only.bleedResistanceOhm
                ? {
                    subjectId: bleed.id,
                    field: 'bleedResistanceOhm',
                    value: (read) => (read > 0 ? read / (link.capacitanceF * Math.log(fullV / safe)) : null),
                  }
                : null,
          }),
    );
  });
  return steps;
}

function ofBranch(context: Context, run: PrechargeRun, name: string): readonly Step[] {
  const sheet = 'precharge' as const;
  const id = run.resistorId;
  const own = run.resistors.length === 1 ? run.resistors[0]! : null;
  const capacitor = capacitorOf(context, run.linkCapacitanceF);
  const level = run.closeFraction * run.packV;
  const plainS = -run.resistanceOhm * run.linkCapacitanceF * Math.log(1 - run.closeFraction);
  const steps: Step[] = [];
  if (own)
    steps.push(
      measure({
        id: stepId('precharge-ohm', id),
        sheet,
        name: `${name}, resistance`,
        where: 'across it, one lead off',
        switches: 'dead',
        dimension: 'resistance',
        ...within(own.ohm, 0.1),
        from: 'its part, ± 10 %',
        ifLow: 'Another one is fitted, or it is bridged.',
        ifHigh: 'Open: it has burnt. Look for what kept the link from rising.',
        dead: true,
        endangers: 'parts',
        subjectId: id,
        adopts: { subjectId: id, field: 'resistanceOhm', value: (read) => (read > 0 ? read : null) },
      }),
    );
  const at = {
    id: stepId('reach', id),
    sheet,
    name: `Link to its closing level through ${name}`,
    where: `the inverter’s plus to its minus, against time, up to ${q(level, 'voltage')}`,
    switches: 'key on, full pack or note its voltage; main held open if it can be',
    dimension: 'time' as const,
    caution: LIVE,
    two: true,
    subjectId: id,
  };
  steps.push(
    run.closeAtS === null
      ? unknown({ ...at, lacks: 'a precharge that reaches its closing level: see HV circuit' })
      : measure({
          ...at,
          ...within(run.closeAtS, RC_SHARE),
          from: `transient of the circuit as wired; a plain R · C takes ${q(plainS, 'time')}; ± 30 % for their tolerances`,
          ifLow: 'The capacitor is smaller than stated, part of the link is off, or it was not empty.',
          ifHigh:
            'Something draws on the link, the capacitor is larger than stated, or the resistor is. Never at all: resistor open, relay or fuse.',
          adopts: capacitor
            ? {
                subjectId: capacitor.id,
                field: 'linkCapacitanceF',
                // By the same share by which the time is off: whatever else there is in the way stays.
                value: (read) => {
                  const farad = (run.linkCapacitanceF * read) / run.closeAtS! - capacitor.restF;
                  return farad > 0 ? farad : null;
                },
              }
            : null,
        }),
    measure({
      id: stepId('closing-gap', id),
      sheet,
      name: `Across ${deviceName(context, run.contactorId)} as it closes`,
      where: 'its two power terminals',
      switches: 'precharge done, just before it closes',
      dimension: 'voltage',
      ...atMost(Math.max((1 - run.closeFraction) * run.packV * 1.2, 1), (1 - run.closeFraction) * run.packV),
      from: `${q((1 - run.closeFraction) * run.packV, 'voltage')} are left at the closing level, and a fifth more`,
      ifHigh: 'It closes too early: its contacts weld. Look at the level and the delay in the settings.',
      caution: LIVE,
      two: true,
      endangers: 'parts',
      subjectId: run.contactorId,
    }),
    look({
      id: stepId('welded', run.contactorId),
      sheet,
      name: `${deviceName(context, run.contactorId)} lets go: the link falls`,
      where: 'the inverter’s plus to its minus',
      switches: 'key off',
      ifNot: 'It has welded: disconnect out, and replace it.',
      caution: LIVE,
      two: true,
      subjectId: run.contactorId,
    }),
  );
  return steps;
}

export { C_SHARE, capacitorOf, RC_SHARE };
