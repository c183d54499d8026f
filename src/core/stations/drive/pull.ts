import { carriedUpW } from '../../simulate';
import { inverterPowerW, lowestStringV, nominalLinkV } from '../../vehicle';
import type { Context } from '../context';
import { type DriveResults, driveResults, type RoadLine, roadLines } from './results';

/** What motor, gears and voltage make of the vehicle, against the road. */
export interface PullResults {
  /** At which it is reckoned, V. */
  readonly linkV: number;
  /** Whether that is the lowest under load, or nominal because there is none yet. */
  readonly sagging: boolean;
  /** Null: mass, tyres or a motor are missing. */
  readonly figures: DriveResults | null;
  readonly roads: readonly RoadLine[];
  /** Power that the cooling carries up the hill for as long as it likes, against what is asked; null: not worked out. */
  readonly cooled: ReturnType<typeof carriedUpW>;
}

export function pullResults({ vehicle }: Context): PullResults {
  const { build } = vehicle;
  const sagV = lowestStringV(vehicle);
  const linkV = sagV ?? nominalLinkV(build);
  const mostW = inverterPowerW(build, 'hard-acceleration');
  const figures = driveResults(vehicle, linkV, mostW);
  return {
    linkV,
    sagging: sagV !== null,
    figures,
    roads: figures ? roadLines(figures, mostW, build.duty.hillGrade) : [],
    cooled: carriedUpW(vehicle),
  };
}
