import type { TaskContent, TaskSettings } from '../tasks';
import type { ProgramVersion } from './programVersion';

/** The ladder of a task as a family has it: what it is called step by step, and the settings that made it so. */
export interface SentLadder {
  readonly taskVersionId: number;
  readonly steps: readonly string[];
  readonly settings: TaskSettings;
}

/** The steps of a ladder by their names, for telling whether their order is the same. */
export function stepNames({ ladder }: Pick<TaskContent, 'ladder'>): string[] {
  return ladder.steps.map(({ name }) => name.en);
}

/** The ladders that a version holds. */
export function sentLadders(version: ProgramVersion | null): SentLadder[] {
  return (version?.tasks ?? []).map(({ taskVersionId, content, choices }) => ({
    taskVersionId,
    steps: stepNames(content),
    settings: { ...choices.childSettings, ...choices.settings },
  }));
}

/** True where a task would reach the family with its steps in another order, or under other names, than it was sent. */
export function isReordered(sent: SentLadder | undefined, content: Pick<TaskContent, 'ladder'>): boolean {
  return sent !== undefined && sent.steps.join('\n') !== stepNames(content).join('\n');
}
