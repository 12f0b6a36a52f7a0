import { useRouter } from 'next/navigation';
import { useEffect, useState, useTransition } from 'react';
import type { Decide, ReviewFault } from './reviewAct';

/**
 * The decision that was settled last, told by its answer: the card that comes next was fetched before, and what it says of
 * the round is so old. It is fetched anew as soon as it stands, and its acts wait for that where it is of the same child.
 */
let justSettled = { decisionId: 0, isSameChild: false };
const NOTHING_SETTLED = justSettled;

interface Settling {
  readonly decide: Decide;
  /** The next card's address, and the round's where this was the last. */
  readonly nextHref: string | null;
  readonly doneHref: string;
  /** True where the next card is of the same child: what is settled here may change what it shows. */
  readonly nextIsSameChild: boolean;
}

/** Settles a decision on the server, and only then goes on: to the card that was fetched ahead, where there is one. */
export function useSettling({ decide, nextHref, doneHref, nextIsSameChild }: Settling) {
  const router = useRouter();
  const [deciding, setDeciding] = useState(false);
  const [fault, setFault] = useState<ReviewFault | null>(null);
  const [refreshing, refresh] = useTransition();
  const [settledBefore, setSettledBefore] = useState(justSettled);
  useEffect(() => {
    if (justSettled === NOTHING_SETTLED) return;
    justSettled = NOTHING_SETTLED;
    refresh(() => {
      router.refresh();
      // Set with the fresh card: from then on the card itself says what was settled last.
      setSettledBefore(NOTHING_SETTLED);
    });
  }, [router]);
  const settle = async (form: FormData) => {
    setDeciding(true);
    try {
      const answered = await decide(form);
      if (!answered.ok) return setFault(answered.fault);
      justSettled = { decisionId: answered.decisionId, isSameChild: nextIsSameChild };
      // An address that nothing was fetched for is asked of the server.
      router.push(nextHref ?? `${doneHref}&after=${answered.decisionId}`);
    } catch {
      setFault({ words: 'No answer came. Check whether the card is done, then continue.', stale: true, reasonFor: null });
    } finally {
      setDeciding(false);
    }
  };
  return { fault, decide: settle, deciding, refreshing: refreshing && settledBefore.isSameChild, settledBefore: settledBefore.decisionId };
}
