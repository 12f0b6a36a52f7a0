/** A text as a search compares it: small letters, no accents, no space around. @example plain(' Zoë ') // 'zoe' */
export function plain(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().trim();
}
