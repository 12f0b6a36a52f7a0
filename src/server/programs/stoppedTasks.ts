import type { CalendarDay } from '@/core/calendar';
import { factsOf, type Child } from '@/core/students';
import { safetyBetween, type ProgramTask, type ProgramVersion } from '@/core/programs';
import type { SafetyFinding } from '@/core/safety';

export interface StoppedTask {
  readonly task: ProgramTask;
  readonly findings: readonly SafetyFinding[];
  /** A rule blocks it; else a reason would let it pass. */
  readonly blocks: boolean;
}

/** Tasks of a running program that this child's facts of today stop, at steps that the family may do. */
export function stoppedTasksOf(child: Child, program: ProgramVersion, today: CalendarDay): StoppedTask[] {
  if (program.isEnded || program.endsOn < today) return [];
  const facts = factsOf(child, today);
  return program.tasks.flatMap((task) => {
    const { content, chooseFrom, chooseTo, choices } = task;
    const findings = safetyBetween(content, chooseFrom, chooseTo, facts, choices.reasons).flatMap(({ finding, stops }) =>
      stops ? [finding] : [],
    );
    return findings.length ? [{ task, findings, blocks: findings.some(({ severity }) => severity === 'block') }] : [];
  });
}
