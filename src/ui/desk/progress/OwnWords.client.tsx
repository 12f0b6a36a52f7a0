'use client';

import { useRef, useState } from 'react';
import { fillPattern, PATTERN_FIELDS, type BuiltSentence, type PatternValues } from '@/core/progress';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';

interface Props {
  /** The paragraph as it stands. */
  readonly text: string;
  readonly built: readonly BuiltSentence[];
  readonly hidden: Record<string, number>;
  readonly values: PatternValues;
  readonly patterns: readonly { readonly id: number; readonly name: string; readonly words: string }[];
  readonly write: WordedAction;
  readonly savePattern: WordedAction;
  readonly deletePattern: WordedAction;
}

/** The paragraph in a box: edited, with patterns of one's own put in and kept. */
export function OwnWords({ text, built, hidden, values, patterns, write, savePattern, deletePattern }: Props) {
  const [words, setWords] = useState(text);
  const box = useRef<HTMLTextAreaElement>(null);
  /** Inserts at the cursor; at the end where there is none. */
  const put = (pattern: string) => {
    const filled = fillPattern(pattern, values);
    const { selectionStart: at = words.length, selectionEnd: to = at } = box.current ?? {};
    const [before, after] = [words.slice(0, at), words.slice(to)];
    setWords([before.trimEnd(), filled, after.trimStart()].filter(Boolean).join(' '));
    box.current?.focus();
  };
  const chosen = () => {
    const { selectionStart = 0, selectionEnd = 0 } = box.current ?? {};
    return words.slice(selectionStart, selectionEnd).trim();
  };
  return (
    <>
      <ActionForm action={write} hidden={{ ...hidden, built: JSON.stringify(built) }}>
        <label className="block text-[13px] font-semibold text-soft">
          The paragraph in your own words
          <textarea
            ref={box}
            name="words"
            value={words}
            onChange={(event) => setWords(event.target.value)}
            rows={6}
            maxLength={4000}
            data-key="e"
            data-key-says="Edit the paragraph"
            className="field w-full font-normal text-ink"
          />
        </label>
        <p className="mt-1 flex flex-wrap gap-3">
          <button className="act">Save this text</button>
          {words !== builtText(built) && (
            <button type="button" className="link" onClick={() => setWords(builtText(built))}>
              Restore the text from the data
            </button>
          )}
        </p>
      </ActionForm>
      <details className="mt-1">
        <summary className="link inline">Your saved patterns ({patterns.length})</summary>
        <ul>
          {patterns.map((pattern) => (
            <li key={pattern.id} className="flex items-baseline gap-3 border-b border-line py-1 text-[14px]">
              <button type="button" className="link shrink-0" onClick={() => put(pattern.words)}>
                {pattern.name}
              </button>
              <span className="min-w-0 flex-1 truncate text-soft">{fillPattern(pattern.words, values)}</span>
              <ActionForm action={deletePattern} hidden={{ id: pattern.id }}>
                <button className="link text-soft">
                  Delete<span className="sr-only"> {pattern.name}</span>
                </button>
              </ActionForm>
            </li>
          ))}
        </ul>
        <KeepPattern chosen={chosen} calledName={values.child} keep={savePattern} />
      </details>
    </>
  );
}

interface KeepProps {
  readonly chosen: () => string;
  readonly calledName: string;
  readonly keep: WordedAction;
}

function KeepPattern({ chosen, calledName, keep }: KeepProps) {
  const [words, setWords] = useState('');
  return (
    <ActionForm action={keep} hidden={{ calledName }} onDone={() => setWords('')} className="mt-2">
      <label className="block text-[13px] font-semibold text-soft">
        A new pattern
        <textarea
          name="words"
          rows={2}
          maxLength={2000}
          value={words}
          onChange={(event) => setWords(event.target.value)}
          className="field w-full font-normal text-ink"
        />
      </label>
      <button type="button" className="link" onClick={() => setWords(chosen())}>
        Use the selected text
      </button>
      <p className="text-[13px] text-soft">
        Filled for each goal: {PATTERN_FIELDS.map((field) => `{${field}}`).join(' ')}. {calledName} becomes {'{child}'} automatically.
      </p>
      <p className="mt-1 flex flex-wrap items-end gap-2">
        <label className="text-[13px] font-semibold text-soft">
          Name <input name="name" maxLength={60} autoComplete="off" className="field ml-1 font-normal text-ink" />
        </label>
        <button className="act">Save the pattern</button>
      </p>
    </ActionForm>
  );
}

const builtText = (built: readonly BuiltSentence[]) => built.map(({ says }) => says).join(' ');
