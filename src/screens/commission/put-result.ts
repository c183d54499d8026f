import { type Build, own, type StepResult } from '@/core/build';
import { partIdOf, type Step } from '@/core/stations/commission';
import { newestBuild } from '@/store/bench';
import { today } from './commission-words';

/** A result with something new in it, on top of what stands in the newest build. */
export function withResult(build: Build, step: Step, by: string, more: Partial<StepResult>): StepResult {
  const newest = newestBuild() ?? build;
  const known = own(newest.commission?.results ?? {}, step.id);
  const partId = partIdOf(newest, step);
  return {
    ...known,
    id: step.id,
    name: step.name.slice(0, 120),
    sheet: step.sheet,
    date: today(),
    ...(by === '' ? {} : { by }),
    ...(partId === null ? {} : { partId }),
    ...(step.dimension === null ? {} : { dimension: step.dimension }),
    ...more,
  };
}
