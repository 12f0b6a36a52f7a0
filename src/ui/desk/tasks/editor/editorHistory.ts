import type { TaskContent } from '@/core/tasks';
import { editTask, type EditorEdit } from './editorEdits';

export interface EditorHistory {
  readonly past: readonly TaskContent[];
  readonly now: TaskContent;
  readonly future: readonly TaskContent[];
  /** Place of the last typing: more of it there makes no new step to undo. */
  readonly typing: string | null;
}

export type EditorAct = EditorEdit | { readonly kind: 'undo' } | { readonly kind: 'redo' };

const MOST_PAST = 200;

export function startHistory(content: TaskContent): EditorHistory {
  return { past: [], now: content, future: [], typing: null };
}

/** Applies an act to the task, with every earlier state kept for undo. */
export function editorHistory(history: EditorHistory, act: EditorAct): EditorHistory {
  const { past, now, future } = history;
  if (act.kind === 'undo')
    return past.length ? { past: past.slice(0, -1), now: past.at(-1)!, future: [now, ...future], typing: null } : history;
  if (act.kind === 'redo')
    return future.length ? { past: [...past, now], now: future[0]!, future: future.slice(1), typing: null } : history;
  const next = editTask(now, act);
  if (next === now) return history;
  const typing = act.kind === 'set' && typeof act.value === 'string' ? act.path.join('.') : null;
  const goesOn = typing !== null && typing === history.typing;
  return { past: goesOn ? past : [...past, now].slice(-MOST_PAST), now: next, future: [], typing };
}
