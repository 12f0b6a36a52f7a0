import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { hasNumber, isDatabaseAway } from '../databaseErrors';

export type Way = 'up' | 'down';

/** That a table, column, key or constraint is there already, or is gone already. */
const DONE_ALREADY = new Set([1050, 1051, 1060, 1061, 1091, 1146]);

/**
 * Runs the statements of one step of the schema, and remembers how far it came. A statement that changes tables commits by itself, one that
 * changes rows together with the note of it: a step that was broken off in its middle (a power cut, a kill) goes on behind the last statement that was
 * done, instead of standing in its own way.
 */
export class SchemaSteps {
  constructor(private readonly sequelize: Sequelize) {}

  async run(name: string, way: Way, statements: readonly string[]): Promise<void> {
    await this.sequelize.query(
      `CREATE TABLE IF NOT EXISTS schema_steps
       (name VARCHAR(190) NOT NULL, way VARCHAR(4) NOT NULL, done INT NOT NULL, is_refused TINYINT NOT NULL, PRIMARY KEY (name, way))`,
    );
    await this.sequelize.query('DELETE FROM schema_steps WHERE name = :name AND way <> :way', { replacements: { name, way } });
    const [begun] = await this.sequelize.query<{ done: number; isRefused: number }>(
      'SELECT done, is_refused AS isRefused FROM schema_steps WHERE name = :name AND way = :way',
      { replacements: { name, way }, type: QueryTypes.SELECT },
    );
    const from = begun?.done ?? 0;
    await this.note(name, way, from, false);
    for (let at = from; at < statements.length; at += 1) {
      const isDoubtful = at === begun?.done && !begun.isRefused;
      try {
        await this.sequelize.transaction(async (transaction) => {
          await this.sequelize.query(statements[at]!, { transaction }).catch((error: unknown) => {
            // It was done, and the end came before that was noted.
            if (!isDoubtful || !hasNumber(error, DONE_ALREADY)) throw error;
          });
          await this.note(name, way, at + 1, false, transaction);
        });
      } catch (error) {
        // A refused statement is not marked as applied: its obstacle is foreign, at the next try, too.
        if (!isDoubtful && !isDatabaseAway(error)) await this.note(name, way, at, true);
        throw error;
      }
    }
  }

  /** All is done and written down as such: nothing needs to be remembered. */
  async forget(): Promise<void> {
    await this.sequelize.query('DROP TABLE IF EXISTS schema_steps');
  }

  private async note(name: string, way: Way, done: number, isRefused: boolean, transaction?: Transaction): Promise<void> {
    await this.sequelize.query('REPLACE INTO schema_steps (name, way, done, is_refused) VALUES (:name, :way, :done, :isRefused)', {
      replacements: { name, way, done, isRefused: Number(isRefused) },
      transaction,
    });
  }
}
