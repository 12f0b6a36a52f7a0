'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useActionState, useEffect, useState, useTransition } from 'react';
import { KeyCap } from '../parts/KeyCap';

export interface RoundsFault {
  readonly words: string;
  readonly stale: boolean;
}
export type ActionOf = (before: RoundsFault | null, form: FormData) => Promise<RoundsFault | null>;

export type Decide = (form: FormData) => Promise<{ ok: true; decisionId: number } | { ok: false; fault: RoundsFault }>;

export interface RoundsAct {
  readonly key: string;
  readonly answer: 'up' | 'down' | 'hold' | 'read' | 'seen';
  readonly words: string;
  /** Follows the suggestion: needs no reason. */
  readonly followed: boolean;
  /** The reason that is kept with it, where the act itself is one. */
  readonly reason?: string;
}

/** What can be done about a closed task. */
export interface StopChoices {
  readonly mayLift: boolean;
  /** Names of the steps at which it may go on, the present one last. */
  readonly steps: readonly string[];
}

interface Props {
  readonly stop: StopChoices | null;
  readonly mostLaterDays: number;
  readonly decide: Decide;
  readonly undo: ActionOf;
  readonly acts: readonly RoundsAct[];
  readonly decisionKey: string;
  readonly childId: number;
  readonly version: number;
  /** The bench, where a step between is put in. */
  readonly betweenHref: string | null;
  readonly builderHref: string | null;
  readonly nextKey: string | null;
  /** True where the next card is of the same child: what is settled here may change what it shows. */
  readonly nextIsSameChild: boolean;
  readonly lastDecisionId: number | null;
}

/**
 * The decision that was settled last, told by its answer: the card that comes next was fetched before, and what it says of
 * the round is so old. It is fetched anew as soon as it stands, and its acts wait for that where it is of the same child.
 */
let justSettled = { decisionId: 0, isSameChild: false };
const NOTHING_SETTLED = justSettled;

const addressOf = (key: string) => `/rounds?at=${encodeURIComponent(key)}`;

/** Settles a decision on the server, and only then goes on: to the card that was fetched ahead, where there is one. */
function useDecide({ decide, nextKey, nextIsSameChild }: Pick<Props, 'decide' | 'nextKey' | 'nextIsSameChild'>) {
  const router = useRouter();
  const [deciding, setDeciding] = useState(false);
  const [fault, setFault] = useState<RoundsFault | null>(null);
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
      router.push(nextKey ? addressOf(nextKey) : `/rounds?at=&after=${answered.decisionId}`);
    } catch {
      setFault({ words: 'No answer came. Look whether it was settled, then go on.', stale: true });
    } finally {
      setDeciding(false);
    }
  };
  return { fault, decide: settle, waiting: deciding || (refreshing && settledBefore.isSameChild), settledBefore: settledBefore.decisionId };
}

type Asking = RoundsAct | 'write' | 'later' | 'lift' | 'keepClosed' | 'takeOut' | null;

const REASONS = ['I saw the child do it', 'Too few good days yet', 'The family asked', 'Other things come first'];

