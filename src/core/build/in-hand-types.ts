/** How far a bought part is; and one that is made. */
export const BOUGHT_STATES = ['wanted', 'ordered', 'here', 'tested', 'fitted', 'replaced'] as const;
export const MADE_STATES = [
  'sketched',
  'modelled',
  'mocked-up',
  'trial-fit',
  'ordered',
  'made',
  'painted',
  'fitted',
] as const;
export type HandState = (typeof BOUGHT_STATES)[number] | (typeof MADE_STATES)[number];

/** What is looked at before money is paid. */
export const LOOKED_AT = ['connectors', 'pins', 'corrosion', 'coolant', 'codes', 'insulation'] as const;
export type LookedAt = (typeof LOOKED_AT)[number];

/** A thing that is in hand, on its way or wanted: a device of the circuit, a spare, or something that is made. */
export interface InHand {
  readonly id: string;
  readonly name: string;
  /** It is made (bracket, plate, box, coupler), not bought. */
  readonly made: boolean;
  readonly state: HandState;
  readonly count: number;
  readonly spare?: boolean;
  /** The device of the circuit that it is. */
  readonly deviceId?: string;
  /** For one, in the owner’s money; paid, else expected. */
  readonly price?: number;
  readonly paid?: boolean;
  readonly from?: string;
  /** Plugs, pins, keys, wiring. */
  readonly came?: string;
  /** The vehicle that it comes out of, how far that had driven, and its year. */
  readonly donor?: string;
  readonly donorM?: number;
  readonly donorYear?: number;
  readonly found?: Readonly<Partial<Record<LookedAt, 'good' | 'bad'>>>;
  readonly note?: string;
}

/** A fault of the old 12-volt side, as it was found. */
export interface OldFault {
  readonly id: string;
  /** What it does, or does not. */
  readonly what: string;
  /** Empty: not found yet. */
  readonly cause: string;
  readonly mended: boolean;
}

/** Whom it is built for: what was agreed, and how the vehicle came in. */
export interface Customer {
  /** In the owner’s money, for everything. */
  readonly agreedPrice?: number;
  /** Put off till later, at a price of its own. */
  readonly options?: string;
  readonly odometerM?: number;
  readonly keys?: number;
  /** Scratches and dents that it came with. */
  readonly damage?: string;
}

export interface Costs {
  /** In the owner’s money. */
  readonly budget?: number;
}
