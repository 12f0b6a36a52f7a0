/** A step of the schema: statements up, and the statements that take them back. */
export interface Migration {
  readonly name: string;
  readonly up: readonly string[];
  readonly down: readonly string[];
}