/** The acts of a decision, a key each. What goes another way than the suggestion asks for a reason first. */
export function RoundsActs(props: Props) {
  const [asking, setAsking] = useState<Asking>(null);
  const { fault, decide, waiting, settledBefore } = useDecide(props);
  const [undoFault, undo, undoing] = useActionState(props.undo, null);
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
        <p role="alert" className="mb-3 border-l-4 border-brick bg-brick-tint px-3 py-2">
          {shown.words}{' '}
          {shown.stale && (
            <a className="link" href="/rounds">
              Show what is open now
            </a>
          )}
        </p>
      )}
      {props.decisionKey && asking === null && (
        <ul>
          {props.acts.map((choice) => (
            <li key={choice.key} className="border-b border-line">
              {choice.followed ? (
                <form action={decide}>
                  {hidden}
                  {choice.reason && <input type="hidden" name="reason" value={choice.reason} />}
                  <ActButton act={choice} disabled={waiting} strong />
                </form>
              ) : (
                <ActButton act={choice} onClick={() => setAsking(choice)} />
              )}
            </li>
          ))}
          {props.stop?.mayLift && (
            <>
              <li className="border-b border-line">
                <PlainAct cap="F" dataKey="f" says="Lift the stop…" onClick={() => setAsking('lift')} />
              </li>
              <li className="border-b border-line">
                <PlainAct cap="K" dataKey="k" says="Keep it closed…" onClick={() => setAsking('keepClosed')} />
              </li>
              <li className="border-b border-line">
                <PlainAct cap="T" dataKey="t" says="Take the task out…" onClick={() => setAsking('takeOut')} />
              </li>
            </>
          )}
          {props.betweenHref && (
            <li className="border-b border-line">
              <Link
                href={props.betweenHref}
                prefetch={false}
                data-key="b"
                data-key-says="A step between, on the bench"
                className="flex items-center gap-3 py-[7px] hover:bg-green-tint"
              >
                <KeyCap>B</KeyCap> A step between, on the bench
              </Link>
            </li>
          )}
          {props.builderHref && (
            <li className="border-b border-line">
              <Link
                href={props.builderHref}
                prefetch={false}
                data-key="o"
                data-key-says="Another step or dose"
                className="flex items-center gap-3 py-[7px] hover:bg-green-tint"
              >
                <KeyCap>O</KeyCap> Another step or dose
              </Link>
            </li>
          )}
          <li className="border-b border-line">
            <PlainAct cap="W" dataKey="w" says="Write to the family" onClick={() => setAsking('write')} />
          </li>
          <li className="border-b border-line">
            <PlainAct cap="L" dataKey="l" says="Later, until…" onClick={() => setAsking('later')} />
          </li>
          {props.nextKey && (
            <li>
              <Link
                href={addressOf(props.nextKey)}
                prefetch
                data-key="ArrowRight"
                data-key-says="Next, leave this one open"
                className="flex items-center gap-3 py-[7px] hover:bg-green-tint"
              >
                <KeyCap>→</KeyCap> Next
              </Link>
            </li>
          )}
        </ul>
      )}
      {asking !== null && (
        <form action={decide} className="space-y-3 rounded-[4px] border border-ink bg-sheet p-4">
          {hidden}
          <Question asking={asking} steps={props.stop?.steps ?? []} mostLaterDays={props.mostLaterDays} />
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
      {lastDecisionId > 0 && (
        <form action={undo} className="mt-2 flex justify-end">
          <input type="hidden" name="decisionId" value={lastDecisionId} />
          <button
            disabled={undoing}
            data-key="z"
            data-key-says="Take the last decision back"
            className="flex items-center gap-2 text-soft hover:text-ink"
          >
            take the last one back <KeyCap>Z</KeyCap>
          </button>
        </form>
      )}
    </div>
  );
}

