import { useEffect, useRef, useState } from 'react';
import { taskDraftSchema, type TaskContent } from '@/core/tasks';

const PAUSE_MILLISECONDS = 700;
const keyOf = (slug: string) => `yard-bench:${slug}`;

/**
 * Returns the work in this browser that the server has not stored yet; null where there is none.
 * @param keptAt when the server last took work on this task, in milliseconds; 0 for never
 */
export function heldWork(slug: string, keptAt: number): TaskContent | null {
  try {
    const held = JSON.parse(window.localStorage.getItem(keyOf(slug)) ?? 'null') as { at: number; content: unknown } | null;
    const parsed = held && held.at > keptAt ? taskDraftSchema.safeParse(held.content) : null;
    return parsed?.success ? parsed.data : null;
  } catch {
    return null;
  }
}

/** Keeps the work: in this browser at once, on the server a moment after the last change. Says what has become of it. */
export function useKeeping(content: TaskContent, isActive: boolean, keep: (content: TaskContent) => Promise<string | null>): string {
  const [kept, setKept] = useState<{ readonly content: TaskContent; readonly fault: string | null } | null>(null);
  const latest = useRef(keep);
  useEffect(() => {
    latest.current = keep;
  });
  useEffect(() => {
    if (!isActive) return;
    hold(content);
    const timer = setTimeout(async () => {
      const fault = await latest
        .current(content)
        .catch(() => 'not kept on the server yet: no answer. It is safe in this browser and tried again at your next change.');
      if (fault === null) letGo(content.slug);
      setKept({ content, fault });
    }, PAUSE_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [content, isActive]);
  if (kept?.content === content) return kept.fault ?? 'Draft saved';
  return isActive ? 'Saving…' : '';
}

function hold(content: TaskContent): void {
  try {
    window.localStorage.setItem(keyOf(content.slug), JSON.stringify({ at: Date.now(), content }));
  } catch {
    // A full or closed store takes nothing away from the server's copy.
  }
}

export function letGo(slug: string): void {
  try {
    window.localStorage.removeItem(keyOf(slug));
  } catch {
    // Nothing was held, then.
  }
}
