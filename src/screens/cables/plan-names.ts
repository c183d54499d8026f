/** A name as long as there is room for. */
export const cut = (name: string, most: number): string => (name.length > most ? `${name.slice(0, most - 1)}…` : name);

/** A name in as many lines as there is room for, broken between words. */
export function linesOf(name: string, most: number, lines: number): readonly string[] {
  if (name.length <= most || lines < 2) return [cut(name, most)];
  const space = name.lastIndexOf(' ', most);
  return space <= 0 ? [cut(name, most)] : [name.slice(0, space), ...linesOf(name.slice(space + 1), most, lines - 1)];
}
