import type { CablePart } from '../../parts';
import type { Vehicle } from '../../vehicle';
import { clampCount, type Termination, terminationOf } from './terminations';

/** One piece to be cut. */
export interface Piece {
  readonly conductorId: string;
  /** As on its label: "Pack rear to front", with a number where several lie in parallel. */
  readonly name: string;
  readonly fromName: string;
  readonly toName: string;
  readonly lengthM: number;
  readonly clamps: number;
}

/** A reel, or what is left of one, and the pieces that come off it in this order. */
export interface Reel {
  readonly lengthM: number;
  readonly pieces: readonly Piece[];
  readonly leftM: number;
}

export interface CutGroup {
  readonly part: CablePart;
  readonly termination: Termination;
  readonly orange: boolean;
  readonly reels: readonly Reel[];
  readonly neededM: number;
  readonly wasteM: number;
}

export interface CutList {
  readonly groups: readonly CutGroup[];
  /** Conductors that can't be cut yet: no size or no length. */
  readonly open: readonly string[];
  /** Pieces longer than every reel. */
  readonly tooLong: readonly Piece[];
}

/** For stripping, lugs and a mistake, both ends together, m (practice). */
export const ALLOWANCE_M = 0.06;
const LONGEST_EXACT = 12;

/** Shares lengths out over reels so that as few are begun as can be: longest first into the fullest that has room. */
export function cutFrom(pieces: readonly Piece[], reelsM: readonly number[]): { reels: Reel[]; tooLong: Piece[] } {
  const stock = [...reelsM].filter((m) => m > 0).sort((p, q) => p - q);
  const longest = stock.at(-1) ?? 0;
  const tooLong = pieces.filter(({ lengthM }) => lengthM > longest);
  const left = pieces.filter(({ lengthM }) => lengthM <= longest).sort((p, q) => q.lengthM - p.lengthM);
  const reels: { lengthM: number; pieces: Piece[]; leftM: number }[] = [];
  for (const piece of left) {
    const open = reels.filter((reel) => reel.leftM >= piece.lengthM - 1e-9).sort((p, q) => p.leftM - q.leftM)[0];
    const reel = open ?? { lengthM: longest, pieces: [], leftM: longest };
    if (!open) reels.push(reel);
    reel.pieces.push(piece);
    reel.leftM -= piece.lengthM;
  }
  // A last look: each reel's pieces may fit a shorter one.
  for (const reel of reels) {
    const used = reel.lengthM - reel.leftM;
    const shorter = stock.find((m) => m >= used - 1e-9);
    if (shorter !== undefined) {
      reel.lengthM = shorter;
      reel.leftM = shorter - used;
    }
  }
  return { reels: betterOf(reels, left, longest, stock), tooLong };
}

/** For few pieces every order is tried as first fit; the fewest metres begun win. */
function betterOf(greedy: Reel[], pieces: readonly Piece[], longest: number, stock: readonly number[]): Reel[] {
  if (pieces.length === 0 || pieces.length > LONGEST_EXACT || greedy.length < 2) return greedy;
  const begun = (reels: readonly Reel[]) => reels.reduce((sum, reel) => sum + reel.lengthM, 0);
  const total = pieces.reduce((sum, { lengthM }) => sum + lengthM, 0);
  if (Math.ceil(total / longest - 1e-9) === greedy.length) return greedy;
  let best: readonly (readonly Piece[])[] | null = null;
  const bins: Piece[][] = [];
  const room: number[] = [];
  const go = (k: number) => {
    if (best && bins.length >= best.length) return;
    if (k === pieces.length) {
      best = bins.map((bin) => [...bin]);
      return;
    }
    const piece = pieces[k]!;
    for (let i = 0; i < bins.length; i++) {
      if (room[i]! < piece.lengthM - 1e-9) continue;
      bins[i]!.push(piece);
      room[i]! -= piece.lengthM;
      go(k + 1);
      bins[i]!.pop();
      room[i]! += piece.lengthM;
    }
    bins.push([piece]);
    room.push(longest - piece.lengthM);
    go(k + 1);
    bins.pop();
    room.pop();
  };
  go(0);
  const found = (best as readonly (readonly Piece[])[] | null)?.map((bin): Reel => {
    const used = bin.reduce((sum, { lengthM }) => sum + lengthM, 0);
    const lengthM = stock.find((m) => m >= used - 1e-9) ?? longest;
    return { lengthM, pieces: bin, leftM: lengthM - used };
  });
  return found && begun(found) < begun(greedy) ? found : greedy;
}

/** Every cable of the vehicle as pieces off reels, sorted by kind. `reelsM`: lengths that can be bought or lie there. */
export function cutList(
  vehicles: readonly Vehicle['conductors'][],
  nameOf: (deviceId: string) => string,
  reelsM: readonly number[],
): CutList {
  const byPart = new Map<string, { part: CablePart; orange: boolean; pieces: Piece[] }>();
  const open: string[] = [];
  vehicles.forEach((conductors, circuit) => {
    for (const { cable, lengthM, conductor } of conductors) {
      if (conductor.kind !== 'cable') continue;
      if (!cable || lengthM === null) {
        open.push(conductor.name);
        continue;
      }
      const orange = circuit === 0;
      const key = `${cable.id}|${orange}`;
      const group = byPart.get(key) ?? { part: cable, orange, pieces: [] };
      byPart.set(key, group);
      for (let k = 1; k <= conductor.parallel; k++)
        group.pieces.push({
          conductorId: conductor.id,
          name: conductor.parallel > 1 ? `${conductor.name} ${k}/${conductor.parallel}` : conductor.name,
          fromName: nameOf(conductor.a.deviceId),
          toName: nameOf(conductor.b.deviceId),
          lengthM: Math.ceil((lengthM + ALLOWANCE_M) * 100) / 100,
          clamps: clampCount(lengthM),
        });
    }
  });
  const tooLong: Piece[] = [];
  const groups = [...byPart.values()]
    .sort((p, q) => q.part.areaMm2 - p.part.areaMm2 || (p.part.id < q.part.id ? -1 : 1))
    .map(({ part, orange, pieces }): CutGroup => {
      const cut = cutFrom(pieces, reelsM);
      tooLong.push(...cut.tooLong);
      return {
        part,
        orange,
        termination: terminationOf(part),
        reels: cut.reels,
        neededM: pieces.reduce((sum, { lengthM }) => sum + lengthM, 0),
        wasteM: cut.reels.reduce((sum, { leftM }) => sum + leftM, 0),
      };
    });
  return { groups, open, tooLong };
}
