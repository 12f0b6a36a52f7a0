/** Shows a failure and how to fix it, where it happened and at once. */
export function FaultNote({ children, className = '' }: { children: React.ReactNode; className?: string }) {
  return (
    <p role="alert" className={`border-l-4 border-brick bg-brick-tint px-3 py-2 ${className}`}>
      {children}
    </p>
  );
}
