import { cookies, headers } from 'next/headers';
import { appContext } from '@/server/context';
import { CLIENT_HEADER } from '@/server/clientHeader';
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

/** By what a session is told from others: the browser, and where it is, as the web server saw it and nobody else can write it. */
export async function placeOf(): Promise<{ device: string; address: string }> {
  const asked = await headers();
  return { device: asked.get('user-agent') ?? '', address: asked.get(CLIENT_HEADER) ?? '' };
}
