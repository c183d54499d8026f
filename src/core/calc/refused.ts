import type { NotFollowed } from '../circuit';

/** An input that is well formed but means nothing: where, why and what to do. */
export class LawRefused extends Error {
  override readonly name = 'LawRefused';
  constructor(
    readonly path: string,
    reason: string,
    readonly remedy: string,
  ) {
    super(reason);
  }
}

/** A run that could not be followed to its end has no figures: what was being solved, how far it came and why not further. */
export const notFollowed = (what: string, { reason, reachedS }: NotFollowed): LawRefused =>
  new LawRefused(
    '(run)',
    `${what} could not be followed beyond ${reachedS.toPrecision(4)} s: ${reason}.`,
    'Check resistances, capacitances and the loads that wake; a shorter time may be followed.',
  );
