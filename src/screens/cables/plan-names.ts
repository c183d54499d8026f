/** A name as long as there is room for. */
export const cut = (name: string, most: number): string => (name.length > most ? `${name.slice(0, most - 1)}…` : name);

/** A name in as many lines as there is room for, broken between words. */
export function linesOf(name: string, most: number, lines: number): readonly string[] {
  if (name.length <= most || lines < 2) return [cut(name, most)];
  const space = name.lastIndexOf(' ', most);
  return space <= 0 ? [cut(name, most)] : [name.slice(0, space), ...linesOf(name.slice(space + 1), most, lines - 1)];
}

/** Whether a block’s name stands in it, and in which lines. */
export const nameIn = ({
  name,
  width,
  height,
}: {
  readonly name: string;
  readonly width: number;
  readonly height: number;
}): { readonly inside: boolean; readonly lines: readonly string[] } => ({
  inside: width > 62 && height > 26,
  lines: linesOf(name, Math.max(5, Math.floor(width / 6.6)), height > 42 ? 2 : 1),
});
/** Of a name that stands under its block. */
export const MOST_UNDER = 18;
