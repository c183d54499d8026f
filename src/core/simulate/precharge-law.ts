import { type Element, type NotFollowed, type Probe, type SwitchEvent, transient } from '../circuit';

/** Input of the pocket law: a source, a resistor, a link with what hangs on it. Units in the names; absent means not there. */
export interface PrechargeLawInput {
  readonly packOcvV: number;
  readonly packResistanceOhm?: number | null;
  readonly prechargeResistanceOhm: number;
  readonly linkCapacitanceF: number;
  readonly initialLinkVoltageV?: number | null;
  readonly busLoadResistanceOhm?: number | null;
  readonly bleedResistanceOhm?: number | null;
  readonly busShortResistanceOhm?: number | null;
  readonly constantPowerLoadW?: number | null;
  readonly turnOnV?: number | null;
  readonly turnOffV?: number | null;
  readonly secondCapacitanceF?: number | null;
  readonly betweenCapacitorsOhm?: number | null;
  readonly loopResistanceOhm?: number | null;
  readonly loopInductanceH?: number | null;
  readonly closeAtFraction?: number;
  readonly timeoutS: number;
}

export interface PrechargeLawResult {
  readonly t90S: number | null;
  readonly t95S: number | null;
  readonly t98S: number | null;
  readonly t99S: number | null;
  readonly reachesCloseLevel: boolean;
  readonly closeAtS: number | null;
  readonly resistorPeakCurrentA: number;
  readonly resistorPeakPowerW: number;
  /** Null when the closing level is never reached; then see resistorEnergyToTimeoutJ. */
  readonly resistorEnergyToCloseJ: number | null;
  readonly resistorEnergyToTimeoutJ: number;
  /** Null when a load cycles for ever. */
  readonly settledVoltageV: number | null;
  readonly settledFraction: number | null;
  readonly settledResistorPowerW: number | null;
  /** A load cycles on and off. */
  readonly hiccup: boolean;
  readonly periodS: number | null;
  readonly voltageDifferenceAtClosingV: number | null;
  readonly inrushPeakCurrentA: number | null;
  readonly inrushI2tA2s: number | null;
  readonly linkPeakVoltageAfterClosingV: number | null;
}

const GROUND = 'minus';
const LINK = 'link';
const RESISTOR = 'precharge resistor';
const MAIN = 'main';

function elementsOf(input: PrechargeLawInput): Element[] {
  const elements: Element[] = [
    {
      id: 'pack',
      kind: 'source',
      a: 'pack',
      b: GROUND,
      voltageV: input.packOcvV,
      resistanceOhm: input.packResistanceOhm ?? 0,
    },
    { id: RESISTOR, kind: 'resistor', a: 'pack', b: LINK, resistanceOhm: input.prechargeResistanceOhm },
    {
      id: 'link capacitor',
      kind: 'capacitor',
      a: LINK,
      b: GROUND,
      capacitanceF: input.linkCapacitanceF,
      initialVoltageV: input.initialLinkVoltageV ?? 0,
    },
  ];
  const resistor = (id: string, ohm: number | null | undefined) => {
    if (ohm !== null && ohm !== undefined)
      elements.push({ id, kind: 'resistor', a: LINK, b: GROUND, resistanceOhm: ohm });
  };
  resistor('bus load', input.busLoadResistanceOhm);
  resistor('bleed', input.bleedResistanceOhm);
  resistor('bus short', input.busShortResistanceOhm);
  if (input.constantPowerLoadW) {
    elements.push({
      id: 'load',
      kind: 'power',
      a: LINK,
      b: GROUND,
      powerW: input.constantPowerLoadW,
      ...(input.turnOnV == null ? {} : { turnOnV: input.turnOnV }),
      ...(input.turnOffV == null ? {} : { turnOffV: input.turnOffV }),
    });
  }
  if (input.secondCapacitanceF) {
    const between = input.betweenCapacitorsOhm ?? 0;
    const node = between > 0 ? 'second' : LINK;
    if (between > 0) elements.push({ id: 'between', kind: 'resistor', a: LINK, b: node, resistanceOhm: between });
    elements.push({
      id: 'second capacitor',
      kind: 'capacitor',
      a: node,
      b: GROUND,
      capacitanceF: input.secondCapacitanceF,
      initialVoltageV: input.initialLinkVoltageV ?? 0,
    });
  }
  return elements;
}

const LEVELS = [0.9, 0.95, 0.98, 0.99] as const;

