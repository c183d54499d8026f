import { askedFlags, type SequenceSearch, type Step, stepsOf, untoldOf } from '../../simulate/sequence';
import type { Context } from '../context';
import { type DeviceSheet, settingSheets } from './settings';
import { designOf } from './shared';

/** What the screen shows. */
export interface InterlocksResults {
  readonly lacks: string | null;
  readonly steps: readonly Step[];
  readonly search: SequenceSearch | null;
  /** Questions that this design raises, and those of them without an answer. */
  readonly asked: readonly string[];
  readonly untold: readonly string[];
  readonly sheets: readonly DeviceSheet[];
}

export function interlocksResults(context: Context): InterlocksResults {
  const found = designOf(context);
  const design = found && 'design' in found ? found.design : null;
  return {
    lacks: found && 'lacks' in found ? found.lacks : null,
    steps: design ? stepsOf(design) : [],
    search: context.sequence,
    asked: design ? askedFlags(design) : [],
    untold: design ? untoldOf(design) : [],
    sheets: settingSheets(context.vehicle),
  };
}
