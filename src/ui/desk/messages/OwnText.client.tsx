'use client';

import { useState } from 'react';
import { segmentsOf } from '@/core/text';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';

/** A text in the therapist's own words, with how many text messages it will be counted as, while it is written. */
export function OwnText({ childId, send }: { childId: number; send: WordedAction }) {
  const [words, setWords] = useState('');
  const { count, encoding, left } = segmentsOf(words);
  return (
    <ActionForm action={send} hidden={{ childId }} onDone={() => setWords('')} className="mt-4">
      <label className="block text-[15px] font-semibold" htmlFor="own-text">
        Write to the family
      </label>
      <textarea
        id="own-text"
        name="words"
        rows={3}
        maxLength={480}
        className="field w-full"
        dir="auto"
        value={words}
        onChange={(event) => setWords(event.target.value)}
        aria-describedby="own-text-counts"
      />
      <p id="own-text-counts" className="text-[13px] text-soft">
        {count === 0
          ? 'Write nothing about the student. Anyone who holds the phone can read it.'
          : `${count} text ${count === 1 ? 'message' : 'messages'}, ${left} letters left in ${count === 1 ? 'it' : 'the last'}${encoding === 'UCS-2' ? '. A special character makes each one shorter' : ''}.`}
      </p>
      <button className="act mt-1">Send it</button>
    </ActionForm>
  );
}
