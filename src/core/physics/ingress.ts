/** One protection class, or two that were both tested: "IP67", "IP66/IP67", "IP6X". */
const CLASS = /^IP([0-6X])([0-9X])K?$/;
/** Jets and dipping are tested apart: a case that stands dipping (7, 8) need not stand a jet (5, 6, 9), nor the other way round. */
const JETS = [5, 6, 9];
const DIPPED = [7, 8];

const digit = (text: string): number => (text === 'X' ? 0 : Number(text));

const parse = (text: string): readonly { readonly solids: number; readonly water: number }[] | null => {
  const classes = text.split('/').map((one) => CLASS.exec(one.trim()));
  return classes.every((one) => one !== null)
    ? classes.map((one) => ({ solids: digit(one![1]!), water: digit(one![2]!) }))
    : null;
};

/** Whether one water digit stands for another (IEC 60529, 6.2: above 6 it stands for dipping only, and for what lies below the jets). */
function waterCovers(has: number, needs: number): boolean {
  if (needs <= 4) return has >= needs;
  if (JETS.includes(needs)) return JETS.includes(has) && has >= needs;
  return DIPPED.includes(has) && has >= needs;
}

/**
 * Whether a case of one protection class is enough where another is needed (IEC 60529). Both digits count, each by itself; of a
 * double class either half may do. Null: one of the two is no class.
 */
export function ingressEnough(has: string, needs: string): boolean | null {
  const [own, wanted] = [parse(has), parse(needs)];
  if (!own || !wanted) return null;
  return wanted.every(
    ({ solids, water }) => own.some((one) => one.solids >= solids) && own.some((one) => waterCovers(one.water, water)),
  );
}
