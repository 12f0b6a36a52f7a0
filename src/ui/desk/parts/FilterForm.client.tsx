'use client';

import { usePathname, useRouter } from 'next/navigation';
import { useRef, type ReactNode } from 'react';

const PAUSE_MILLISECONDS = 250;

/** Filters that act as soon as they are changed; what is filtered by stands in the address. Works as a plain form too. */
export function FilterForm({ children }: { children: ReactNode }) {
  const router = useRouter();
  const path = usePathname();
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const go = (form: HTMLFormElement) => {
    const requested = [...new FormData(form)].flatMap(([name, value]): [string, string][] =>
      typeof value === 'string' && value !== '' ? [[name, value]] : [],
    );
    router.replace(`${path}?${new URLSearchParams(requested)}`, { scroll: false });
  };
  return (
    <form
      method="get"
      role="search"
      className="mt-3 flex flex-wrap items-end gap-3"
      onChange={(event) => {
        const form = event.currentTarget;
        if (timer.current) clearTimeout(timer.current);
        timer.current = setTimeout(() => go(form), PAUSE_MILLISECONDS);
      }}
      onSubmit={(event) => {
        event.preventDefault();
        go(event.currentTarget);
      }}
    >
      {children}
    </form>
  );
}
