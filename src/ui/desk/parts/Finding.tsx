import type { ReactNode } from 'react';

const LOOKS = {
  error: { name: 'Fix: ', look: 'border-brick bg-brick-tint' },
  caution: { name: 'Caution: ', look: 'border-straw bg-straw-tint' },
  warning: { name: 'Check again: ', look: 'border-straw bg-straw-tint' },
  note: { name: '', look: 'border-line' },
} as const;

/** Shows a check's finding, beside the place that it is about. */
export function Finding({ severity, children }: { severity: keyof typeof LOOKS; children: ReactNode }) {
  const { name, look } = LOOKS[severity];
  return (
    <div className={`mt-1.5 border-l-4 px-2.5 py-1 text-[14px] ${look}`}>
      {name && <strong>{name}</strong>}
      {children}
    </div>
  );
}
