import { quantityText as q, type WorkingLine } from '../checks';
import { GRIP, hydraulicW, keepsUpTo, kingpinNm, rackFlowLPerMin, rimNm } from '../physics/steering';

export interface SteeringInput {
  readonly pistonAreaM2: number;
  readonly travelPerTurnM: number;
  readonly leakageM3PerS: number;
  readonly pumpFlowM3PerS: number;
  readonly pressurePa: number;
  readonly turnsPerS: readonly number[];
  readonly efficiency?: number | null;
  readonly supplyVoltageV?: number | null;
  readonly wheelLoadN?: number | null;
  readonly tyrePressurePa?: number | null;
  readonly frictionCoefficient?: number | null;
  readonly steeringRatio?: number | null;
  readonly steeringEfficiency?: number | null;
}

const EFFICIENCY = 0.55;
const VOLTAGE_V = 13;
const GEAR = 0.8;
/** m³/s in litres a minute. */
const L_PER_MIN = 60000;

/** A hydraulic rack on an electric pump: does it keep up, what does it draw; and the rim without assist. */
export function calcSteering(input: SteeringInput): { result: unknown; working: readonly WorkingLine[] } {
  const mm2 = input.pistonAreaM2 * 1e6;
  const leak = input.leakageM3PerS * L_PER_MIN;
  const flow = input.pumpFlowM3PerS * L_PER_MIN;
  const asked = input.turnsPerS.map((turns) => rackFlowLPerMin(mm2, input.travelPerTurnM, turns, leak));
  const hydraulic = hydraulicW(input.pressurePa, flow);
  const electric = hydraulic / (input.efficiency ?? EFFICIENCY);
  const { wheelLoadN, tyrePressurePa, steeringRatio } = input;
  const kingpin =
    wheelLoadN && tyrePressurePa ? kingpinNm(wheelLoadN, tyrePressurePa, input.frictionCoefficient ?? GRIP) : null;
  const rim =
    kingpin !== null && steeringRatio ? rimNm(kingpin, steeringRatio, input.steeringEfficiency ?? GEAR) : null;
  return {
    result: {
      rackFlowM3PerS: asked.map((one) => one / L_PER_MIN),
      keepsUp: asked.map((one) => one <= flow * (1 + 1e-12)),
      keepsUpToTurnsPerS: keepsUpTo(mm2, input.travelPerTurnM, flow, leak),
      hydraulicPowerW: hydraulic,
      electricPowerW: electric,
      currentA: electric / (input.supplyVoltageV ?? VOLTAGE_V),
      kingpinTorqueNm: kingpin,
      rimTorqueNm: rim,
    },
    working: [
      {
        formula: 'Q = A · s · n + Q_leak',
        figures: input.turnsPerS.map((turns, k) => `${turns} turns/s ${q(asked[k]!, 'flow')}`).join(', '),
        note: `The pump gives ${q(flow, 'flow')}.`,
      },
      {
        formula: 'P = p · Q / η',
        figures: `${q(input.pressurePa, 'hydraulicPressure')} · ${q(flow, 'flow')}`,
        result: { value: electric, dimension: 'power' },
      },
      ...(kingpin === null
        ? []
        : [
            {
              formula: 'T = μ · W / 3 · √(W / p)',
              figures: `${q(wheelLoadN!, 'force')} on ${q(tyrePressurePa!, 'hydraulicPressure')}`,
              result: { value: kingpin, dimension: 'torque' as const },
            },
          ]),
    ],
  };
}
