import { ageOn, type Age, type CalendarDay } from '../calendar';
import type { ChildFacts } from '../programs';
import type { TaskSettings } from '../tasks';
import { plain } from '../text';
import type { ChildRecord } from './childRecord';

/** A child as the program knows one: a called name and an initial, and the facts that change decisions. */
export interface Child extends ChildRecord {
  readonly id: number;
  readonly school: string;
  readonly visitDays: string;
  readonly timeZone: string;
  /** Settings that the therapist chose for this student where schools of thought differ. */
  readonly taskSettings: TaskSettings;
  /** The day on which the child left the caseload; null where it is on it. */
  readonly leftOn: CalendarDay | null;
}

export function nameOf(child: Pick<Child, 'calledName' | 'initial'>): string {
  return `${child.calledName} ${child.initial}.`;
}

export function ageOf(child: Pick<Child, 'bornOn'>, today: CalendarDay): Age {
  return ageOn(child.bornOn, today);
}

/** Returns the facts about a student that the checks of a program need. */
export function factsOf(child: Child, today: CalendarDay): ChildFacts {
  return { ...child, ageYears: ageOf(child, today).years };
}

/** True where a text holds the child's called name as a word of its own, without regard to case and marks. */
export function namesChild(text: string, { calledName }: Pick<Child, 'calledName'>): boolean {
  return ` ${plain(text).replace(/[^\p{L}\p{N}]+/gu, ' ')} `.includes(` ${plain(calledName)} `);
}
