'use client';

import { useState } from 'react';
import { KeyCap } from '../parts/KeyCap';

/** Puts the paragraph where it can be pasted from. */
export function CopyWords({ text }: { text: string }) {
  const [isCopied, setCopied] = useState(false);
  return (
    <button
      type="button"
      className="link"
      data-key="c"
      data-key-says="Copy the text"
      onClick={() => void navigator.clipboard.writeText(text).then(() => setCopied(true))}
    >
      Copy the text <KeyCap>C</KeyCap> <span role="status">{isCopied && '(copied)'}</span>
    </button>
  );
}
