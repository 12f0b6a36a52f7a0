import { useState } from 'react';
import type { ProgramDraft, ProgramFinding } from '@/core/programs';
import { longDay } from '../../shared/days';
import { FaultNote } from '../parts/FaultNote';
import { KeyCap } from '../parts/KeyCap';

interface Props {
  readonly draft: ProgramDraft;
  readonly findings: readonly ProgramFinding[];
  readonly nextVersion: number;
  /** The words of what went wrong; null where it was sent. */
  readonly send: (cautionsRead: boolean) => Promise<string | null>;
}

/** Lists what has to be read before sending, and the one button that sends. */
export function SendBar({ draft, findings, nextVersion, send }: Props) {
  const [isSending, setSending] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const [cautionsRead, setCautionsRead] = useState(false);
  const errors = findings.filter(({ severity }) => severity === 'error').length;
  const cautions = findings.filter(({ severity }) => severity === 'caution').length;
  const isUnread = cautions > 0 && !cautionsRead;
  const sendNow = async () => {
    setSending(true);
    const said = await send(cautionsRead);
    setFault(said);
    // Sent, the page is left.
    if (said !== null) setSending(false);
  };
  return (
    <div className="mt-4 border-t-2 border-ink pt-3">
      {cautions > 0 && (
        <label className="flex items-start gap-2">
          <input
            type="checkbox"
            checked={cautionsRead}
            onChange={(event) => setCautionsRead(event.target.checked)}
            className="mt-1 size-4 accent-green"
          />
          <span>
            I have read the {cautions === 1 ? 'caution' : `${cautions} cautions`} above and judge that this fits the student. Local rules
            and my license come first.
          </span>
        </label>
      )}
      {fault && <FaultNote className="mt-2">{fault}</FaultNote>}
      <div className="mt-3 flex items-center gap-4">
        <button
          type="button"
          className="act act-main"
          disabled={isSending || errors > 0 || isUnread}
          onClick={sendNow}
          data-key="s"
          data-key-says="Send this program"
        >
          Send as version {nextVersion} <KeyCap>S</KeyCap>
        </button>
        <span className="text-soft">
          {errors > 0
            ? `${errors} to fix first`
            : isUnread
              ? 'Check that you read the cautions'
              : `After you send it, this version cannot change. Until ${longDay(draft.endsOn)}.`}
        </span>
      </div>
    </div>
  );
}
