import type { BodyType } from '../build';
import { type CabinBalance, conductance, elementBand, holdsW, insideAfter, settlesAt, warmUp } from '../physics/cabin';
import { told as inUnits } from '../quantities';
import { coldestAssumed, coldestDayC, Follows, partOf, solvedStates, terminalVoltage, type Vehicle } from '../vehicle';

/** Warmth of the cabin on the coldest day, from the heaters that are really there, at the voltage that is really there. */

/** Generic cabins (reference of the trade): loss W/K, heat that a kelvin takes J/K. */
const CABINS: Readonly<Record<BodyType, readonly [number, number]>> = {
  roadster: [60, 60e3],
  saloon: [70, 100e3],
  estate: [60, 90e3],
  van: [130, 150e3],
  'off-roader': [90, 110e3],
  tractor: [60, 60e3],
  motorcycle: [20, 10e3],
  trike: [50, 40e3],
  'three-wheeler': [55, 60e3],
  cart: [60, 40e3],
};
/** Fresh air that clears the screen (reference of the trade), kg/s. */
export const DEMIST_KG_PER_S = 0.03;
/** Coolant in the loop to the old matrix takes heat up too (reference of the trade), J/K. */
const LOOP_J_PER_K = 20e3;
export const WANTED_C = 20;
/** Cold elements take up to so much of their rated power (reference of the trade). */
export const INRUSH = 2;
/** With warm seats people feel well so many kelvin cooler (reference of the trade). */
export const SEATS_K = 6;
const WARM_UP_S = 1800;

export interface HeaterAtWork {
  readonly id: string;
  readonly name: string;
  readonly ratedW: number;
  /** Lowest that it gives over the states in which one drives in the cold, W, and the voltage there. */
  readonly powerW: number;
  readonly atV: number;
  /** An element with a voltage of its own: what it gives there, as a band; null: electronics hold its power. */
  readonly band: readonly [number, number] | null;
  readonly ownV: number | null;
  /** Where the cabin settles with this one alone, °C. */
  readonly aloneC: number;
}

export interface CabinWarmth {
  readonly cabin: CabinBalance;
  readonly wantedC: number;
  readonly heaters: readonly HeaterAtWork[];
  readonly powerW: number;
  readonly needsW: number;
  readonly settlesC: number;
  readonly timeS: number | null;
  readonly curve: readonly { readonly t: number; readonly inside: number }[];
  /** With warm seats the cabin may be cooler: power then, seats included; null: no seats told. */
  readonly seatsFirstW: number | null;
  readonly assumed: readonly string[];
}

const known = new Follows<Vehicle, CabinWarmth>();

export const cabinWarmth = (vehicle: Vehicle): CabinWarmth => known.get(vehicle, () => work(vehicle));

function work(vehicle: Vehicle): CabinWarmth {
  const { cabin: told = {}, vehicle: facts, schools } = vehicle.build;
  const [lossWPerK, heatJPerK] = CABINS[facts.body ?? 'van'];
  const cabin: CabinBalance = {
    lossWPerK: told.lossWPerK ?? lossWPerK,
    freshKgPerS: told.freshKgPerS ?? DEMIST_KG_PER_S,
    recirculated: told.recirculated ?? 0,
    heatJPerK: (told.heatJPerK ?? heatJPerK) + (schools.heating === 'coolant-heater' ? LOOP_J_PER_K : 0),
    outsideC: coldestDayC(vehicle.build),
  };
  const wantedC = told.wantedC ?? WANTED_C;
  const heaters = heatersAtWork(vehicle, cabin);
  const powerW = heaters.reduce((sum, heater) => sum + heater.powerW, 0);
  return {
    cabin,
    wantedC,
    heaters,
    powerW,
    needsW: holdsW(cabin, wantedC),
    settlesC: settlesAt(cabin, powerW),
    timeS: warmUp(cabin, powerW, wantedC),
    curve: Array.from({ length: 61 }, (_, k) => {
      const t = (WARM_UP_S * k) / 60;
      return { t, inside: insideAfter(cabin, powerW, t) };
    }),
    seatsFirstW: told.seatsW ? Math.max(0, holdsW(cabin, wantedC - SEATS_K)) + told.seatsW : null,
    assumed: [
      ...coldestAssumed(vehicle.build),
      ...(told.lossWPerK === undefined
        ? [`A cabin of its shape loses ${inUnits(conductance({ ...cabin, freshKgPerS: 0 }), 'heatLoss')}.`]
        : []),
      ...(told.freshKgPerS === undefined ? ['Fresh air that clears the screen.'] : []),
      ...(schools.heating === undefined ? ['No coolant warms along: how it is heated is not entered.'] : []),
      ...(told.heatJPerK === undefined ? ['The cabin takes up heat as such cabins do.'] : []),
    ],
  };
}

/** Heaters for people, with what each gives in the worst corner of driving in the cold. */
function heatersAtWork(vehicle: Vehicle, cabin: CabinBalance): readonly HeaterAtWork[] {
  const cold = solvedStates(vehicle).filter(({ state }) => state.id === 'heating');
  return vehicle.devices.flatMap((heater): HeaterAtWork[] => {
    const part = partOf(heater, 'bus-device');
    if (heater.device.kind !== 'heater' || heater.device.warmsCells === true || !part) return [];
    let worst: { readonly w: number; readonly v: number } | null = null;
    for (const solved of cold) {
      const v = terminalVoltage(
        solved,
        { deviceId: heater.id, terminal: 'plus' },
        { deviceId: heater.id, terminal: 'minus' },
      );
      if (v === null) continue;
      const w = Math.abs(solved.point.elementCurrentsA.get(heater.id) ?? 0) * Math.abs(v);
      if (!worst || w < worst.w) worst = { w, v: Math.abs(v) };
    }
    const ownV = part.resistanceAtV ?? null;
    const asked = heater.device.powersW?.heating ?? 0;
    return [
      {
        id: heater.id,
        name: heater.device.name,
        ratedW: part.ratedPowerW,
        powerW: worst?.w ?? 0,
        atV: worst?.v ?? 0,
        band: ownV === null || !worst ? null : elementBand(asked, ownV, worst.v, vehicle.build.cabin?.inrush ?? INRUSH),
        ownV,
        aloneC: settlesAt(cabin, worst?.w ?? 0),
      },
    ];
  });
}
