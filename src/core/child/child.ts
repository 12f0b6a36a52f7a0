import { ageOn, type Age, type CalendarDay } from '../calendar';
import type { ChildFacts } from '../program';
import type { ReportWay } from '../sessions';
import type { Hand, TaskSettings } from '../tasks';

/** A child as the program knows one: a called name and an initial, and the facts that change decisions. */
export interface Child {
  readonly id: number;
  readonly calledName: string;
  readonly initial: string;
  readonly school: string;
  readonly visitDays: string;
  readonly bornOn: CalendarDay;
  readonly hand: Hand;
  readonly mouthsThings: boolean;
  readonly scissorsAllowed: boolean;
  readonly hasPrinter: boolean;
  readonly minutesPerDay: number;
  readonly familyLanguage: string;
  readonly homeLanguages: readonly string[];
  readonly allergies: readonly string[];
  readonly texturesAvoided: readonly string[];
  readonly materialsAtHome: readonly string[];
  readonly helpers: string;
  readonly reportWay: ReportWay;
  readonly timeZone: string;
  /** What the therapist chose for this child where schools of thought differ. */
  readonly taskSettings: TaskSettings;
}

export function nameOf(child: Pick<Child, 'calledName' | 'initial'>): string {
  return `${child.calledName} ${child.initial}.`;
}

export function ageOf(child: Pick<Child, 'bornOn'>, today: CalendarDay): Age {
  return ageOn(child.bornOn, today);
}

/** What the checks of a program need to know of a child. */
export function factsOf(child: Child, today: CalendarDay): ChildFacts {
  return { ...child, ageYears: ageOf(child, today).years };
}
