import Link from 'next/link';

/** A link to one of several views of a list; the current one is marked in words and drawn. */
export function ChoiceLink({ href, isHere, children }: { href: string; isHere: boolean; children: React.ReactNode }) {
  return (
    <Link
      href={href}
      prefetch={false}
      aria-current={isHere ? 'true' : undefined}
      className="text-soft hover:text-ink aria-[current]:font-bold aria-[current]:text-ink aria-[current]:underline aria-[current]:underline-offset-4"
    >
      {children}
    </Link>
  );
}
