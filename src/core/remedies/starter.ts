import type { Assessment } from '../assess';
import type { Build, Edit, LayOutInput } from '../build';
import {
  type CablePart,
  type CellPart,
  type ContactorPart,
  catalogueOf,
  cataloguePart,
  type FusePart,
  type InverterPart,
  type ResistorPart,
} from '../parts';
import { currentIn, partOf } from '../vehicle';
import { thickEnough } from './thick-enough';

/** What someone who starts from nothing chooses. */
export interface StarterChoice {
  readonly cell: CellPart;
  readonly cellsInSeries: number;
  readonly cellsInParallel: number;
  readonly inverter: InverterPart;
  readonly runLengthM: number;
  readonly boxes?: 1 | 2;
}

const smallest = <T>(parts: readonly T[], fits: (part: T) => boolean, size: (part: T) => number): T => {
  const sorted = [...parts].sort((p, q) => size(p) - size(q));
  return sorted.find(fits) ?? sorted.at(-1)!;
};

/**
 * A first set of parts for a traction circuit: the smallest that stand the full voltage and the assumed cruise current. A
 * starting point to be judged and changed, not a recommendation: the model decides what holds. What is `fixed` was chosen before.
 */
export function starterLayout(
  build: Build,
  choice: StarterChoice,
  seed: string,
  fixed: Partial<Pick<LayOutInput, 'mainFuse' | 'mainContactor' | 'disconnect' | 'cable'>> = {},
): LayOutInput {
  const fullV = choice.cellsInSeries * choice.cell.fullV;
  const cruiseA = build.duty.cruisePowerW / (choice.cellsInSeries * choice.cell.nominalV);
  const fuseV = smallest(
    catalogueOf('fuse').filter((part) => part.family === 'traction'),
    (part) => (part.ratedVoltageDcV ?? 0) >= fullV,
    (part) => part.ratedVoltageDcV ?? 0,
  ).ratedVoltageDcV;
  const fuses: readonly FusePart[] = catalogueOf('fuse').filter(
    (part) => part.family === 'traction' && part.ratedVoltageDcV === fuseV,
  );
  const mainFuse =
    fixed.mainFuse ??
    smallest(
      fuses,
      (part) => part.ratedCurrentA * part.continuousFactor * 0.85 >= cruiseA * 1.15,
      (part) => part.ratedCurrentA,
    );
  const mainContactor: ContactorPart =
    fixed.mainContactor ??
    smallest(
      catalogueOf('contactor'),
      (part) =>
        part.ratedVoltageV >= fullV &&
        Math.max(...part.carry.map((point) => point.currentA)) >= cruiseA * 1.3 &&
        part.breakCurrentA >= 100,
      (part) => part.ratedVoltageV + part.makeCurrentA,
    );
  const prechargeRelay: ContactorPart = smallest(
    catalogueOf('contactor').filter((part) => part.breakCurrentA < 50),
    (part) => part.ratedVoltageV >= fullV,
    (part) => part.ratedVoltageV,
  );
  // A resistor that reaches 95 % in about half a second and survives a shorted bus for twice that.
  const ohm = 0.5 / (3 * Math.max(choice.inverter.linkCapacitanceF, 1e-4));
  const prechargeResistor: ResistorPart = [...catalogueOf('resistor')].sort(
    (p, q) =>
      score(p, ohm, fullV, choice.inverter.linkCapacitanceF) - score(q, ohm, fullV, choice.inverter.linkCapacitanceF),
  )[0]!;
  const cables: readonly CablePart[] = catalogueOf('cable').filter((part) => part.shielded);
  // Roughly 5 A/mm² and never thinner than the fuse asks; the thermal balance then judges it.
  const cable =
    fixed.cable ??
    smallest(
      cables,
      (part) => part.areaMm2 * 5 >= mainFuse.ratedCurrentA,
      (part) => part.areaMm2,
    );
  const disconnect =
    fixed.disconnect ??
    smallest(
      catalogueOf('disconnect'),
      (part) => part.ratedVoltageV >= fullV && part.ratedCurrentA >= cruiseA,
      (part) => part.ratedVoltageV,
    );
  const layOut = (prechargeCable: CablePart): LayOutInput => ({
    seed,
    ...choice,
    disconnect,
    mainContactor,
    prechargeRelay,
    prechargeResistor,
    mainFuse,
    cable,
    prechargeCable,
    coils: {
      wire: cataloguePart('cable-thin-1', 'cable'),
      fuse: cataloguePart('fuse-blade-58-10', 'fuse'),
      loopLengthM: 1,
      coilLengthM: 2,
    },
  });
  // The resistor's own wires stand before and behind it where the main fuse lets a whole short through.
  const thin = [...cables].filter(({ areaMm2 }) => areaMm2 >= 2.5).sort((p, q) => p.areaMm2 - q.areaMm2);
  return layOut(thickEnough(build, thin, (one) => ({ edit: 'layOut', input: layOut(one) })));
}

