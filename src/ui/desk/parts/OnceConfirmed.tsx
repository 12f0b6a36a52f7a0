interface Props {
  readonly isConfirmed: boolean;
  /** Address to return to. */
  readonly next: string;
  /** Purpose for which the password is asked. */
  readonly to: string;
  readonly children: React.ReactNode;
}

/** Offers an act that cannot be undone or concerns everyone, for ten minutes after the password was given. */
export function OnceConfirmed({ isConfirmed, next, to, children }: Props) {
  if (isConfirmed) return children;
  return (
    <p className="mt-2">
      <a className="link" href={`/confirm?next=${encodeURIComponent(next)}`}>
        Enter your password to {to}
      </a>
    </p>
  );
}
