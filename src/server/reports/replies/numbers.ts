import { parsePhoneNumberFromString } from 'libphonenumber-js/min';
import { normalEmail } from '@/core/text';

/** The schools of this product are in the United States: a number without its country is one of there. */
const COUNTRY = 'US';

/**
 * A number or an address in its one form, so that "(406) 555-0142" and "+1 406 555 0142" are one sender.
 * What is neither stays as it is, without spaces around.
 */
export function senderOf(address: string): string {
  const trimmed = address.trim();
  if (trimmed.includes('@')) return normalEmail(trimmed) ?? trimmed;
  // As a whole: of "family-31" no number is made.
  return parsePhoneNumberFromString(trimmed, { defaultCountry: COUNTRY, extract: false })?.number ?? trimmed;
}
