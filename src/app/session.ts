import { cookies, headers } from 'next/headers';
import { appContext } from '@/server/context';
import { CLIENT_HEADER } from '@/server/clientHeader';
import type { OpenedSession } from '@/server/accounts/signIn';

/** Time for which a browser is remembered. */
const DEVICE_SECONDS = 180 * 86_400;

const isSecure = () => appContext().origin.startsWith('https:');
/** With https no other host, and no page without it, can set it. */
const hostOnly = (name: string) => (isSecure() ? `__Host-${name}` : name);

/** The name of the cookie that holds a session. */
export const sessionCookie = () => hostOnly('yard');
const deviceCookie = () => hostOnly('yard-device');

export async function sessionToken(): Promise<string | undefined> {
  return (await cookies()).get(sessionCookie())?.value;
}

/** Gives the browser the cookies of an open session. */
export async function keepSession({ token, lastsSeconds, deviceToken }: OpenedSession): Promise<void> {
  const given = { httpOnly: true, sameSite: 'lax', secure: isSecure(), path: '/' } as const;
  const jar = await cookies();
  // Seconds from now by the browser's own clock, which may be wrong.
  jar.set(sessionCookie(), token, { ...given, maxAge: lastsSeconds });
  jar.set(deviceCookie(), deviceToken, { ...given, maxAge: DEVICE_SECONDS });
}

/** Identifies the browser of a session: device, and address as the web server saw it and no client can forge it. */
export async function placeOf(): Promise<{ device: string; address: string; deviceToken: string | undefined }> {
  const asked = await headers();
  const deviceToken = (await cookies()).get(deviceCookie())?.value;
  return { device: asked.get('user-agent') ?? '', address: asked.get(CLIENT_HEADER) ?? '', deviceToken };
}
