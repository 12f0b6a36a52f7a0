'use client';

import { startTransition, useActionState, useRef } from 'react';

export type WordedAction = (before: string | null, form: FormData) => Promise<string | null>;

/** A form for one act; what went wrong is said beside it, and what was written stays. Done, it is as it was before. */
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
  const form = useRef<HTMLFormElement>(null);
  const [fault, send, sending] = useActionState(async (before: string | null, given: FormData) => {
    const said = await action(before, given);
    if (said === null) {
      form.current?.reset();
      onDone?.();
    }
    return said;
  }, null);
  return (
    <form
      ref={form}
      className={className}
      onSubmit={(event) => {
        // Not the form's own action: that empties the boxes, whatever comes of it.
        event.preventDefault();
        const given = new FormData(event.currentTarget, (event.nativeEvent as SubmitEvent).submitter);
        startTransition(() => send(given));
      }}
    >
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
