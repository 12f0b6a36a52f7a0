import Link from 'next/link';

/** One of several ways to look at a list; the one that holds is said and drawn. */
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
