'use client';

import Link from 'next/link';
import { useActionState, useEffect, useRef, useState } from 'react';
import { KeyCap } from '../parts/KeyCap';
import type { ActionOf, Asking, Decide, ReviewAct, StopChoices, ToFamily } from './reviewAct';
import { ReviewQuestion, SENDS } from './ReviewQuestion';
import { useSettling } from './useSettling';
import { FaultNote } from '../parts/FaultNote';

interface Props {
  readonly stop: StopChoices | null;
  /** True where the task may be taken out though nothing closed it. */
  readonly mayTakeOut: boolean;
  readonly mostLaterDays: number;
  readonly toFamily: ToFamily | null;
  readonly decide: Decide;
  readonly undo: ActionOf;
  readonly acts: readonly ReviewAct[];
  readonly decisionKey: string;
  readonly childId: number;
  readonly version: number;
  /** The bench, where a step between is put in. */
  readonly betweenHref: string | null;
  /** The sheet for the bag, where it may go home on paper. */
  readonly paperHref: string | null;
  readonly builderHref: string | null;
  readonly nextHref: string | null;
  /** Address to go to after the last card. */
  readonly doneHref: string;
  /** True where the next card is of the same child: what is settled here may change what it shows. */
  readonly nextIsSameChild: boolean;
  readonly lastDecisionId: number | null;
}

/** The acts of a decision, a key each. What goes another way than the suggestion asks for a reason first. */
export function ReviewActs(props: Props) {
  const [asking, setAsking] = useState<Asking>(null);
  const { fault, decide, deciding, refreshing, settledBefore } = useSettling(props);
  const waiting = deciding || refreshing;
  const [undoFault, undo, undoing] = useActionState(props.undo, null);
  // A key that is pressed while the card is not fresh yet is kept, and done as soon as it is; a decision under way takes none.
  const [note, setNote] = useState<string | null>(null);
  const pressed = useRef<string | null>(null);
  useEffect(() => {
    if (refreshing || pressed.current === null) return;
    const key = pressed.current;
    pressed.current = null;
    document.querySelector<HTMLElement>(`[data-key="${key}"]`)?.click();
  }, [refreshing]);
  const lastDecisionId = Math.max(settledBefore, props.lastDecisionId ?? 0);
  const hidden = (
    <>
      <input type="hidden" name="childId" value={props.childId} />
      <input type="hidden" name="key" value={props.decisionKey} />
      <input type="hidden" name="expectedVersion" value={props.version} />
    </>
  );
  const shown = fault ?? undoFault;
  return (
    <div className="mt-3">
      {shown && (
        <FaultNote className="mb-3">
          {shown.words}{' '}
          {shown.stale && (
            <a className="link" href="/review">
              Show what is open now
            </a>
          )}
        </FaultNote>
      )}
      {fault?.reasonFor && (
        <form action={decide} className="mb-3 flex items-end gap-3">
          {hidden}
          <input type="hidden" name="answer" value={fault.reasonFor} />
          <label className="block min-w-0 flex-1">
            <span className="font-semibold">Reason for giving it anyway</span>
            <input name="safetyReason" required maxLength={300} autoFocus autoComplete="off" className="field mt-1 w-full" />
          </label>
          <button className="act" disabled={waiting}>
            Save
          </button>
        </form>
      )}
      {props.decisionKey && asking === null && note !== null && <NoteBox note={note} setNote={setNote} />}
      {props.decisionKey && asking === null && (
        <ul>
          {props.acts.map((choice) => (
            <li key={choice.key} className="border-b border-line">
              {choice.followed && !choice.silenceAction ? (
                <form action={decide}>
                  {hidden}
                  {(note?.trim() || choice.reason) && (
                    <input type="hidden" name="reason" value={[choice.reason, note?.trim()].filter(Boolean).join(': ')} />
                  )}
                  <ActButton
                    act={choice}
                    disabled={deciding}
                    {...(refreshing && { onWait: () => (pressed.current = choice.key) })}
                    strong
                  />
                </form>
              ) : (
                <ActButton act={choice} onClick={() => setAsking(choice)} />
              )}
            </li>
          ))}
          {props.stop?.mayLift && (
            <>
              <li className="border-b border-line">
                <PlainAct cap="F" dataKey="f" says="Reopen the task…" onClick={() => setAsking('lift')} />
              </li>
              <li className="border-b border-line">
                <PlainAct cap="K" dataKey="k" says="Keep on hold…" onClick={() => setAsking('keepClosed')} />
              </li>
            </>
          )}
          {(props.stop?.mayLift || props.mayTakeOut) && (
            <li className="border-b border-line">
              <PlainAct cap="T" dataKey="t" says="Remove the task…" onClick={() => setAsking('takeOut')} />
            </li>
          )}
          {props.betweenHref && <LinkAct cap="B" says="Add an in-between step" href={props.betweenHref} />}
          {props.paperHref && <LinkAct cap="V" says="View the sheet for the bag" href={props.paperHref} />}
          {props.builderHref && <LinkAct cap="O" says="Another step or target" href={props.builderHref} />}
          {note === null && props.acts.some(({ followed, silenceAction }) => followed && !silenceAction) && (
            <li className="border-b border-line">
              <PlainAct cap="N" dataKey="n" says="With a note…" onClick={() => setNote('')} />
            </li>
          )}
          <li className="border-b border-line">
            <PlainAct cap="W" dataKey="w" says="Write to the family" onClick={() => setAsking('write')} />
          </li>
          <li className="border-b border-line">
            {!props.stop && <PlainAct cap="L" dataKey="l" says="Snooze until…" onClick={() => setAsking('later')} />}
          </li>
          {props.nextHref && (
            <li>
              <Link
                href={props.nextHref}
                prefetch
                data-key="ArrowRight"
                data-key-says="Next (leave this one open)"
                className="flex items-center gap-3 py-[7px] hover:bg-green-tint"
              >
                <KeyCap>→</KeyCap> Next
              </Link>
            </li>
          )}
        </ul>
      )}
      {asking !== null && (
        <form
          className="space-y-3 rounded-[4px] border border-ink bg-sheet p-4"
          onSubmit={(event) => {
            // Not the form's own action: that empties the boxes, and words that did not go out would be lost.
            event.preventDefault();
            void decide(new FormData(event.currentTarget, (event.nativeEvent as SubmitEvent).submitter));
          }}
        >
          {hidden}
          <ReviewQuestion asking={asking} steps={props.stop?.steps ?? []} mostLaterDays={props.mostLaterDays} toFamily={props.toFamily} />
          <div className="flex gap-3">
            <button className="act act-main" disabled={waiting}>
              {typeof asking === 'object' ? asking.words : SENDS[asking]}
            </button>
            <button type="button" className="act" onClick={() => setAsking(null)} data-key="Escape" data-key-says="Go back">
              Go back
            </button>
          </div>
        </form>
      )}
      {lastDecisionId > 0 && <UndoLast decisionId={lastDecisionId} undo={undo} undoing={undoing} />}
    </div>
  );
}

