import { useEffect, useState } from 'react';
import type { LibraryTask } from './draftEdits';

export interface FetchedLibrary {
  /** Empty until it has come. */
  readonly tasks: readonly LibraryTask[];
  readonly state: 'coming' | 'here' | 'missing';
  readonly tryAgain: () => void;
}

/** The library, fetched after the page: the browser keeps it, and asks again only when a task has changed. */
export function useLibrary(key: string): FetchedLibrary {
  const [tasks, setTasks] = useState<readonly LibraryTask[]>([]);
  const [state, setState] = useState<FetchedLibrary['state']>('coming');
  const [tried, setTried] = useState(0);
  useEffect(() => {
    const leaving = new AbortController();
    const fetchIt = async () => {
      const answer = await fetch(`/tasks/contents?key=${key}`, { signal: leaving.signal });
      if (!answer.ok) throw new Error(String(answer.status));
      setTasks((await answer.json()) as LibraryTask[]);
      setState('here');
    };
    fetchIt().catch(() => {
      if (!leaving.signal.aborted) setState('missing');
    });
    return () => leaving.abort();
  }, [key, tried]);
  const tryAgain = () => {
    setState('coming');
    setTried((count) => count + 1);
  };
  return { tasks, state, tryAgain };
}
