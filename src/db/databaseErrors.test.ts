import { isDatabaseAway, isDuplicate, isRetryable } from './databaseErrors';

/** As Sequelize wraps what the driver says. */
function wrapped(name: string, original: object): Error {
  return Object.assign(new Error(name), { name, original, parent: original });
}

const driver = (errno: number, code = '') => Object.assign(new Error(code), { errno, code });

describe('faults of the database', () => {
  it.each([
    ['deadlock', 1213],
    ['lock wait time-out', 1205],
    ['a row changed since the snapshot', 1020],
  ])('%s is worth another try', (_name, errno) => {
    expect(isRetryable(driver(errno))).toBe(true);
    expect(isRetryable(wrapped('SequelizeDatabaseError', driver(errno)))).toBe(true);
  });

  it.each([
    ['a syntax error', driver(1064)],
    ['a duplicate', driver(1062)],
    ['no error at all', null],
    ['a word', 'deadlock'],
  ])('%s is not', (_name, error) => {
    expect(isRetryable(error)).toBe(false);
  });

  it('knows a duplicate key however it is wrapped', () => {
    expect(isDuplicate(driver(1062))).toBe(true);
    expect(isDuplicate(wrapped('SequelizeUniqueConstraintError', driver(0)))).toBe(true);
    expect(isDuplicate(new Error('outer', { cause: driver(1062) }))).toBe(true);
    expect(isDuplicate(driver(1213))).toBe(false);
  });

  it.each([
    ['a refused connection', wrapped('SequelizeConnectionRefusedError', driver(-111, 'ECONNREFUSED'))],
    ['no connection in time', wrapped('SequelizeConnectionAcquireTimeoutError', driver(0))],
    ['a connection cut off', driver(45_009, 'ER_SOCKET_UNEXPECTED_CLOSE')],
    ['a server shutting down', driver(1053)],
    ['a cluster node that is not ready', driver(1047)],
    ['a cluster node that left while it committed', driver(1180)],
  ])('%s means that it is away', (_name, error) => {
    expect(isDatabaseAway(error)).toBe(true);
  });

  it('does not call a wrong statement "away"', () => {
    expect(isDatabaseAway(wrapped('SequelizeDatabaseError', driver(1064, 'ER_PARSE_ERROR')))).toBe(false);
  });

  it('comes to an end with causes that go in a circle', () => {
    const circle: { cause?: unknown } = {};
    circle.cause = circle;
    expect(isDatabaseAway(circle)).toBe(false);
  });
});