function UndoLast({ decisionId, undo, undoing }: { decisionId: number; undo: (form: FormData) => void; undoing: boolean }) {
  return (
    <form action={undo} className="mt-2 flex justify-end">
      <input type="hidden" name="decisionId" value={decisionId} />
      <button
        disabled={undoing}
        data-key="z"
        data-key-says="Undo the last decision"
        className="flex items-center gap-2 text-soft hover:text-ink"
      >
        Undo the last decision <KeyCap>Z</KeyCap>
      </button>
    </form>
  );
}

/** A note that is kept with the act that comes next: Enter leaves the box, and the act’s key settles it. */
function NoteBox({ note, setNote }: { note: string; setNote: (note: string | null) => void }) {
  return (
    <label className="mb-2 block">
      <span className="font-semibold">Note, saved with your decision</span>
      <input
        value={note}
        maxLength={300}
        autoFocus
        autoComplete="off"
        className="field mt-1 w-full"
        onChange={(event) => setNote(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
        }}
      />
    </label>
  );
}

interface ActProps {
  readonly act: ReviewAct;
  readonly strong?: boolean;
  readonly disabled?: boolean;
  /** Keeps a press while the card is not fresh yet; absent where it is. */
  readonly onWait?: () => void;
  readonly onClick?: () => void;
}

function ActButton({ act, strong = false, disabled = false, onWait, onClick }: ActProps) {
  const keepPress = (event: React.MouseEvent) => {
    event.preventDefault();
    onWait?.();
  };
  return (
    <button
      type={onClick ? 'button' : 'submit'}
      name="answer"
      value={act.answer}
      data-key={act.key}
      data-key-says={act.words}
      disabled={disabled}
      className={`flex w-full items-center gap-3 py-[7px] text-left hover:bg-green-tint ${strong ? 'font-bold' : ''}`}
      onClick={onWait ? keepPress : onClick}
    >
      <KeyCap>{act.key.toUpperCase()}</KeyCap> {act.words}
    </button>
  );
}

/** Leads to another screen; the decision stays open. */
function LinkAct({ cap, says, href }: { cap: string; says: string; href: string }) {
  return (
    <li className="border-b border-line">
      <Link
        href={href}
        prefetch={false}
        data-key={cap.toLowerCase()}
        data-key-says={says}
        className="flex items-center gap-3 py-[7px] hover:bg-green-tint"
      >
        <KeyCap>{cap}</KeyCap> {says}
      </Link>
    </li>
  );
}

function PlainAct({ cap, dataKey, says, onClick }: { cap: string; dataKey: string; says: string; onClick: () => void }) {
  return (
    <button
      type="button"
      onClick={onClick}
      data-key={dataKey}
      data-key-says={says}
      className="flex w-full items-center gap-3 py-[7px] text-left hover:bg-green-tint"
    >
      <KeyCap>{cap}</KeyCap> {says}
    </button>
  );
}
