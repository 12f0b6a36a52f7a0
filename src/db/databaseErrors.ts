const RETRYABLE = new Set([
  1213, // deadlock, and a lost certification in a Galera cluster
  1205, // lock wait time-out
  1020, // the row changed since the snapshot
]);
const DUPLICATE = 1062;
const AWAY_CODES = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'ENOTFOUND',
  'ER_SOCKET_UNEXPECTED_CLOSE',
  'ER_GET_CONNECTION_TIMEOUT',
]);
const AWAY_NAMES =
  /^Sequelize(Connection|HostNotFound|HostNotReachable|InvalidConnection|AccessDenied).*Error$|^SequelizeConnectionAcquireTimeoutError$/;
const AWAY_NUMBERS = new Set([1053, 1927, 1047, 1180, 45009, 45012, 45013, 45014, 45026, 45028]);

/** Starting the transaction once more may well succeed. */
export function isRetryable(error: unknown): boolean {
  return someCause(error, (cause) => RETRYABLE.has(Number(cause.errno)));
}

/** A unique key says that this row is there already. */
export function isDuplicate(error: unknown): boolean {
  return someCause(error, (cause) => Number(cause.errno) === DUPLICATE || cause.name === 'SequelizeUniqueConstraintError');
}

/** The database does not answer: nothing is wrong with the question. */
export function isDatabaseAway(error: unknown): boolean {
  return someCause(
    error,
    (cause) => AWAY_NAMES.test(String(cause.name)) || AWAY_CODES.has(String(cause.code)) || AWAY_NUMBERS.has(Number(cause.errno)),
  );
}

/** The database refused with one of these numbers. */
export function hasNumber(error: unknown, numbers: ReadonlySet<number>): boolean {
  return someCause(error, (cause) => numbers.has(Number(cause.errno)));
}

interface Cause {
  readonly name?: unknown;
  readonly code?: unknown;
  readonly errno?: unknown;
  readonly cause?: unknown;
  readonly original?: unknown;
  readonly parent?: unknown;
}

function someCause(error: unknown, matches: (cause: Cause) => boolean, depth = 0): boolean {
  if (typeof error !== 'object' || error === null || depth > 5) return false;
  const cause = error as Cause;
  return matches(cause) || [cause.original, cause.parent, cause.cause].some((inner) => someCause(inner, matches, depth + 1));
}
