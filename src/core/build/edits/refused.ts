/** An edit that does not fit the build as it is. With a cause it is the program that failed, not the person. */
export class EditRefused extends Error {
  override readonly name = 'EditRefused';
  constructor(
    reason: string,
    readonly remedy: string,
    options?: ErrorOptions,
  ) {
    super(reason, options);
  }
}