/** Precharge and closing by transient simulation of the whole circuit; fractions are of packOcvV. A run that can't be followed has no result. */
export function prechargeLaw(input: PrechargeLawInput): PrechargeLawResult | NotFollowed {
  const elements = elementsOf(input);
  const fraction = input.closeAtFraction ?? 0.95;
  const ohm = input.prechargeResistanceOhm + (input.packResistanceOhm ?? 0);
  const capacitanceF = input.linkCapacitanceF + (input.secondCapacitanceF ?? 0);
  const tau = ohm * capacitanceF + (input.betweenCapacitorsOhm ?? 0) * (input.secondCapacitanceF ?? 0);
  const level = (id: string, share: number) => ({
    id,
    a: LINK,
    b: GROUND,
    voltageV: share * input.packOcvV,
    direction: 'rising' as const,
  });
  const thresholds = [...LEVELS.map((share) => level(`t${share}`, share)), level('close', fraction)];
  const initial = (input.initialLinkVoltageV ?? 0) / input.packOcvV;
  const crossings = new Map<string, number | null>();
  const look = (_: number, probe: Probe) => ({ linkV: probe.voltage(LINK, GROUND), amps: probe.current(RESISTOR) });
  const first = transient(
    { elements, ground: GROUND },
    {
      stopS: input.timeoutS,
      initial: 'rest',
      thresholds,
      watch: [RESISTOR],
      sampleTimesS: [input.timeoutS],
      sample: look,
    },
  );
  if (!first.converged) return first;
  for (const { id, voltageV } of thresholds)
    crossings.set(id, initial * input.packOcvV >= voltageV ? 0 : (first.crossingsS.get(id)?.[0] ?? null));
  const closeAtS = crossings.get('close') ?? null;
  const record = first.elements.get(RESISTOR)!;
  let toCloseJ: number | null = closeAtS === 0 ? 0 : null;
  if (closeAtS !== null && closeAtS > 0) {
    const toClose = transient({ elements, ground: GROUND }, { stopS: closeAtS, initial: 'rest', watch: [RESISTOR] });
    if (!toClose.converged) return toClose;
    toCloseJ = toClose.elements.get(RESISTOR)!.energyJ;
  }

  // Where it ends when the main never closes: long past every time constant, or cycling.
  const endS = 40 * tau;
  const settles = input.timeoutS >= endS ? first : null;
  const long =
    settles ??
    transient(
      { elements, ground: GROUND },
      { stopS: endS, initial: 'rest', watch: [RESISTOR], sampleTimesS: [endS], sample: look },
    );
  if (!long.converged) return long;
  const wakes = long.loadSwitchings.filter((event) => event.on);
  const hiccup = wakes.length >= 2 && long.loadSwitchings.length >= 3;
  const settled = hiccup ? null : long.samples.at(-1)!;
  const closing =
    closeAtS === null || input.loopResistanceOhm == null ? null : closeMain(input, elements, closeAtS, capacitanceF);
  if (closing && 'converged' in closing) return closing;
  return {
    t90S: crossings.get('t0.9') ?? null,
    t95S: crossings.get('t0.95') ?? null,
    t98S: crossings.get('t0.98') ?? null,
    t99S: crossings.get('t0.99') ?? null,
    reachesCloseLevel: closeAtS !== null,
    closeAtS,
    resistorPeakCurrentA: record.peakCurrentA,
    resistorPeakPowerW: record.peakPowerW,
    resistorEnergyToCloseJ: toCloseJ,
    resistorEnergyToTimeoutJ: record.energyJ,
    settledVoltageV: settled ? settled.linkV : null,
    settledFraction: settled ? settled.linkV / input.packOcvV : null,
    settledResistorPowerW: settled ? settled.amps ** 2 * input.prechargeResistanceOhm : null,
    hiccup,
    // Between the last two that are told one by one; those that were added up in between came in the same rhythm.
    periodS: hiccup ? (wakes.at(-1)!.atS - wakes.at(-2)!.atS) / (1 + (wakes.at(-2)!.again ?? 0)) : null,
    voltageDifferenceAtClosingV: closing?.differenceV ?? null,
    inrushPeakCurrentA: closing?.peakA ?? null,
    inrushI2tA2s: closing?.i2t ?? null,
    linkPeakVoltageAfterClosingV: closing?.highestV ?? null,
  };
}

function closeMain(input: PrechargeLawInput, elements: readonly Element[], closeAtS: number, capacitanceF: number) {
  const loopOhm = input.loopResistanceOhm ?? 0;
  const inductanceH = input.loopInductanceH ?? 0;
  const main: Element[] = [
    { id: MAIN, kind: 'switch', a: 'pack', b: inductanceH > 0 ? 'loop' : LINK, closed: false, resistanceOhm: loopOhm },
  ];
  if (inductanceH > 0) main.push({ id: 'loop inductance', kind: 'inductor', a: 'loop', b: LINK, inductanceH });
  const total = loopOhm + (input.packResistanceOhm ?? 0);
  const periodS = 2 * Math.PI * Math.sqrt(inductanceH * capacitanceF);
  const windowS = Math.max(periodS, 14 * total * capacitanceF, total > 0 ? (28 * inductanceH) / total : 0, 1e-9);
  const events: SwitchEvent[] = [{ atS: closeAtS, id: MAIN, closed: true }];
  const looks = Math.max(periodS, Math.min(windowS, 4 * total * capacitanceF));
  const samples = Array.from({ length: 301 }, (_, k) => closeAtS + (k * looks) / 300);
  for (let k = 1; looks < windowS && k <= 20; k++) samples.push(closeAtS + looks + (k * (windowS - looks)) / 20);
  const result = transient(
    { elements: [...elements, ...main], ground: GROUND },
    {
      stopS: closeAtS + windowS,
      initial: 'rest',
      events,
      watch: [MAIN],
      tolerance: 1e-7,
      sampleTimesS: samples,
      sample: (_, probe) => probe.voltage(LINK, GROUND),
    },
  );
  if (!result.converged) return result;
  const record = result.elements.get(MAIN)!;
  return {
    differenceV: input.packOcvV - result.samples[0]!,
    peakA: record.peakCurrentA,
    i2t: record.i2tA2s,
    highestV: Math.max(...result.samples),
  };
}
