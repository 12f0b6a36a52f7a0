/**
 * Returns a request's origin: the other end of the connection or, where that is a trusted proxy, the last address that no trusted
 * proxy added. A stranger's header is never trusted.
 * @param remote the other end of the connection
 * @param forwarded the X-Forwarded-For header, each proxy adding at its end
 * @param trusted addresses of proxies
 * @example clientAddress('127.0.0.1', '6.6.6.6, 203.0.113.7', ['127.0.0.1']) // '203.0.113.7'
 */
export function clientAddress(remote: string | undefined, forwarded: string | undefined, trusted: readonly string[]): string {
  const chain = [...(forwarded ?? '').split(',').map(plainAddress).filter(Boolean), plainAddress(remote ?? '')];
  const last = chain.findLast((address) => !trusted.includes(address));
  const address = last ?? chain[0]!;
  return ADDRESS.test(address) ? address : 'unknown';
}

const ADDRESS = /^[0-9A-Fa-f.:]{2,45}$/;

/** IPv4 that travels in IPv6 is the same address. */
function plainAddress(text: string): string {
  return text.trim().replace(/^::ffff:(?=\d+\.)/i, '');
}
