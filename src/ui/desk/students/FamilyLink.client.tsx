'use client';

import { useState } from 'react';
import type { ChildView } from '@/server/students/viewChild';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';

const WHY = {
  noContact: 'No phone or email is on file, so nothing can be sent.',
  noService: 'No service for texts or email is set up, so nothing can be sent.',
} as const;

/** The family's private link, for handing over by hand: copied, or read by the phone of the parent who stands beside. */
interface Props {
  readonly view: Pick<ChildView, 'child' | 'familyLink' | 'unreached' | 'program'>;
  /** Makes a link, and sends it where the family is reached. */
  readonly sendNow: WordedAction;
}

export function FamilyLink({ view: { child, familyLink: link, unreached, program }, sendNow }: Props) {
  const [isCopied, setCopied] = useState(false);
  return (
    <section>
      <h2 className="border-b border-ink pb-1 text-[18px]">Family link</h2>
      {unreached && (
        <p className="mt-2 border-l-4 border-brick bg-brick-tint px-3 py-1.5">
          {WHY[unreached]} Give {child.calledName}’s family the link yourself.
        </p>
      )}
      {link === null ? (
        program ? (
          <ActionForm action={sendNow} hidden={{ childId: child.id }} className="mt-2">
            <span className="text-soft">There is no link yet. </span>
            <button className="act">{unreached ? 'Create a link' : 'Send the link now'}</button>
          </ActionForm>
        ) : (
          <p className="mt-2 text-soft">There is no link yet. Sending a program creates one.</p>
        )
      ) : (
        <>
          <p className="mt-2 flex flex-wrap gap-3">
            <button
              type="button"
              className="act"
              onClick={() =>
                void navigator.clipboard.writeText(link.address).then(
                  () => setCopied(true),
                  () => setCopied(false),
                )
              }
            >
              Copy the link
            </button>
            <span role="status" className="self-center text-soft">
              {isCopied && 'Copied.'}
            </span>
          </p>
          <details className="mt-2">
            <summary className="link inline">Show the QR code</summary>
            <p className="mt-2 text-soft">The parent’s phone camera opens the page. Anyone with this code can see the program.</p>
            <div
              className="mt-2 w-[180px]"
              role="img"
              aria-label="QR code of the family link"
              dangerouslySetInnerHTML={{ __html: link.code }}
            />
            <input
              readOnly
              value={link.address}
              aria-label="The link"
              className="field mt-2 w-full"
              onFocus={(event) => event.target.select()}
            />
          </details>
        </>
      )}
    </section>
  );
}
