/** Side outlines of usual bodies, nose to the left, in our own hand: shares of length and height from the sill up. */
const SHAPES: Readonly<Record<string, readonly (readonly [number, number])[]>> = {
  roadster: [
    [0, 0.18],
    [0.01, 0.46],
    [0.36, 0.6],
    [0.44, 0.98],
    [0.47, 1],
    [0.49, 0.62],
    [0.72, 0.62],
    [0.99, 0.52],
    [1, 0.18],
  ],
  saloon: [
    [0, 0.16],
    [0.01, 0.46],
    [0.27, 0.55],
    [0.38, 0.98],
    [0.66, 1],
    [0.78, 0.6],
    [0.99, 0.52],
    [1, 0.16],
  ],
  estate: [
    [0, 0.16],
    [0.01, 0.46],
    [0.27, 0.55],
    [0.38, 0.98],
    [0.9, 1],
    [0.99, 0.56],
    [1, 0.16],
  ],
  van: [
    [0, 0.12],
    [0, 0.44],
    [0.06, 0.56],
    [0.17, 0.97],
    [0.24, 1],
    [0.97, 1],
    [1, 0.94],
    [1, 0.12],
  ],
  'off-roader': [
    [0, 0.2],
    [0, 0.52],
    [0.3, 0.56],
    [0.35, 0.97],
    [0.4, 1],
    [0.97, 1],
    [1, 0.94],
    [1, 0.2],
  ],
  tractor: [
    [0, 0.28],
    [0, 0.56],
    [0.42, 0.6],
    [0.5, 0.6],
    [0.5, 0.42],
    [0.62, 0.42],
    [0.7, 0.5],
    [0.76, 0.5],
    [0.76, 1],
    [0.8, 1],
    [0.8, 0.46],
    [1, 0.46],
    [1, 0.28],
  ],
};

/** A closed path for a body of that shape between two corners of the drawing; an unknown shape is drawn as a saloon. */
export function sideOutline(
  shape: string | undefined,
  { left, right, top, ground }: { left: number; right: number; top: number; ground: number },
): string {
  const points = SHAPES[shape !== undefined && Object.hasOwn(SHAPES, shape) ? shape : 'saloon']!;
  const at = ([x, y]: readonly [number, number]) =>
    `${(left + x * (right - left)).toFixed(1)} ${(ground - y * (ground - top)).toFixed(1)}`;
  return `M${points.map(at).join('L')}Z`;
}
