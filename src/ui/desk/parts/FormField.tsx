/** A label over its field, and what is wrong with it below. */
export function FormField({
  label,
  hint,
  fault,
  className,
  children,
}: {
  label: string;
  hint?: string;
  fault?: string | undefined;
  className?: string;
  children: React.ReactNode;
}) {
  return (
    <label className={`block ${className ?? ''}`}>
      <span className="block text-[13px] font-semibold text-soft">{label}</span>
      {children}
      {hint && <span className="block text-[13px] text-soft">{hint}</span>}
      {fault && (
        <span role="alert" className="block text-[13px] font-semibold text-brick">
          {fault}
        </span>
      )}
    </label>
  );
}

/** Several things to tick, in a row. */
export function TickList({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <fieldset>
      <legend className="text-[13px] font-semibold text-soft">{label}</legend>
      <span className="flex flex-wrap gap-x-4 gap-y-1">{children}</span>
    </fieldset>
  );
}
