import { generic } from './generic';
import type { BusDevicePart } from './types';

const bus = (
  id: string,
  name: string,
  window: readonly [number, number, number],
  linkCapacitanceF: number,
  ratedPowerW: number,
  turn: readonly [number, number] | null = null,
  chargePowerW?: number,
): BusDevicePart => ({
  id,
  name,
  kind: 'bus-device',
  ...generic,
  linkCapacitanceF,
  ratedPowerW,
  window: { workingMinV: window[0], workingMaxV: window[1], absoluteMaxV: window[2] },
  turnOnV: turn?.[0] ?? null,
  turnOffV: turn?.[1] ?? null,
  // Of the class for vehicles with a coolant loop; the smaller ones have fins and a fan.
  cooling: window[2] > 400 ? 'liquid' : 'air',
  ...(chargePowerW === undefined ? {} : { chargePowerW }),
});
export const BUS_DEVICES: readonly BusDevicePart[] = [
  bus(
    'charger-converter-400',
    'Combined 6.6 kW charger and 2 kW converter, 400 V class',
    [240, 430, 450],
    0.00022,
    2000,
    null,
    6600,
  ),
  bus('charger-400-6600', 'Charger, 6.6 kW, 400 V class', [240, 430, 450], 0.00015, 0, null, 6600),
  bus('converter-400-1500', 'Converter, 1.5 kW, 400 V class', [220, 430, 450], 0.0001, 1500),
  bus('converter-144-1000', 'Converter, 1 kW, 144 V class', [60, 170, 180], 0.00047, 1000),
  bus('charger-144-1500', 'On-board charger, 1.5 kW, 144 V class', [80, 165, 180], 0.0002, 0, null, 1500),
  // A diode at its output: no capacitor that its plug could meet.
  bus(
    'charger-144-3000',
    'Charger to stand outside, 3 kW, 144 V class, diode at its output',
    [80, 165, 180],
    0,
    0,
    null,
    3000,
  ),
  bus('converter-96-500', 'Converter, 500 W, 96 V class', [48, 120, 130], 0.0004, 500),
  bus('charger-96-2000', 'Charger, 2 kW, for 42 lead cells', [60, 115, 130], 0.0002, 0, null, 2000),
  bus('heater-400-5000', 'Coolant heater, 5 kW, 400 V class', [250, 400, 430], 0.00001, 5000),
  bus('heater-400-5000-awake', 'Coolant heater, 5 kW, wakes by itself', [250, 400, 430], 0.00001, 5000, [200, 180]),
  bus('heater-144-2000', 'Air heater, 2 kW, 144 V class', [60, 170, 180], 0, 2000),
  // Plain elements out of other heaters: what they give goes with the square of the voltage.
  { ...bus('element-350-3000', 'Heating element, 3 kW at 350 V', [60, 400, 430], 0, 3600), resistanceAtV: 350 },
  { ...bus('element-130-2000', 'Heating element, 2 kW at 130 V', [60, 155, 180], 0, 2900), resistanceAtV: 130 },
  bus('compressor-400-2500', 'Compressor, 2.5 kW, 400 V class', [230, 410, 430], 0.00006, 2500),
  bus('charger-48-1000', 'Charger, 1 kW, 48 V class', [20, 80, 90], 0.0005, 0, null, 1000),
  bus('charger-300-3300', 'Charger, 3.3 kW, 300 V class', [120, 340, 380], 0.00018, 0, null, 3300),
  bus('charger-800-11000', 'Charger, 11 kW, 800 V class', [290, 850, 920], 0.0001, 0, null, 11000),
  bus('converter-48-300', 'Converter, 300 W, 48 V class', [20, 66, 75], 0.0005, 300),
  bus('converter-300-1000', 'Converter, 1 kW, 300 V class', [120, 340, 380], 0.0002, 1000),
  bus('converter-800-2000', 'Converter, 2 kW, 800 V class', [290, 850, 920], 0.0001, 2000),
  bus('heater-300-3000', 'Coolant heater, 3 kW, 300 V class', [120, 340, 380], 0.00001, 3000),
  bus('heater-800-5000', 'Coolant heater, 5 kW, 800 V class', [290, 850, 920], 0.00001, 5000),
];
