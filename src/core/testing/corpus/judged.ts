import { type Assessment, assess } from '../../assess';
import type { Build } from '../../build';
import { makeRun } from '../../simulate';
import { Memory, vehicleOf } from '../../vehicle';

/** With the sequence searched where it takes that to see anything. */
export function judged(build: Build, searched: true | undefined): Assessment {
  const memory = new Memory();
  const sequence = searched ? makeRun('sequence', vehicleOf(build, memory)) : null;
  return assess(build, { memory, ...(sequence ? { runs: { sequence } } : {}) });
}
