import { useEffect, useReducer, useRef, useState, type Dispatch } from 'react';
import type { ProgramDraft } from '@/core/programs';
import { editDraft, type DraftEdit } from './draftEdits';

const MOST_STEPS_BACK = 50;

interface History {
  readonly now: ProgramDraft;
  /** The latest last. */
  readonly before: readonly ProgramDraft[];
}

type Edit = DraftEdit | { readonly kind: 'undo' };

export function editHistory({ now, before }: History, edit: Edit): History {
  if (edit.kind === 'undo') return before.length === 0 ? { now, before } : { now: before.at(-1)!, before: before.slice(0, -1) };
  const next = editDraft(now, edit);
  return next === now ? { now, before } : { now: next, before: [...before, now].slice(-MOST_STEPS_BACK) };
}

/** The draft with every change that can be taken back. */
export function useDraft(begun: ProgramDraft): { draft: ProgramDraft; edit: Dispatch<Edit>; canUndo: boolean } {
  const [{ now, before }, edit] = useReducer(editHistory, { now: begun, before: [] });
  return { draft: now, edit, canUndo: before.length > 0 };
}

const PAUSE_MILLISECONDS = 700;

/** Saves the draft a moment after the last change, and says so. */
export function useAutosave(draft: ProgramDraft, save: (draft: ProgramDraft) => Promise<string | null>): string {
  const [state, setState] = useState('not changed yet');
  const first = useRef(draft);
  const latest = useRef(save);
  useEffect(() => {
    latest.current = save;
  });
  useEffect(() => {
    if (first.current === draft) return;
    setState('saving…');
    const timer = setTimeout(async () => {
      const fault = await latest.current(draft).catch(() => 'Not saved: no answer. Saving is tried again at your next change.');
      setState(fault ?? 'draft saved');
    }, PAUSE_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [draft]);
  return state;
}
