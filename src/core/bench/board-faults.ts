import type { Id } from '../build';
import type { FaultName } from '../simulate/sequence';

/** What a fault does to the board: a changed part or joint, never a script. */
export interface BoardFault {
  readonly id: string;
  /** Of the sequence: a sensor, a switch, a contactor that fails. */
  readonly sequence?: FaultName;
  /** Elements of the traction circuit that are broken, or joined by so much more, Ω. */
  readonly openHv?: readonly Id[];
  readonly addOhm?: { readonly id: Id; readonly ohm: number };
  /** A load that stays on the link, Ω; a larger capacitor, times. */
  readonly linkLoadOhm?: number;
  readonly linkTimes?: number;
  /** Contactors that are welded, by name or by their sort. */
  readonly welded?: readonly Id[];
  readonly weldSort?: number;
  readonly resistorOpen?: boolean;
  /** Wires of the 12-volt side that are broken; the battery under load so weak, V. */
  readonly openLv?: readonly Id[];
  readonly supplyV?: number;
  /** From a pole to the body, Ω. */
  readonly leak?: { readonly pole: 'plus' | 'minus' | 'middle'; readonly ohm: number };
  /** Terminators on the line; both wires of it joined. */
  readonly terminators?: number;
  readonly canShort?: boolean;
  /** The sensors’ 5 V, as they stand, V; converter that gives nothing. */
  readonly sensorV?: number;
  readonly noConverter?: boolean;
}

/** A fault that can be practised: what is seen, where to look, what it was. */
export interface Practice {
  readonly fault: BoardFault;
  readonly name: string;
  readonly hints: readonly string[];
  readonly explained: string;
}
