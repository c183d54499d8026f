/** A loop of coolant: parts that warm it in their order, a radiator that gives the heat to the air. */

/** 50 % glycol (reference of the trade): J/(kg·K), kg/l. */
export const COOLANT_J_PER_KGK = 3400;
export const COOLANT_KG_PER_L = 1.07;

/** Heat that the stream takes with a kelvin, W/K. */
export const streamWPerK = (flowLPerMin: number): number => (flowLPerMin / 60) * COOLANT_KG_PER_L * COOLANT_J_PER_KGK;

/** Share of the difference to the air that the radiator takes out of the stream: 1 − e^(−UA/ṁc), air in plenty. */
export const effectiveness = (radiatorWPerK: number, stream: number): number => 1 - Math.exp(-radiatorWPerK / stream);

export interface LoopPart {
  readonly name: string;
  readonly lossW: number;
  /** From its limit point to the coolant, K/W. */
  readonly plateKPerW: number;
  readonly limitC: number;
}

export interface LoopTemperatures {
  /** Into the first part, and out of the last into the radiator, °C. */
  readonly inletC: number;
  readonly hottestC: number;
  readonly parts: readonly { readonly name: string; readonly coolantC: number; readonly partC: number }[];
}

/** Where the loop settles. Parts in the order of the flow, the first one behind the radiator. */
export function settled(
  parts: readonly LoopPart[],
  flowLPerMin: number,
  radiatorWPerK: number,
  airC: number,
): LoopTemperatures {
  const stream = streamWPerK(flowLPerMin);
  const heatW = parts.reduce((sum, { lossW }) => sum + lossW, 0);
  const hottestC = airC + heatW / (effectiveness(radiatorWPerK, stream) * stream);
  let coolantC = hottestC - heatW / stream;
  const inletC = coolantC;
  return {
    inletC,
    hottestC,
    parts: parts.map(({ name, lossW, plateKPerW }) => {
      // The plate sees the mean of what comes in and what goes out.
      const meanC = coolantC + lossW / stream / 2;
      coolantC += lossW / stream;
      return { name, coolantC, partC: meanC + lossW * plateKPerW };
    }),
  };
}

/** Seconds until the whole loop has risen by the share 1 − 1/e of what it settles at: heat capacity over what the radiator takes a kelvin. */
export const loopTau = (heatJPerK: number, flowLPerMin: number, radiatorWPerK: number): number => {
  const stream = streamWPerK(flowLPerMin);
  return heatJPerK / (effectiveness(radiatorWPerK, stream) * stream);
};

/**
 * Flow where a pump meets its loop, l/min: the pump’s pressure falls with the square of the flow from its shut-off to nothing at its free
 * flow, the loop’s drop rises with it: Q = √(p0 / (p0 / Q0² + k)).
 */
export function pumpMeetsLoop(
  pump: { readonly shutOffPa: number; readonly freeLPerMin: number },
  loop: { readonly dropPa: number; readonly atLPerMin: number },
): number {
  const k = loop.dropPa / loop.atLPerMin ** 2;
  return Math.sqrt(pump.shutOffPa / (pump.shutOffPa / pump.freeLPerMin ** 2 + k));
}
