import { temperaturesOf } from '../physics/cell-limits';
import { resistance20FromArea } from '../physics/conductor';
import { once } from '../quantities';
import type { CablePart, CellPart, ContactorPart, FusePart, MotorPart, Part, VoltageWindow } from './types';

/** Per cell, V: nominal, the least that it may be emptied to and the most that it may be charged to (generic, by chemistry). */
const CHEMISTRY_V: Readonly<Record<CellPart['chemistry'], readonly [nominal: number, empty: number, full: number]>> = {
  lfp: [3.2, 2, 3.8],
  nmc: [3.65, 2.5, 4.4],
  lto: [2.3, 1.5, 2.9],
  // 2.65 V is an equalising charge.
  'lead-flooded': [2, 1.5, 2.7],
  'lead-agm': [2, 1.5, 2.6],
};

/** Resistance of a cable against its area and metal: tables and makers lie within these shares of ρ/S plus stranding (IEC 60228, ISO 19642). */
const RESISTANCE_SHARE = [0.88, 1.3] as const;
/** Diameter over that of a solid bar of the same area. */
const DIAMETER_SHARE = [0.98, 1.8] as const;
/** No coil picks up at less than this share of its rated voltage. */
const LEAST_PICK_UP = 0.15;

const v = (volts: number): string => `${Number(volts.toPrecision(4))} V`;

function ofCell(cell: CellPart): string[] {
  const { chemistry, nominalV, fullV, emptyV } = cell;
  const [nominal, least, most] = CHEMISTRY_V[chemistry];
  // A module counts as so many cells in series.
  const cells = Math.max(1, Math.round(nominalV / nominal));
  return [
    ...(emptyV < nominalV && nominalV < fullV
      ? []
      : [`empty ${v(emptyV)}, nominal ${v(nominalV)} and full ${v(fullV)} are not in this order`]),
    ...(fullV / cells <= most ? [] : [`full ${v(fullV)} is more than this chemistry bears (${v(most * cells)})`]),
    ...(emptyV / cells >= least ? [] : [`empty ${v(emptyV)} is less than this chemistry bears (${v(least * cells)})`]),
    ...(['charge', 'discharge'] as const).flatMap((way) => {
      const [coldest, hottest] = temperaturesOf(cell, way);
      return coldest < hottest ? [] : [`it may be ${way}d from a temperature above the one up to which it may`];
    }),
  ];
}

function ofFuse({
  multiples,
  fusingMultiple,
  nonFusingMultiple,
  totalOverPreArcing,
  continuousFactor,
}: FusePart): string[] {
  const falls = multiples.every((multiple, k) => k === 0 || multiple <= multiples[k - 1]!);
  return [
    ...(falls ? [] : ['its curve does not fall: a longer time would need more current']),
    ...(fusingMultiple <= multiples.at(-1)! ? [] : ['it would melt in 1000 s at less than it melts at in the hour']),
    ...(fusingMultiple > 1 ? [] : ['it would melt at its rated current']),
    ...(nonFusingMultiple < fusingMultiple ? [] : ['it would melt at what it is said to bear']),
    ...(totalOverPreArcing >= 1 ? [] : ['it would let through less than it takes to melt it']),
    ...(continuousFactor <= 1 ? [] : ['it would carry more than its rated current for good']),
  ];
}

function ofContactor(part: ContactorPart): string[] {
  const { coilVoltageV, coilPickUpV, coilHoldV, breakCurrentA, reverseBreakCurrentA } = part;
  const pickUp = coilPickUpV ?? coilVoltageV;
  return [
    ...(pickUp <= coilVoltageV ? [] : [`its coil picks up at ${v(pickUp)}, above its rated ${v(coilVoltageV)}`]),
    ...(pickUp >= LEAST_PICK_UP * coilVoltageV
      ? []
      : [`a coil for ${v(coilVoltageV)} does not pick up at ${v(pickUp)}`]),
    ...((coilHoldV ?? 0) <= pickUp
      ? []
      : [`its coil drops out under ${v(coilHoldV!)}, above its pick-up of ${v(pickUp)}`]),
    ...((reverseBreakCurrentA ?? 0) <= breakCurrentA ? [] : ['it would break more backwards than forwards']),
  ];
}

function ofCable({ areaMm2, metal, resistance20OhmPerM, conductorDiameterMm }: CablePart): string[] {
  const share = resistance20OhmPerM / resistance20FromArea(areaMm2, metal);
  const wide = conductorDiameterMm / Math.sqrt((4 * areaMm2) / Math.PI);
  return [
    ...(share >= RESISTANCE_SHARE[0] && share <= RESISTANCE_SHARE[1]
      ? []
      : [
          `${Number((1000 * resistance20OhmPerM).toPrecision(3))} mΩ/m is not the resistance of ${areaMm2} mm² of ${metal}`,
        ]),
    ...(wide >= DIAMETER_SHARE[0] && wide <= DIAMETER_SHARE[1]
      ? []
      : [`${areaMm2} mm² do not go with ${Number(conductorDiameterMm.toPrecision(3))} mm across`]),
  ];
}

function ofWindow({ workingMinV, workingMaxV, absoluteMaxV }: VoltageWindow): string[] {
  return workingMinV < workingMaxV && workingMaxV <= absoluteMaxV
    ? []
    : [`it works from ${v(workingMinV)} to ${v(workingMaxV)} and bears ${v(absoluteMaxV)}: not in this order`];
}

function ofMotor({ continuousPowerW, peakPowerW, baseSpeedRpm, maximumSpeedRpm, origins }: MotorPart): string[] {
  // What nobody knows contradicts nothing.
  const known = (...fields: string[]) => fields.every((field) => origins?.[field] !== 'unknown');
  return [
    ...(continuousPowerW <= peakPowerW || !known('continuousPowerW', 'peakPowerW')
      ? []
      : ['it gives more for good than at its peak']),
    ...(baseSpeedRpm <= maximumSpeedRpm || !known('baseSpeedRpm', 'maximumSpeedRpm')
      ? []
      : ['its base speed is above its highest']),
  ];
}

/** What of a part’s figures can’t be true together, in words; empty: nothing. Figures that are far from any sheet say nothing here. */
export const contradictions = once((part: Part): readonly string[] => find(part));

function find(part: Part): readonly string[] {
  switch (part.kind) {
    case 'cell':
      return ofCell(part);
    case 'fuse':
      return ofFuse(part);
    case 'contactor':
      return ofContactor(part);
    case 'cable':
      return ofCable(part);
    case 'motor':
      return ofMotor(part);
    case 'inverter':
      return ofWindow(part.window);
    case 'bus-device':
      return [
        ...ofWindow(part.window),
        ...(part.resistanceAtV === undefined ||
        (part.resistanceAtV >= part.window.workingMinV && part.resistanceAtV <= part.window.workingMaxV)
          ? []
          : [
              `its wire takes its power at ${v(part.resistanceAtV)}, outside the ${v(part.window.workingMinV)} to ${v(part.window.workingMaxV)} at which it works`,
            ]),
        ...(part.turnOnV !== null && part.turnOffV !== null && part.turnOffV > part.turnOnV
          ? [`it switches off at ${v(part.turnOffV)}, above the ${v(part.turnOnV)} at which it switches on`]
          : []),
      ];
    default:
      return [];
  }
}
