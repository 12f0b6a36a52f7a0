import { childRecordSchema, type ChildFact, type ChildRecord } from './childRecord';

/** A fact before and after a change. */
export interface FactChange {
  readonly fact: ChildFact | 'school' | 'caseload' | 'practice';
  readonly before: unknown;
  readonly after: unknown;
}

const FACTS = Object.keys(childRecordSchema.shape) as ChildFact[];

/** Which facts differ between two records of a child, in the order in which they are asked. Lists in another order are the same. */
export function factChanges(before: ChildRecord, after: ChildRecord): FactChange[] {
  return FACTS.filter((fact) => !isSame(before[fact], after[fact])).map((fact) => ({ fact, before: before[fact], after: after[fact] }));
}

function isSame(one: unknown, other: unknown): boolean {
  return inOneOrder(one) === inOneOrder(other);
}

function inOneOrder(value: unknown): string {
  return Array.isArray(value) ? JSON.stringify(value.map((item) => JSON.stringify(item)).sort()) : JSON.stringify(value);
}
