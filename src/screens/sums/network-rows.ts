import { calcNetwork } from '@/core/calc';
import { type Element, NetworkError } from '@/core/circuit';
import { type Dimension, parseQuantity } from '@/core/quantities';

export type RowKind = 'source' | 'resistor' | 'power' | 'closed' | 'open';

/** One element as it is typed. */
export interface NetworkRow {
  readonly key: number;
  readonly id: string;
  readonly kind: RowKind;
  readonly a: string;
  readonly b: string;
  readonly value: string;
}

export const ROW_KINDS: Readonly<Record<RowKind, { readonly words: string; readonly dimension: Dimension | null }>> = {
  source: { words: 'source, a is plus', dimension: 'voltage' },
  resistor: { words: 'resistor', dimension: 'resistance' },
  power: { words: 'constant power', dimension: 'power' },
  closed: { words: 'switch, closed', dimension: null },
  open: { words: 'switch, open', dimension: null },
};
const UNIT: Readonly<Partial<Record<Dimension, string>>> = { voltage: 'V', resistance: 'Ω', power: 'W' };

export interface NetworkAnswer {
  readonly nodes: readonly { readonly name: string; readonly voltageV: number }[];
  readonly elements: readonly { readonly id: string; readonly currentA: number; readonly powerW: number }[];
  readonly note: string | null;
}

function elementOf({ id, kind, a, b, value }: NetworkRow): Element | string {
  const ends = { id, a: a.trim(), b: b.trim() };
  if (ends.id.trim() === '' || ends.a === '' || ends.b === '') return `${id || 'A row'} needs a name and two nodes.`;
  const { dimension } = ROW_KINDS[kind];
  if (dimension === null) return { ...ends, kind: 'switch', closed: kind === 'closed' };
  const parsed = parseQuantity(value, dimension, UNIT[dimension]!);
  if (!parsed.ok) return `${id}: ${parsed.reason} ${parsed.remedy}`;
  if (kind === 'source') return { ...ends, kind: 'source', voltageV: parsed.value };
  if (kind === 'resistor') return { ...ends, kind: 'resistor', resistanceOhm: parsed.value };
  return { ...ends, kind: 'power', powerW: parsed.value };
}

/** Solves the typed network at rest; a text says what is wrong and what to do. */
export function solveRows(rows: readonly NetworkRow[], ground: string): NetworkAnswer | string {
  const elements: Element[] = [];
  for (const row of rows) {
    const element = elementOf(row);
    if (typeof element === 'string') return element;
    elements.push(element);
  }
  try {
    const { result } = calcNetwork({ elements, ground: ground.trim(), analysis: { kind: 'operating-point' } });
    const { solvable, reason, maximumLoadFactor, nodeVoltagesV, elementCurrentsA, elementPowersW, islands } =
      result as {
        solvable: boolean;
        reason?: string;
        maximumLoadFactor: number | null;
        nodeVoltagesV: Record<string, number>;
        elementCurrentsA: Record<string, number>;
        elementPowersW: Record<string, number>;
        islands: readonly string[];
      };
    const room =
      maximumLoadFactor === null ? null : `The loads could be ${maximumLoadFactor.toPrecision(3)} times as large.`;
    if (!solvable) return `${reason ?? 'No operating point.'} ${room ?? ''}`.trim();
    return {
      nodes: Object.entries(nodeVoltagesV).map(([name, voltageV]) => ({ name, voltageV })),
      elements: elements.map(({ id }) => ({
        id,
        currentA: elementCurrentsA[id] ?? 0,
        powerW: elementPowersW[id] ?? 0,
      })),
      note: islands.length > 0 ? `Not joined to ${ground}: measured from ${islands.join(', ')}.` : room,
    };
  } catch (error) {
    if (error instanceof NetworkError) return `${error.message} ${error.remedy}`;
    throw error;
  }
}
