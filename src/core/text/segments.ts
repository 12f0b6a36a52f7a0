/** GSM 03.38, the basic set and what its escape gives. [S: ETSI TS 123 038] */
const BASIC =
  '@£$¥èéùìòÇ\nØø\rÅåΔ_ΦΓΛΩΠΨΣΘΞÆæßÉ !"#¤%&\'()*+,-./0123456789:;<=>?¡ABCDEFGHIJKLMNOPQRSTUVWXYZÄÖÑÜ§¿abcdefghijklmnopqrstuvwxyzäöñüà';
const ESCAPED = '^{}\\[~]|€\f';

export interface Segments {
  /** How many text messages it is counted, and paid, as; 0 for no text. */
  readonly count: number;
  readonly encoding: 'GSM-7' | 'UCS-2';
  /** How many signs fit until it is one more. */
  readonly left: number;
}

/**
 * As how many text messages a text goes out: 160 signs in one of the basic set, 153 in each of several; 70 and 67 where any sign lies
 * outside of it. Signs behind the escape count twice; a sign is never cut in two.
 * @example segmentsOf('a'.repeat(161)).count // 2
 */
export function segmentsOf(text: string): Segments {
  const isBasic = [...text].every((sign) => BASIC.includes(sign) || ESCAPED.includes(sign));
  const widths = [...text].map((sign) => (isBasic ? (ESCAPED.includes(sign) ? 2 : 1) : sign.length));
  const [one, several] = isBasic ? [160, 153] : [70, 67];
  const encoding = isBasic ? 'GSM-7' : 'UCS-2';
  const whole = widths.reduce((sum, width) => sum + width, 0);
  if (whole <= one) return { count: whole > 0 ? 1 : 0, encoding, left: one - whole };
  let count = 1;
  let used = 0;
  for (const width of widths) {
    if (used + width > several) {
      count += 1;
      used = 0;
    }
    used += width;
  }
  return { count, encoding, left: several - used };
}
