export class EditRefused extends Error {
  override readonly name = 'EditRefused';
  constructor(
    reason: string,
    readonly remedy: string,
  ) {
    super(reason);
  }
}
