/** Every fault that a person may be told of. The words live in messages/, by these codes. */
export type AppErrorCode =
  | 'signInNeeded'
  | 'signInFailed'
  | 'tooManyTries'
  | 'notFound'
  | 'notAllowed'
  | 'invalid'
  | 'staleVersion'
  | 'staleTask'
  | 'staleDecision'
  | 'unsafeStep'
  | 'reasonNeeded'
  | 'linkUnknown'
  | 'linkExpired'
  | 'linkRevoked'
  | 'databaseAway'
  | 'unexpected';

export const STATUS_OF: Record<AppErrorCode, number> = {
  signInNeeded: 401,
  signInFailed: 401,
  tooManyTries: 429,
  notFound: 404,
  notAllowed: 403,
  invalid: 422,
  staleVersion: 409,
  staleTask: 409,
  staleDecision: 409,
  unsafeStep: 422,
  reasonNeeded: 422,
  linkUnknown: 404,
  linkExpired: 410,
  linkRevoked: 410,
  databaseAway: 503,
  unexpected: 500,
};

/** A fault with a code for people and, where there is one, its cause for the log. `detail` is safe to show. */
export class AppError extends Error {
  constructor(
    readonly code: AppErrorCode,
    readonly detail: unknown = null,
    cause?: unknown,
  ) {
    super(code, cause === undefined ? undefined : { cause });
    this.name = 'AppError';
  }
}
