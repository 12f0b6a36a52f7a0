import { z } from 'zod';
import { checkTask, type TaskFinding } from '@/core/library';
import { bad, good, type Result } from '@/core/result';
import { taskContentSchema, type TaskContent } from '@/core/tasks';

export const TASK_PACK_FORMAT = 'yard-steps-task-pack';
const MOST_TASKS = 200;

const taskPackSchema = z.strictObject({
  format: z.literal(TASK_PACK_FORMAT),
  version: z.literal(1),
  /** Name of the pack, for people. */
  name: z.string().min(1).max(120),
  tasks: z.array(taskContentSchema).min(1).max(MOST_TASKS),
});

export interface TaskPack {
  readonly name: string;
  readonly tasks: readonly TaskContent[];
}

/** `path` is written as in the pack: `tasks.0.ladder.steps.2.how.es`. */
export type PackFault =
  | { readonly code: 'notJson'; readonly path: ''; readonly said: string }
  | { readonly code: 'form'; readonly path: string; readonly said: string }
  | { readonly code: 'sameSlug'; readonly path: string; readonly slug: string }
  | { readonly code: 'unsound'; readonly path: string; readonly finding: TaskFinding; readonly task: TaskContent };

/** As the pack is read: its tasks one by one, each by the form of a task. */
const coverSchema = taskPackSchema.extend({ tasks: z.array(z.unknown()).min(1).max(MOST_TASKS) });

/**
 * Reads a task pack, whole or not at all: a pack with any fault gives every fault with its path, and no task. Beside its
 * form each task must pass the checks of its ladder, materials and words with no error.
 * @param breathe waited for before each task: a pack takes seconds, and others may be served meanwhile
 */
export async function readTaskPack(text: string, breathe: () => Promise<void>): Promise<Result<TaskPack, PackFault>> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (error) {
    return bad({ code: 'notJson', path: '', said: error instanceof Error ? error.message : String(error) });
  }
  const cover = coverSchema.safeParse(raw);
  const faults: PackFault[] = cover.success ? [] : formFaults(cover.error, []);
  const tasks: TaskContent[] = [];
  for (const [index, given] of tasksIn(raw).entries()) {
    await breathe();
    const task = taskContentSchema.safeParse(given);
    if (task.success) tasks.push(task.data);
    else faults.push(...formFaults(task.error, ['tasks', index]));
  }
  if (!cover.success || faults.length) return bad(...faults);
  for (const [index, task] of tasks.entries()) {
    await breathe();
    faults.push(...soundnessFaults(task, index, tasks));
  }
  return faults.length ? bad(...faults) : good({ name: cover.data.name, tasks });
}

/** The tasks of what may be a pack, as far as there are any: their faults are told beside those of the cover. */
function tasksIn(raw: unknown): readonly unknown[] {
  const tasks = typeof raw === 'object' && raw !== null && 'tasks' in raw ? raw.tasks : null;
  return Array.isArray(tasks) ? tasks.slice(0, MOST_TASKS) : [];
}

function formFaults(error: z.ZodError, at: readonly PropertyKey[]): PackFault[] {
  return error.issues.flatMap((issue): PackFault[] => {
    // A key too many is said where it stands, not where it is missing from.
    const keys = issue.code === 'unrecognized_keys' ? issue.keys : [null];
    return keys.map((key) => ({
      code: 'form',
      path: [...at, ...issue.path, ...(key === null ? [] : [key])].join('.'),
      said: key === null ? issue.message : 'This is not a part of the format',
    }));
  });
}

function soundnessFaults(task: TaskContent, index: number, tasks: readonly TaskContent[]): PackFault[] {
  const twice = tasks.findIndex((other) => other.slug === task.slug) < index;
  const errors = checkTask(task).filter((finding) => finding.severity === 'error');
  return [
    ...(twice ? [{ code: 'sameSlug', path: `tasks.${index}.slug`, slug: task.slug } as const] : []),
    ...errors.map((finding) => ({ code: 'unsound', path: `tasks.${index}.${finding.path}`, finding, task }) as const),
  ];
}

/** A pack as text, for a file. */
export function writeTaskPack({ name, tasks }: TaskPack): string {
  return `${JSON.stringify({ format: TASK_PACK_FORMAT, version: 1, name, tasks }, null, 2)}\n`;
}

/** The published schema of a task pack, made from the one that reads it. */
export function taskPackJsonSchema(): object {
  return {
    title: 'Yard Steps task pack, version 1',
    description:
      'Home practice tasks with their grading factors, step ladders, targets, materials and texts. Sizes in millimeters, times in minutes or seconds as named, steps counted from 1, levels from 0.',
    ...z.toJSONSchema(taskPackSchema, { io: 'input' }),
  };
}
