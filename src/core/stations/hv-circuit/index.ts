import { told } from '../../quantities';
import { isRun } from '../../simulate';
import { partOf } from '../../vehicle';
import { defineStation } from '../define';
import { cableShort } from './cable-short';
import { CIRCUIT_RULES } from './circuit-rules';
import { closingOrder } from './closing-order';
import { COIL_RULES } from './coil-rules';
import { contactorBreak } from './contactor-break';
import { CONTACTOR_RULES } from './contactor-rules';
import { CONTACTOR_WEAR_RULES } from './contactor-wear';
import { DISCHARGE_RULES } from './discharge-rules';
import { disconnectLeft } from './disconnect-left';
import { EMERGENCY_RULES } from './emergency-rules';
import { FAULT_RULES } from './fault-rules';
import { LET_THROUGH_RULES } from './fuse-let-through';
import { FUSE_RULES } from './fuse-rules';
import { INSULATION_RULES } from './insulation-rules';
import { LIVE_RULES } from './live-rules';
import { phaseWiring, reversed } from './phase-wiring-rules';
import { PLACEMENT_RULES } from './placement-rules';
import { devicePower } from './power-rules';
import { PRECHARGE_RULES } from './precharge-rules';
import { safeguard } from './safeguard-rules';
import { SERIES_RULES } from './series-rules';
import { TRIP_CURRENT_RULES } from './trip-current-rules';
import { unknownFigures } from './unknown-rule';

/** Is it safe to close, to carry, to break and to touch? */
export const hvCircuit = defineStation({
  id: 'hv-circuit',
  name: 'HV circuit',
  question: 'Is it safe to close, to carry, to break and to touch?',
  key: 'v',
  begin: 'start with cells in Pack',
  rules: [
    unknownFigures,
    ...CIRCUIT_RULES,
    ...FUSE_RULES,
    ...FAULT_RULES,
    cableShort,
    ...LET_THROUGH_RULES,
    ...PLACEMENT_RULES,
    ...TRIP_CURRENT_RULES,
    ...CONTACTOR_RULES,
    contactorBreak,
    ...CONTACTOR_WEAR_RULES,
    ...LIVE_RULES,
    ...COIL_RULES,
    ...EMERGENCY_RULES,
    ...PRECHARGE_RULES,
    closingOrder,
    ...DISCHARGE_RULES,
    ...INSULATION_RULES,
    disconnectLeft,
    devicePower,
    phaseWiring,
    safeguard,
    ...SERIES_RULES,
  ],
  leaves: ({ vehicle, vehicle: { build, devices } }) => [
    'Covers, labels, bonding and clearances beyond what somebody looked at and told.',
    ...(devices.some(
      (heater) => heater.device.kind === 'heater' && partOf(heater, 'bus-device')?.resistanceAtV === undefined,
    )
      ? ['A heater whose part does not say that it is a plain resistance is taken as holding its power at any voltage.']
      : []),
    ...(devices.some((heater) => partOf(heater, 'bus-device')?.resistanceAtV !== undefined)
      ? [
          'On the trip a heating wire takes the power that is told, whatever the voltage: near full charge it takes more.',
        ]
      : []),
    ...(reversed(vehicle).size > 0
      ? [
          'Contactors that reverse a series motor: where its cables lead, and that both directions never close together.',
        ]
      : []),
    ...(build.vehicle.altitudeM === 0
      ? ['The altitude is 0, as at the sea: where the vehicle climbs higher, contacts break less and air cools less.']
      : []),
    ...(build.vehicle.altitudeM > 2000
      ? [
          `Clearances above ${told(2000, 'length')} in plugs, fuse holders, inverters and chargers: they have to be wider. Ask the makers.`,
        ]
      : []),
  ],
  results: ({ precharges }) => precharges.find(isRun) ?? null,
});

export { largestPart } from './disconnect-left';
export { SAFEGUARD_WORDS, safeguardsOf } from './safeguard-rules';
export { type PrechargeFigure, prechargeWorkings } from './workings';
