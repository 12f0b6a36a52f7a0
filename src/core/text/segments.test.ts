import fc from 'fast-check';
import { SegmentedMessage } from 'sms-segments-calculator';
import { segmentsOf } from '.';

describe('how many text messages a text is', () => {
  // GSM 03.38 / ETSI TS 123 038; the counts are those of the calculators that services publish.
  it.each([
    ['', 0],
    ['a'.repeat(160), 1],
    ['a'.repeat(161), 2],
    ['a'.repeat(306), 2],
    ['a'.repeat(307), 3],
    ['á'.repeat(70), 1],
    ['á'.repeat(71), 2],
    ['ñéü¿¡'.repeat(32), 1],
    ['’' + 'a'.repeat(69), 1],
    ['’' + 'a'.repeat(70), 2],
    ['{'.repeat(80), 1],
    ['{'.repeat(81), 2],
  ])('%# counts', (text, count) => {
    expect(segmentsOf(text).count).toBe(count);
  });

  it('agrees with an independent package on any text', () => {
    const signs = fc.constantFrom(...'aZ 9.,ñáé{}€’ع🙂\n');
    fc.assert(
      fc.property(fc.array(signs, { minLength: 1, maxLength: 400 }), (parts) => {
        const text = parts.join('');
        const other = new SegmentedMessage(text, 'auto', false);
        expect(segmentsOf(text)).toMatchObject({ count: other.segmentsCount, encoding: other.getEncodingName() });
      }),
      { seed: 3, numRuns: 400 },
    );
  });
});
