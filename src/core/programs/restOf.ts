import type { CalendarDay } from '../calendar';
import type { ProgramVersion } from './programVersion';

/** Why a version asks for nothing: a person ended the practice, or lets it rest till a day, on which it goes on. */
export type Rest = { readonly kind: 'ended' } | { readonly kind: 'until'; readonly day: CalendarDay };

/** Whether a version rests on a day; null where it asks for practice as planned. */
export function restOf({ isEnded, resumesOn }: Pick<ProgramVersion, 'isEnded' | 'resumesOn'>, today: CalendarDay): Rest | null {
  if (isEnded) return { kind: 'ended' };
  return resumesOn !== null && resumesOn > today ? { kind: 'until', day: resumesOn } : null;
}
