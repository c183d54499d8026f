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
