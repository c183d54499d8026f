import type { Device } from '@/core/build';

/** A device in the drawing. */
export interface Placed {
  readonly id: string;
  readonly device: Device;
  readonly x: number;
  readonly y: number;
  readonly turned: boolean;
  /** Size of boxes and consumers; symbols have none. */
  readonly width?: number;
  readonly height?: number;
}

export interface Wire {
  readonly id: string;
  readonly points: readonly (readonly [number, number])[];
  /** Where its chip stands; thin taps have none. */
  readonly chip: readonly [number, number] | null;
}
