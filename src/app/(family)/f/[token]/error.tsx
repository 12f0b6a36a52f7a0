'use client';

import { useEffect } from 'react';
import { PLAIN_COOKIE } from '@/ui/shared/plainCookie';

const DAY_SECONDS = 86_400;

/**
 * The page's scripts failed, in an old browser for one: the same page is asked for once more without any (`next.config.ts`), and
 * the plain form stands. Where that is not to be had, without network, whom to ask is said.
 */
export default function FamilyError() {
  useEffect(() => {
    if (document.cookie.includes(PLAIN_COOKIE)) return;
    document.cookie = `${PLAIN_COOKIE}=1; path=/f; max-age=${DAY_SECONDS}; samesite=lax`;
    window.location.reload();
  }, []);
  return (
    <main className="mx-auto max-w-[30rem] px-[18px] pt-[12vh]">
      <p role="alert">{typeof document === 'undefined' ? '' : document.body.dataset.trouble}</p>
    </main>
  );
}
