import { useCallback, useEffect, useRef, useState } from 'react';
import { keepWaiting, waitingOf, type Waiting } from './visitStore';

const AGAIN_MILLISECONDS = 20_000;

/** Keeps a visit's entries on the device first and sends them as soon as there is a network, each once by its key. */
export function useWaiting(personId: number, send: (given: unknown) => Promise<string | null>) {
  const [waiting, setWaiting] = useState<readonly Waiting[]>([]);
  const [isKept, setKept] = useState(true);
  const sending = useRef(false);
  const change = useCallback(
    (how: (before: readonly Waiting[]) => readonly Waiting[]) => {
      const after = how(waitingOf(personId));
      const kept = keepWaiting(personId, after);
      setKept(kept);
      setWaiting((before) => (kept ? after : how(before)));
    },
    [personId],
  );
  const flush = useCallback(
    async (given: readonly Waiting[]) => {
      if (sending.current || !navigator.onLine) return;
      sending.current = true;
      try {
        for (const { entryKey, childId, measurement } of given.filter(({ fault }) => fault === null)) {
          const fault = await send({ entryKey, childId, measurement });
          change((before) =>
            fault === null
              ? before.filter((each) => each.entryKey !== entryKey)
              : before.map((each) => (each.entryKey === entryKey ? { ...each, fault } : each)),
          );
        }
      } catch {
        // No answer: it goes on waiting.
      } finally {
        sending.current = false;
      }
    },
    [send, change],
  );
  useEffect(() => {
    const again = async () => {
      await null;
      change((before) => before);
      await flush(waitingOf(personId));
    };
    void again();
    const timer = setInterval(() => void again(), AGAIN_MILLISECONDS);
    const online = () => void again();
    addEventListener('online', online);
    return () => {
      clearInterval(timer);
      removeEventListener('online', online);
    };
  }, [personId, flush, change]);
  const add = (given: Pick<Waiting, 'childId' | 'says' | 'measurement'>) => {
    const entry: Waiting = { ...given, entryKey: crypto.randomUUID(), fault: null };
    change((before) => [...before, entry]);
    void flush([...waitingOf(personId).filter(({ entryKey }) => entryKey !== entry.entryKey), entry]);
  };
  const drop = (entryKey: string) => change((before) => before.filter((each) => each.entryKey !== entryKey));
  return { waiting, isKept, add, drop };
}
