import { Utils, type Sequelize } from 'sequelize';
import { instant } from '@/core/calendar';

type Replacements = Readonly<Record<string, unknown>>;
type Row = Record<string, unknown>;

interface DriverResult extends Array<Row> {
  readonly insertId?: number;
  readonly meta: readonly { readonly type: string; name(): string }[];
}

/** A connection of the driver, as Sequelize's pool and transactions hold it. */
export interface DriverConnection {
  query(question: object, values?: readonly unknown[]): Promise<DriverResult>;
  /** Breaks the line off at once. */
  destroy(): void;
}

/** As it stands, though its types leave it out: writes to `options.logging`. */
type Logging = Sequelize & { log(statement: string): void };

/**
 * How the driver reads a column, so that a row needs no second pass: whole numbers as numbers (one that would lose digits
 * fails loudly), days and moments as text.
 */
const READING = { typeCast: undefined, bigIntAsNumber: true, checkNumberRange: true, dateStrings: true };

/**
 * Asks on one connection. Sequelize keeps pool and transactions; its own reading of results, a call for each column of each
 * row, is left out, since it costs more than the database on a screen of thousands of rows.
 */
export async function askDriver(
  sequelize: Sequelize,
  connection: DriverConnection,
  sql: string,
  replacements: Replacements,
): Promise<DriverResult> {
  const whole = Utils.formatNamedParameters(sql, replacements as Parameters<typeof Utils.formatNamedParameters>[1], 'mariadb');
  (sequelize as Logging).log(whole);
  return withoutWords(sequelize, connection, connection.query({ sql: whole, ...READING }));
}

/** Sends a statement with a value for each `?`; the driver writes each straight into what it sends. */
export async function sendDriver(
  sequelize: Sequelize,
  connection: DriverConnection,
  sql: string,
  values: readonly unknown[],
): Promise<DriverResult> {
  (sequelize as Logging).log(sql);
  return withoutWords(sequelize, connection, connection.query({ sql, ...READING }, values));
}

/** A server that has not answered by then hangs: the longest of our statements takes a tenth of it. */
const LONGEST_MILLISECONDS = 20_000;
const longest = new WeakMap<Sequelize, number>();

/** Gives the questions of one pool another time limit. */
export function limitQuestions(sequelize: Sequelize, milliseconds: number): void {
  longest.set(sequelize, milliseconds);
}

/**
 * A fault of the driver quotes its statement, with what people wrote in it: that must not reach a log. The line to a server that hangs is
 * broken off, so that the next question goes to one that answers.
 */
async function withoutWords(sequelize: Sequelize, connection: DriverConnection, asked: Promise<DriverResult>): Promise<DriverResult> {
  let deadline: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    deadline = setTimeout(
      () => {
        // The driver asks the server itself to end the question, and waits for that: one that hangs would keep us for ever.
        connection.destroy();
        reject(Object.assign(new Error('The database did not answer in time'), { code: 'ETIMEDOUT' }));
      },
      longest.get(sequelize) ?? LONGEST_MILLISECONDS,
    );
  });
  try {
    return await Promise.race([asked, late]);
  } catch (error) {
    const { name, code, errno, sqlMessage, message } = error as Partial<SqlFault>;
    const plain = (sqlMessage ?? message ?? '').split('\nsql: ')[0];
    throw Object.assign(new Error(plain), { name, code, errno });
  } finally {
    clearTimeout(deadline);
  }
}

interface SqlFault extends Error {
  readonly code: string;
  readonly errno: number;
  readonly sqlMessage: string;
}

/** The rows with their moments as instants; days stay `YYYY-MM-DD`, JSON is parsed. */
export function plainRows<Plain>(result: DriverResult): Plain[] {
  const moments = result.meta.filter(({ type }) => type === 'DATETIME' || type === 'TIMESTAMP').map((column) => column.name());
  for (const name of moments) for (const row of result) row[name] = momentOf(row[name] as string | null);
  return result as unknown as Plain[];
}

function momentOf(text: string | null): number | null {
  return text === null ? null : instant(Date.parse(`${text.replace(' ', 'T')}Z`));
}
