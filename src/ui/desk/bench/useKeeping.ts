import { useEffect, useRef, useState } from 'react';
import { taskDraftSchema, type TaskContent } from '@/core/tasks';

const PAUSE_MILLISECONDS = 700;
const keyOf = (slug: string) => `yard-bench:${slug}`;

/** What this browser still holds of work that the server has not taken yet; null where there is none. */
export function heldWork(slug: string): TaskContent | null {
  try {
    const held = window.localStorage.getItem(keyOf(slug));
    const parsed = held ? taskDraftSchema.safeParse(JSON.parse(held)) : null;
    return parsed?.success ? parsed.data : null;
  } catch {
    return null;
  }
}

/** Keeps the work: in this browser at once, on the server a moment after the last change. Says what has become of it. */
export function useKeeping(content: TaskContent, isChanged: boolean, keep: (content: TaskContent) => Promise<string | null>): string {
  const [said, setSaid] = useState('');
  const first = useRef(content);
  const latest = useRef(keep);
  useEffect(() => {
    latest.current = keep;
  });
  useEffect(() => {
    if (first.current === content && !isChanged) return;
    hold(content);
    setSaid('keeping…');
    const timer = setTimeout(async () => {
      const fault = await latest.current(content).catch(() => 'not kept on the server yet: no answer. It is safe in this browser and tried again at your next change.');
      if (fault === null) letGo(content.slug);
      setSaid(fault ?? 'kept on the bench');
    }, PAUSE_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [content, isChanged]);
  return said;
}

function hold(content: TaskContent): void {
  try {
    window.localStorage.setItem(keyOf(content.slug), JSON.stringify(content));
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
