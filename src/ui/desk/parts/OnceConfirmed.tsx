interface Props {
  readonly isConfirmed: boolean;
  /** Where the person is brought back to. */
  readonly next: string;
  /** What the password is asked for. */
  readonly to: string;
  readonly children: React.ReactNode;
}

/** What can't be undone, or concerns everybody: offered for ten minutes after the password was given. */
export function OnceConfirmed({ isConfirmed, next, to, children }: Props) {
  if (isConfirmed) return children;
  return (
    <p className="mt-2">
      <a className="link" href={`/confirm?next=${encodeURIComponent(next)}`}>
        Give your password to {to}
      </a>
    </p>
  );
}