function score(part: ResistorPart, ohm: number, fullV: number, capacitanceF: number): number {
  const survives = (fullV ** 2 / part.resistanceOhm) * 6 * part.resistanceOhm * capacitanceF <= part.pulseEnergyJ;
  return Math.abs(Math.log(part.resistanceOhm / ohm)) + (survives ? 0 : 5) + part.ratedPowerW / 1000;
}

/** A pack that stands beside the first: what it holds and its resistance, as measured or told. */
export interface SecondPack {
  readonly ah: number;
  readonly ohm: number;
}

/** Its cells as a part of their own: capacity and resistance as told, the rest as those of the first pack, and marked as that. */
function cellsOf({ ah, ohm }: SecondPack, like: CellPart, cellsInSeries: number, seed: string): CellPart {
  const { maxDischargeA: _, peakDischargeA: _p, maxChargeA: _c, peakChargeA: _q, ...others } = like;
  return {
    ...others,
    id: `own-${seed}`,
    name: `Second pack, ${ah.toFixed(0)} Ah`,
    provenance: 'own',
    capacityAh: ah,
    resistanceOhm: Math.max(1e-6, ohm / cellsInSeries - like.linkResistanceOhm),
    massKg: (like.massKg * ah) / like.capacityAh,
    origins: {
      linkResistanceOhm: 'generic',
      nominalV: 'generic',
      fullV: 'generic',
      emptyV: 'generic',
      massKg: 'guess',
    },
  };
}

/** A second string beside the pack, of so many of the same cells in parallel or as it was measured, with the first fuse, contactor and cable that fit; the model then judges. */
export function secondStringEdit(assessment: Assessment, second: number | SecondPack, seed: string): Edit | null {
  const {
    results: { pack },
    vehicle,
  } = assessment;
  const first = pack?.strings[0];
  const box = first ? vehicle.deviceOf.get(first.boxIds[0]!) : undefined;
  const cell = partOf(box, 'cell');
  if (!pack || !first || !cell) return null;
  const largest = (duration: 'sustained' | 'any') =>
    Math.max(
      0,
      ...vehicle.cases
        .filter(({ state }) => duration === 'any' || state.duration === duration)
        .map((solved) => currentIn(solved, box!.id) ?? 0),
    );
  // It may have to carry everything alone.
  const sustainedA = largest('sustained');
  const fuse = smallest(
    catalogueOf('fuse').filter((part) => part.family === 'traction' && (part.ratedVoltageDcV ?? 0) >= pack.fullV),
    (part) => part.ratedCurrentA * part.continuousFactor * 0.85 >= sustainedA * 1.15,
    (part) => part.ratedCurrentA * 1e4 + (part.ratedVoltageDcV ?? 0),
  );
  const contactor = smallest(
    catalogueOf('contactor'),
    (part) =>
      part.ratedVoltageV >= pack.fullV &&
      Math.max(...part.carry.map((point) => point.currentA)) >= sustainedA * 1.3 &&
      part.breakCurrentA >= largest('any'),
    (part) => part.ratedVoltageV + part.makeCurrentA,
  );
  const cable = smallest(
    catalogueOf('cable').filter((part) => part.shielded),
    (part) => part.areaMm2 * 5 >= fuse.ratedCurrentA,
    (part) => part.areaMm2,
  );
  return {
    edit: 'addString',
    input: {
      seed,
      name: `String ${pack.strings.length + 1}`,
      cell: typeof second === 'number' ? cell : cellsOf(second, cell, first.cellsInSeries, seed),
      cellsInSeries: first.cellsInSeries,
      cellsInParallel: typeof second === 'number' ? second : 1,
      fuse,
      contactor,
      cable,
      lengthM: 1,
    },
  };
}
