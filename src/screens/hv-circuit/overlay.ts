import type { Live } from '@/core/simulate';

/** What the drawing shows instead of an operating state: a fault, or what stays live. */
export interface Overlay {
  /** Through each element, A; elements that are not in it carry nothing. Null: not about currents. */
  readonly flow: ReadonlyMap<string, number> | null;
  /** Null: not about voltages. */
  readonly live: ReadonlyMap<string, Live> | null;
  /** Drawn open: switches that are opened, fuses that are blown. */
  readonly open: ReadonlySet<string>;
}

export const LIVE_WORDS: Readonly<Record<Live, string>> = { hazardous: 'live', low: 'under 60 V', dead: 'off cells' };
