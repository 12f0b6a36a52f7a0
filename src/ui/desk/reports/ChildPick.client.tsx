'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { childFor, logIn } from './entry';

interface Props {
  readonly people: readonly { readonly id: number; readonly name: string }[];
  readonly week: string;
  readonly way: string;
  /** The child whose sheet stands here; empty where none does. */
  readonly chosen: string;
}

/** A name, or the code of a slip, and Enter: the sheet of that child. */
export function ChildPick({ people, week, way, chosen }: Props) {
  const [text, setText] = useState(chosen);
  const [fault, setFault] = useState('');
  const router = useRouter();
  const go = () => {
    const id = childFor(text, people);
    const log = logIn(text);
    if (id === null)
      return setFault(
        text.trim() === '' ? 'Enter a name.' : 'No single student matches. Enter more of the name, or the code on the practice log.',
      );
    router.push(`/reports/enter?${new URLSearchParams({ child: String(id), week, way, ...(log && { log }) })}`);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        go();
      }}
    >
      <label className="block">
        <span className="block text-[13px] font-semibold text-soft">Student</span>
        <input
          value={text}
          list="entry-children"
          autoFocus={chosen === ''}
          autoComplete="off"
          className="field w-[220px]"
          data-key="/"
          data-key-says="Another student"
          onChange={(event) => {
            setText(event.target.value);
            setFault('');
          }}
          onFocus={(event) => event.target.select()}
        />
      </label>
      <datalist id="entry-children">
        {people.map(({ id, name }) => (
          <option key={id} value={name} />
        ))}
      </datalist>
      {fault && (
        <p role="alert" className="text-[14px] text-brick">
          {fault}
        </p>
      )}
    </form>
  );
}
