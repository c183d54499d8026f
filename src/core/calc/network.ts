import type { WorkingLine } from '../checks';
import { type Element, type Network, operatingPoint, type SwitchEvent, transient } from '../circuit';
import { notFollowed } from './refused';

export interface NetworkInput {
  readonly elements: readonly Element[];
  readonly ground: string;
  readonly analysis:
    | { readonly kind: 'operating-point' }
    | {
        readonly kind: 'transient';
        readonly stopS: number;
        readonly initial?: 'rest' | 'operating-point';
        readonly events?: readonly SwitchEvent[];
        readonly outputs?: readonly string[];
        readonly samples?: number;
      };
}

const DEFAULT_SAMPLES = 101;
const plain = <V>(map: ReadonlyMap<string, V>): Record<string, V> => Object.fromEntries(map);
const finite = (value: number | null): number | null => (value !== null && Number.isFinite(value) ? value : null);

function steady(network: Network) {
  const point = operatingPoint(network);
  return {
    result: {
      solvable: point.solvable,
      ...(point.solvable ? {} : { reason: point.reason }),
      maximumLoadFactor: finite(point.maximumLoadFactor),
      islands: point.islands,
      ...(point.solvable
        ? {
            nodeVoltagesV: plain(point.nodeVoltagesV),
            elementCurrentsA: plain(point.elementCurrentsA),
            elementPowersW: plain(point.elementPowersW),
          }
        : { nodeVoltagesV: {}, elementCurrentsA: {}, elementPowersW: {} }),
      loadsOn: [...point.loadsOn],
    },
    working: [
      {
        formula: 'Σ I = 0 at every node, V_a − V_b = law of each element',
        figures: `${network.elements.length} elements, ${point.referenceOf.size} nodes, ${point.islands.length} islands besides ground`,
      },
      ...(point.maximumLoadFactor !== null
        ? [
            {
              formula: 'largest common factor on all consuming loads',
              figures: 'Newton from the no-load solution, bisection for the factor at which it vanishes',
              result: { value: point.maximumLoadFactor, dimension: 'ratio' as const },
            },
          ]
        : []),
    ],
  };
}

function overTime(network: Network, analysis: Extract<NetworkInput['analysis'], { kind: 'transient' }>) {
  const { stopS, initial = 'rest', events = [], samples = DEFAULT_SAMPLES } = analysis;
  const nodes = [...new Set(network.elements.flatMap((element) => [element.a, element.b]))];
  const ids = network.elements.map((element) => element.id);
  const wanted = analysis.outputs ?? [...nodes, ...ids];
  const shownNodes = wanted.filter((name) => nodes.includes(name));
  const shownElements = wanted.filter((name) => ids.includes(name));
  const sampleTimesS = Array.from({ length: samples }, (_, k) => (samples === 1 ? stopS : (k * stopS) / (samples - 1)));
  const run = transient(network, {
    stopS,
    initial,
    events,
    sampleTimesS,
    sample: (timeS, probe) => ({
      timeS,
      volts: shownNodes.map((node) => probe.nodeVoltage(node)),
      amps: shownElements.map((id) => probe.current(id)),
    }),
  });
  if (!run.converged) throw notFollowed('The network over time', run);
  return {
    result: {
      converged: true,
      timesS: run.samples.map(({ timeS }) => timeS),
      nodeVoltagesV: Object.fromEntries(shownNodes.map((node, k) => [node, run.samples.map(({ volts }) => volts[k]!)])),
      elementCurrentsA: Object.fromEntries(shownElements.map((id, k) => [id, run.samples.map(({ amps }) => amps[k]!)])),
      elements: plain(run.elements),
      loadSwitchings: run.loadSwitchings,
    },
    working: [
      {
        formula: 'implicit Runge–Kutta of order 4, step by error estimate, switching moments located',
        figures: `${run.steps} steps to ${stopS} s`,
      },
    ],
  };
}

/** The general network, as an operating point or over time. Throws NetworkError for networks that mean nothing. */
export function calcNetwork(input: NetworkInput): { result: unknown; working: readonly WorkingLine[] } {
  const network: Network = { elements: input.elements.map(withoutNulls), ground: input.ground };
  return input.analysis.kind === 'operating-point' ? steady(network) : overTime(network, input.analysis);
}

/** A field that is null is "not there". */
function withoutNulls(element: Element): Element {
  return Object.fromEntries(Object.entries(element).filter(([, value]) => value !== null)) as unknown as Element;
}
