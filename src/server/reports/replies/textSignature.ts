import { createHmac, timingSafeEqual } from 'node:crypto';

/** Difference between the service's clock and ours that is accepted; older messages were held back, or come from someone who listened. */
const MOST_SECONDS_APART = 300;

/**
 * True for a body that was signed with the shared key within five minutes of now.
 * @param header `yard-signature`: the time of sending in seconds, and an HMAC of it with the body: `t=1764000000,v1=…`
 * @param now in milliseconds
 */
export function isSigned(body: string, header: string | null, key: string, now: number): boolean {
  const found = /^t=(\d{1,12}),v1=([0-9a-f]{64})$/.exec(header ?? '');
  if (!found) return false;
  const seconds = Number(found[1]);
  if (Math.abs(now / 1000 - seconds) > MOST_SECONDS_APART) return false;
  return timingSafeEqual(Buffer.from(found[2]!, 'hex'), Buffer.from(macOf(body, key, seconds), 'hex'));
}

function macOf(body: string, key: string, seconds: number): string {
  return createHmac('sha256', key).update(`${seconds}.${body}`).digest('hex');
}
