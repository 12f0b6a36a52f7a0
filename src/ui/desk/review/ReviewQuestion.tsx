import { useEffect, useRef } from 'react';
import type { SilenceAction } from '@/core/review';
import { KeyCap } from '../parts/KeyCap';
import type { Asking, ToFamily } from './reviewAct';
import { WriteToFamily } from './WriteToFamily';

const REASONS = ['I saw the student do it', 'Too few good days yet', 'The family asked', 'Other things come first'];

export const SENDS = {
  write: 'Send it',
  later: 'Snooze',
  lift: 'Reopen and notify the family',
  keepClosed: 'Keep on hold',
  takeOut: 'Remove the task',
} as const;

interface QuestionProps {
  readonly asking: Exclude<Asking, null>;
  readonly steps: readonly string[];
  readonly mostLaterDays: number;
  readonly toFamily: ToFamily | null;
}

/** Asks what an act needs before it is settled. */
export function ReviewQuestion({ asking, steps, mostLaterDays, toFamily }: QuestionProps) {
  if (asking === 'lift') {
    return (
      <>
        <input type="hidden" name="answer" value="lifted" />
        <label className="block">
          <span className="font-semibold">What did you find?</span>
          <textarea name="found" required minLength={3} maxLength={600} rows={2} autoFocus className="field mt-1 w-full" />
        </label>
        <label className="block">
          <span className="font-semibold">Who did you speak to?</span>
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
        <legend className="mb-1 font-semibold">Show again</legend>
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
        <WriteToFamily toFamily={toFamily} />
      </>
    );
  }
  if (asking.silenceAction) return <SilenceQuestion silenceAction={asking.silenceAction} answer={asking.answer} />;
  return (
    <>
      <input type="hidden" name="answer" value={asking.answer} />
      <ReasonChoice title={`${asking.words}: why?`} />
    </>
  );
}

/** A usual reason by its digit, at once; any other in words. */
function ReasonChoice({ title }: { title: string }) {
  const first = useRef<HTMLButtonElement>(null);
  const own = useRef<HTMLInputElement>(null);
  // Not the box: a digit is pressed at once, and a letter never lands in a reason by mistake.
  useEffect(() => first.current?.focus(), []);
  const give = (reason: string) => {
    own.current!.value = reason;
    own.current!.form!.requestSubmit();
  };
  return (
    <fieldset data-keys-first>
      <legend className="font-semibold">{title}</legend>
      <ul className="mt-1">
        {REASONS.map((reason, index) => (
          <li key={reason}>
            <button
              ref={index === 0 ? first : null}
              type="button"
              className="flex w-full items-center gap-3 py-[5px] text-left hover:bg-green-tint"
              data-key={String(index + 1)}
              data-key-says={reason}
              onClick={() => give(reason)}
            >
              <KeyCap>{String(index + 1)}</KeyCap> {reason}
            </button>
          </li>
        ))}
      </ul>
      <label className="mt-1 block">
        <span className="flex items-center gap-3">
          <KeyCap>{String(REASONS.length + 1)}</KeyCap> in your own words
        </span>
        <input
          ref={own}
          name="reason"
          required
          maxLength={400}
          autoComplete="off"
          className="field mt-1 w-full"
          data-key={String(REASONS.length + 1)}
          data-key-says="In your own words"
        />
      </label>
      <p className="text-[13px] text-soft">The reason is saved in the step history.</p>
    </fieldset>
  );
}

/** Asks until when a card of silence is snoozed. The content of a call is stored. */
function SilenceQuestion({ silenceAction, answer }: { silenceAction: SilenceAction; answer: string }) {
  const isCall = silenceAction === 'called';
  return (
    <>
      <input type="hidden" name="answer" value={answer} />
      <input type="hidden" name="silenceAction" value={silenceAction} />
      <label className="block">
        <span className="font-semibold">{isCall ? 'Who did you reach, and what did they say?' : 'Note (optional)'}</span>
        <textarea name="reason" required={isCall} maxLength={400} rows={2} autoFocus={isCall} className="field mt-1 w-full" />
      </label>
      {silenceAction === 'paused' && (
        <>
          <label className="block">
            <span className="font-semibold">Practice resumes on</span>
            <input name="fromDay" type="date" required autoFocus className="field mt-1 block" />
          </label>
          <p className="text-[13px] text-soft">
            The family sees this date. Until then, no practice is due, and no days are counted. The program’s last day moves by as many
            days.
          </p>
        </>
      )}
      {silenceAction === 'ended' && (
        <p className="text-[13px] text-soft">
          The family sees that practice ended, with a thank-you. They can still report. You can send a new program at any time.
        </p>
      )}
      {silenceAction !== 'paused' && silenceAction !== 'ended' && (
        <label className="block">
          <span className="font-semibold">If no report comes, show it again in</span>{' '}
          <select name="laterDays" defaultValue={7} autoFocus={!isCall} className="field">
            {[1, 3, 7, 14, 28].map((days) => (
              <option key={days} value={days}>
                {days === 1 ? '1 day' : `${days} days`}
              </option>
            ))}
          </select>
        </label>
      )}
    </>
  );
}

function FamilyWordsBox({ required }: { required: boolean }) {
  return (
    <>
      <label className="block">
        <span className="font-semibold">To the family{required ? '' : ' (optional)'}</span>
        <textarea
          name="words"
          required={required}
          maxLength={600}
          rows={required ? 5 : 2}
          autoFocus={required}
          className="field mt-1 w-full"
        />
      </label>
      <p className="text-[13px] text-soft">The family’s page shows it as you write it. A text says only that there is a message.</p>
    </>
  );
}
