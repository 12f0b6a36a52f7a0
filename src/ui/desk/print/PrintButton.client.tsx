'use client';

import { KeyCap } from '../parts/KeyCap';

export function PrintButton() {
  return (
    <button type="button" className="act act-main" data-key="p" data-key-says="Print" onClick={() => window.print()}>
      Print <KeyCap>P</KeyCap>
    </button>
  );
}
