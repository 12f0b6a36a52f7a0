import type { TaskEditorView } from '@/server/tasks/viewTaskEditor';
import type { HomeMaterial, TaskContent } from '@/core/tasks';
import type { UsualKnobs } from './usualLevels';

export interface TaskEditorProps {
  readonly view: Omit<TaskEditorView, 'library'> & { readonly things: readonly HomeMaterial[] };
  readonly usual: UsualKnobs;
  /** The card in Rounds that this was opened from; null where it was opened from elsewhere. */
  readonly back: string | null;
  readonly keep: (content: TaskContent) => Promise<string | null>;
  readonly shelve: (content: TaskContent) => Promise<{ ok: true; number: number } | { ok: false; words: string }>;
  readonly setShelf: (slug: string, shelf: string) => Promise<string | null>;
  readonly drop: (slug: string) => Promise<string | null>;
  readonly versionOf: (slug: string, number: number) => Promise<TaskContent | null>;
  readonly copy: (from: string, title: string) => Promise<{ ok: true; slug: string } | { ok: false; words: string }>;
}
