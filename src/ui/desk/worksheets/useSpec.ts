import { useState } from 'react';
import type { SheetSpec } from '@/core/tasks';

const MOST_KEPT = 60;

interface History {
  readonly now: SheetSpec;
  readonly before: readonly SheetSpec[];
  /** Parameter of the last change: pulled on without a pause, it is one change. */
  readonly last: string | null;
}

/** The sheet that is worked on, with the way back. */
export function useSpec(first: SheetSpec) {
  const [history, setHistory] = useState<History>({ now: first, before: [], last: null });
  return {
    spec: history.now,
    canUndo: history.before.length > 0,
    set: (next: SheetSpec, turned: string | null = null) =>
      setHistory(({ now, before, last }) => ({
        now: next,
        before: turned !== null && turned === last ? before : [...before.slice(-MOST_KEPT), now],
        last: turned,
      })),
    /** The next change is one of its own. */
    rest: () => setHistory((each) => ({ ...each, last: null })),
    undo: () =>
      setHistory((each) => (each.before.length === 0 ? each : { now: each.before.at(-1)!, before: each.before.slice(0, -1), last: null })),
  };
}