function ActButton({ act, strong = false, ...rest }: { act: RoundsAct; strong?: boolean; disabled?: boolean; onClick?: () => void }) {
  return (
    <button
      type={rest.onClick ? 'button' : 'submit'}
      name="answer"
      value={act.answer}
      data-key={act.key}
      data-key-says={act.words}
      className={`flex w-full items-center gap-3 py-[7px] text-left hover:bg-green-tint ${strong ? 'font-bold' : ''}`}
      {...rest}
    >
      <KeyCap>{act.key.toUpperCase()}</KeyCap> {act.words}
    </button>
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

const SENDS = {
  write: 'Send it',
  later: 'Put it off',
  lift: 'Lift the stop and tell the family',
  keepClosed: 'Keep it closed',
  takeOut: 'Take the task out',
} as const;

interface QuestionProps {
  readonly asking: Exclude<Asking, null>;
  readonly steps: readonly string[];
  readonly mostLaterDays: number;
}

function Question({ asking, steps, mostLaterDays }: QuestionProps) {
  if (asking === 'lift') {
    return (
      <>
        <input type="hidden" name="answer" value="lifted" />
        <label className="block">
          <span className="font-semibold">What did you find?</span>
          <textarea name="found" required minLength={3} maxLength={600} rows={2} autoFocus className="field mt-1 w-full" />
        </label>
        <label className="block">
          <span className="font-semibold">Whom did you speak to?</span>
          <input name="spokeTo" required maxLength={200} autoComplete="off" className="field mt-1 w-full" />
        </label>
        <div className="flex gap-3">
          <label className="block">
            <span className="font-semibold">From</span>
            <input name="fromDay" type="date" className="field mt-1 block" />
            <span className="block text-[13px] text-soft">empty: today</span>
          </label>
          <label className="block min-w-0 flex-1">
            <span className="font-semibold">At step</span>
            <select name="atStep" defaultValue={steps.length} className="field mt-1 w-full">
              {steps.map((name, index) => (
                <option key={index} value={index + 1}>
                  {index + 1}, {name}
                </option>
              ))}
            </select>
          </label>
        </div>
        <FamilyWordsBox required={false} />
      </>
    );
  }
  if (asking === 'keepClosed' || asking === 'takeOut') {
    return (
      <>
        <input type="hidden" name="answer" value={asking === 'keepClosed' ? 'keptClosed' : 'takenOut'} />
        <label className="block">
          <span className="font-semibold">Why?</span>
          <input name="reason" required maxLength={400} autoFocus autoComplete="off" className="field mt-1 w-full" />
        </label>
        {asking === 'keepClosed' && (
          <label className="block">
            <span className="font-semibold">Show me this card again in</span>{' '}
            <select name="laterDays" defaultValue={7} className="field">
              {[1, 2, 7, 14].map((days) => (
                <option key={days} value={days}>
                  {days === 1 ? '1 day' : `${days} days`}
                </option>
              ))}
            </select>
          </label>
        )}
        <FamilyWordsBox required={false} />
      </>
    );
  }
  if (asking === 'later') {
    return (
      <fieldset>
        <input type="hidden" name="answer" value="later" />
        <legend className="mb-1 font-semibold">Show it again</legend>
        {[1, 2, 7]
          .filter((days) => days <= mostLaterDays)
          .map((days) => (
            <label key={days} className="flex items-center gap-2 py-0.5">
              <input
                type="radio"
                name="laterDays"
                value={days}
                defaultChecked={days === Math.min(2, mostLaterDays)}
                autoFocus={days === Math.min(2, mostLaterDays)}
              />{' '}
              in {days === 1 ? '1 day' : `${days} days`}
            </label>
          ))}
      </fieldset>
    );
  }
  if (asking === 'write') {
    return (
      <>
        <input type="hidden" name="answer" value="wrote" />
        <FamilyWordsBox required />
      </>
    );
  }
  return (
    <>
      <input type="hidden" name="answer" value={asking.answer} />
      <label className="block">
        <span className="font-semibold">{asking.words}: why?</span>
        <input name="reason" required maxLength={400} list="reasons" autoFocus autoComplete="off" className="field mt-1 w-full" />
      </label>
      <datalist id="reasons">
        {REASONS.map((reason) => (
          <option key={reason} value={reason} />
        ))}
      </datalist>
      <p className="text-[13px] text-soft">The reason goes into the grade history.</p>
    </>
  );
}

function FamilyWordsBox({ required }: { required: boolean }) {
  return (
    <>
      <label className="block">
        <span className="font-semibold">To the family{required ? '' : ' (you may leave it out)'}</span>
        <textarea
          name="words"
          required={required}
          maxLength={600}
          rows={required ? 5 : 2}
          autoFocus={required}
          className="field mt-1 w-full"
        />
      </label>
      <p className="text-[13px] text-soft">It stands on the family’s page as you write it; a text says only that there is a word.</p>
    </>
  );
}
