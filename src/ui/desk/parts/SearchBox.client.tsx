'use client';

import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';

const PAUSE_MILLISECONDS = 250;

/** Searches while one types; what is searched for stands in the address. */
export function SearchBox({ value }: { value: string }) {
  const [text, setText] = useState(value);
  const router = useRouter();
  const path = usePathname();
  const address = useSearchParams();
  const sent = useRef(value);
  useEffect(() => {
    if (text === sent.current) return;
    const timer = setTimeout(() => {
      sent.current = text;
      const next = new URLSearchParams(address);
      if (text) next.set('search', text);
      else next.delete('search');
      router.replace(`${path}?${next}`, { scroll: false });
    }, PAUSE_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [text, address, path, router]);
  return (
    <input
      type="search"
      aria-label="Search for a student, a task or a step"
      placeholder="Search  /"
      data-key="/"
      data-key-says="Search"
      value={text}
      onChange={(event) => setText(event.target.value)}
      className="field ml-auto w-[220px]"
    />
  );
}
