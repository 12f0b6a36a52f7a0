'use client';

import { useEffect, useState } from 'react';
import { keepPages, whenKept } from './keptPages';

interface Props {
  /** The family's link, as a path. */
  readonly link: string;
  /** The pages that can be gone to from here; none where this page leads to no more than is kept already. */
  readonly pages: readonly string[];
  /** Changes when the kept pages are no longer true. */
  readonly stamp: string;
  readonly language: string;
  readonly timeZone: string;
  /** Before and after the time. */
  readonly words: readonly [string, string];
}

/** Lets the family's pages be opened without network, and says when this one is such a page. */
export function KeptPage({ link, pages, stamp, language, timeZone, words: [before, after] }: Props) {
  const [keptAt, setKeptAt] = useState<string | null>(null);
  const all = pages.join('\n');
  useEffect(() => {
    let ended = false;
    void whenKept().then((made) => {
      if (ended || made === null) return;
      setKeptAt(new Intl.DateTimeFormat(language, { weekday: 'long', hour: 'numeric', minute: '2-digit', timeZone }).format(made));
    });
    if (all) void keepPages(link, all.split('\n'), stamp);
    return () => {
      ended = true;
    };
  }, [link, all, stamp, language, timeZone]);
  return (
    <div role="status">
      {keptAt && (
        <p className="mt-3 rounded-[6px] bg-straw-tint px-3 py-2 font-bold">
          {before}
          {keptAt}
          {after}
        </p>
      )}
    </div>
  );
}
