'use client';

import { useActionState } from 'react';

export type WordedAction = (before: string | null, form: FormData) => Promise<string | null>;

/** A form for one act; what went wrong is said beside it. */
export function ActionForm({
  action,
  hidden,
  onDone,
  className,
  children,
}: {
  action: WordedAction;
  hidden: Record<string, string | number>;
  /** Called once the act is done. */
  onDone?: () => void;
  className?: string;
  children: React.ReactNode;
}) {
  const [fault, send, sending] = useActionState(async (before: string | null, form: FormData) => {
    const said = await action(before, form);
    if (said === null) onDone?.();
    return said;
  }, null);
  return (
    <form action={send} className={className}>
      {Object.entries(hidden).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      <fieldset disabled={sending} className="contents">
        {children}
      </fieldset>
      {fault && (
        <p role="alert" className="mt-2 border-l-4 border-brick bg-brick-tint px-3 py-1.5">
          {fault}
        </p>
      )}
    </form>
  );
}
