'use client';

import { useState } from 'react';
import { KeyCap } from '../parts/KeyCap';

interface Props {
  readonly text: string;
  /** The same with its table, for programs that can paste one. */
  readonly html: () => string;
}

/** Copies the report, as text and as a table. */
export function CopyWords({ text, html }: Props) {
  const [isCopied, setCopied] = useState(false);
  const copy = () =>
    navigator.clipboard.write([
      new ClipboardItem({
        'text/plain': new Blob([text], { type: 'text/plain' }),
        'text/html': new Blob([html()], { type: 'text/html' }),
      }),
    ]);
  return (
    <button
      type="button"
      className="link"
      data-key="c"
      data-key-says="Copy the text"
      onClick={() => void copy().then(() => setCopied(true))}
    >
      Copy the text <KeyCap>C</KeyCap> <span role="status">{isCopied && '(copied)'}</span>
    </button>
  );
}
