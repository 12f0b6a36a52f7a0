'use client';

import { useActionState } from 'react';
import type { ActionOf } from './reviewAct';

/** Wakes a card that was put off: its putting off is taken back, and it stands in the round again. */
export function TakeUp({ decisionId, undo }: { decisionId: number; undo: ActionOf }) {
  const [fault, takeUp, waiting] = useActionState(undo, null);
  return (
    <form action={takeUp} className="inline">
      <input type="hidden" name="decisionId" value={decisionId} />
      <button className="link" disabled={waiting}>
        Open it now
      </button>
      {fault && (
        <span role="alert" className="ml-2 text-brick">
          {fault.words}
        </span>
      )}
    </form>
  );
}
