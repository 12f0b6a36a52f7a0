'use client';

export function PrintLink() {
  return (
    <button type="button" className="link" onClick={() => window.print()}>
      Print
    </button>
  );
}
