import { cookies } from 'next/headers';
import { appContext } from '@/server/context';
import { SESSION_COOKIE } from './screen';

/** Gives the browser the cookie of an open session. */
export async function keepSession({ token, lastsSeconds }: { token: string; lastsSeconds: number }): Promise<void> {
  (await cookies()).set(SESSION_COOKIE, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: appContext().origin.startsWith('https:'),
    path: '/',
    // Seconds from now by the browser's own clock, which may be wrong.
    maxAge: lastsSeconds,
  });
}
