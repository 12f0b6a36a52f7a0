/** Letters of the ASCII alphabet, digits and the signs that addresses are written with. */
const PLAIN = /^[a-z0-9.!#$%&'*+/=?^_`{|}~-]{1,64}@[a-z0-9](?:[a-z0-9-]*[a-z0-9])?(?:\.[a-z0-9](?:[a-z0-9-]*[a-z0-9])?)+$/;
const LONGEST = 190;

/**
 * An e-mail address in the one form in which it is stored and compared: without space around it, in small letters, of plain letters alone.
 * Null for anything else: letters that look alike, letters that cannot be seen, names in quotes.
 * Source of the shape: the HTML standard's valid e-mail address (from memory), with a dot in the domain asked for.
 * @example normalEmail(' Ines@TarrowHill.example ') // 'ines@tarrowhill.example'
 * @example normalEmail('ínes@tarrowhill.example') // null
 */
export function normalEmail(text: string): string | null {
  const plain = text.trim().toLowerCase();
  // Small letters of a foreign capital may become plain ones: the Kelvin sign is no k.
  return plain.length <= LONGEST && /^[\x21-\x7e]+$/.test(text.trim()) && PLAIN.test(plain) ? plain : null;
}
