'use client';

import { KeyCap } from '../parts/KeyCap';

export function PrintButton() {
  return (
    <button type="button" className="act act-main" data-key="p" data-key-says="Print it" onClick={() => window.print()}>
      Print it <KeyCap>P</KeyCap>
    </button>
  );
}
