import { type Assessment, assess } from '../../assess';
import type { Build, Id } from '../../build';
import { makeRun } from '../../simulate';
import { Memory, vehicleOf } from '../../vehicle';

/** One for each sample, as somebody who edits it has: what it does not change is not worked out again. That it never lies has a test of its own. */
const memories = new Map<Id, Memory>();

/** With the sequence searched where it takes that to see anything. */
export function judged(build: Build, searched?: true): Assessment {
  const memory = memories.get(build.id) ?? new Memory();
  memories.set(build.id, memory);
  const sequence = searched ? makeRun('sequence', vehicleOf(build, memory)) : null;
  return assess(build, { memory, ...(sequence ? { runs: { sequence } } : {}) });
}
