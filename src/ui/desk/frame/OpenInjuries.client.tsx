'use client';

import Link from 'next/link';
import { useEffect } from 'react';

/** Over every screen while a task is on hold after an injury report, and in the tab's title, so that nobody has to look for it. */
export function OpenInjuries({ count }: { count: number }) {
  useEffect(() => {
    const show = () => {
      const title = `${count > 0 ? `(${count}) ` : ''}${document.title.replace(/^\(\d+\) /, '')}`;
      if (title !== document.title) document.title = title;
    };
    show();
    // The frame sets the title of each page after it is shown.
    const watching = new MutationObserver(show);
    watching.observe(document.head, { childList: true, subtree: true, characterData: true });
    return () => watching.disconnect();
  }, [count]);
  if (count === 0) return null;
  return (
    <p role="status" className="bg-brick px-[22px] py-1 font-semibold text-sheet print:hidden" data-open-injuries={count}>
      {count === 1 ? '1 activity is on hold after an injury report.' : `${count} activities are on hold after injury reports.`}{' '}
      <Link href="/review" prefetch={false} className="text-sheet underline underline-offset-4">
        Review now
      </Link>
    </p>
  );
}
