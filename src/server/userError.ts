/**
 * Why something asked for can't be done, in words for the person who asked; a screen may show them
 * as they are.
 */
export class UserError extends Error {
  override name = "UserError";
  /** @param status the HTTP status that a route answers with */
  constructor(
    message: string,
    readonly status: 400 | 403 | 404 | 409 | 410 | 413 | 415 | 422 | 503 | 507 = 400,
  ) {
    super(message);
  }
}
