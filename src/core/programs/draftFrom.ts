import { addDays, type CalendarDay } from '../calendar';
import type { ProgramDraft } from './programDraft';
import type { ProgramVersion } from './programVersion';

/** How long a program is planned for where nothing else is said. Common practice, no source. */
const PROGRAM_DAYS = 14;

/** The next draft goes on from what was sent. What the home has and how the child works may have changed: sending looks anew. */
export function draftFrom(current: ProgramVersion | null, today: CalendarDay): ProgramDraft {
  const tasks = current?.tasks ?? [];
  return {
    startsOn: today,
    endsOn: addDays(today, PROGRAM_DAYS - 1),
    note: current?.note ?? '',
    tasks: tasks.map(({ taskVersionId, part, step, chooseFrom, chooseTo, weekdays, dose, choices }) => ({
      taskVersionId,
      part,
      step,
      chooseFrom,
      chooseTo,
      weekdays: [...weekdays],
      dose,
      choices: { ...choices, replaced: undefined, childSettings: undefined },
    })),
  };
}
