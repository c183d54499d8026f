import { quantityText as q, type WorkingLine } from '../checks';
import {
  COOLANT_J_PER_KGK,
  COOLANT_KG_PER_L,
  effectiveness,
  type LoopPart,
  loopTau,
  settled,
  streamWPerK,
} from '../physics/coolant';

export interface CoolantInput {
  readonly parts: readonly {
    readonly name: string;
    readonly lossW: number;
    readonly plateKPerW: number;
    readonly limitC: number;
  }[];
  readonly flowM3PerS: number;
  readonly radiatorWPerK: number;
  readonly ambientC: number;
  readonly heatCapacityJPerK?: number | null;
  readonly startC?: number | null;
  readonly durationS?: number | null;
}

/** A coolant loop with its parts in order: where it settles, how far each part is from its limit, and after a while. */
export function calcCoolant(input: CoolantInput): { result: unknown; working: readonly WorkingLine[] } {
  const flow = input.flowM3PerS * 60000;
  const parts: readonly LoopPart[] = input.parts;
  const loop = settled(parts, flow, input.radiatorWPerK, input.ambientC);
  const margins = loop.parts.map(({ partC }, k) => parts[k]!.limitC - partC);
  const tightest = margins.indexOf(Math.min(...margins));
  const { heatCapacityJPerK: heat, durationS: duration } = input;
  const tau = heat ? loopTau(heat, flow, input.radiatorWPerK) : null;
  const start = input.startC ?? input.ambientC;
  const share = tau !== null && duration !== null && duration !== undefined ? Math.exp(-duration / tau) : null;
  const after = (endC: number) => (share === null ? null : endC + (start - endC) * share);
  return {
    result: {
      inletC: loop.inletC,
      hottestCoolantC: loop.hottestC,
      parts: loop.parts.map(({ name, coolantC, partC }, k) => ({
        name,
        coolantOutC: coolantC,
        temperatureC: partC,
        marginK: margins[k]!,
      })),
      tightestPart: tightest,
      timeConstantS: tau,
      inletAfterC: after(loop.inletC),
    },
    working: [
      {
        formula: 'ΔT = P / (ṁ · c), ε = 1 − e^(−UA / ṁc)',
        figures: `${q(flow, 'flow')} of ${COOLANT_KG_PER_L} kg/l and ${COOLANT_J_PER_KGK} J/(kg·K): ${q(streamWPerK(flow), 'heatLoss')}, ε ${effectiveness(input.radiatorWPerK, streamWPerK(flow)).toFixed(3)}`,
        result: { value: loop.inletC, dimension: 'temperature' },
        note: 'Coolant behind the radiator.',
      },
    ],
  };
}
