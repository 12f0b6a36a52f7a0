import fc from 'fast-check';
import { captionAt, captionIssues, captionsFrom, clipFactsSchema, isMirroredFor, type Caption } from '.';

const at = (atSeconds: number, en = 'Pinch.'): Caption => ({ atSeconds, text: { en } });

describe('captions', () => {
  it.each([
    ['in order and in time', [at(0), at(4)], 8, []],
    ['at the same moment', [at(2), at(2)], 8, ['captionsOutOfOrder']],
    ['the later one before', [at(5), at(2)], 8, ['captionsOutOfOrder']],
    ['at the very end', [at(8)], 8, ['captionAfterTheEnd']],
    ['a letter too long', [at(0, 'x'.repeat(141))], 60, ['captionTooLong']],
    ['as long as may be', [at(0, 'x'.repeat(140))], 60, []],
    // 30 letters in 2 seconds are 15 a second, 31 are more.
    ['as fast as is read', [at(0, 'x'.repeat(30)), at(2, 'x')], 8, []],
    ['faster', [at(0, 'x'.repeat(31)), at(2, 'x')], 8, ['captionTooFast']],
  ])('are judged: %s', (_name, captions, seconds, codes) => {
    expect(captionIssues(captions, seconds).map(({ code }) => code)).toEqual(codes);
  });

  it('are judged in every language that they have', () => {
    const caption = { atSeconds: 0, text: { en: 'Pinch.', es: 'x'.repeat(40) } };
    expect(captionIssues([caption], 2)).toEqual([{ code: 'captionTooFast', index: 0, lettersASecond: 20, language: 'es' }]);
  });

  it('are spread by how much there is to read', () => {
    expect(captionsFrom([{ en: 'x'.repeat(10) }, { en: 'x'.repeat(30) }], 8).map(({ atSeconds }) => atSeconds)).toEqual([0, 2]);
    // The longer of two languages takes its time in both.
    expect(captionsFrom([{ en: 'x', es: 'x'.repeat(30) }, { en: 'x'.repeat(10) }], 8)[1]!.atSeconds).toBe(6);
  });

  it('from any lines begin at 0, and stand each at its own moment within the clip', () => {
    const lines = fc.array(fc.record({ en: fc.string({ minLength: 1, maxLength: 200 }) }), { maxLength: 20 });
    fc.assert(
      fc.property(lines, fc.double({ min: 20, max: 60, noNaN: true }), (all, seconds) => {
        const captions = captionsFrom(all, seconds);
        expect(captions.length).toBeLessThanOrEqual(12);
        if (captions.length) expect(captions[0]!.atSeconds).toBe(0);
        for (const { atSeconds } of captions) expect(atSeconds).toBeLessThan(seconds);
        expect(captionIssues(captions, seconds).filter(({ code }) => code !== 'captionTooFast')).toEqual([]);
      }),
      { seed: 18, numRuns: 300 },
    );
  });

  it('stand from their moment till the next', () => {
    const captions = [at(1, 'first'), at(4, 'second')];
    const said = (seconds: number) => captionAt(captions, seconds)?.text.en ?? null;
    expect([0, 0.9, 1, 3.9, 4, 60].map(said)).toEqual([null, null, 'first', 'first', 'second', 'second']);
  });
});

describe('a clip is turned over', () => {
  it.each([
    ['right', true, 'left', true],
    ['left', true, 'right', true],
    ['right', true, 'right', false],
    ['right', false, 'left', false],
    ['both', true, 'left', false],
    ['right', true, 'unsettled', false],
  ] as const)('filmed with %s, may turn: %s, for a %s hand: %s', (hand, mayMirror, childHand, isTurned) => {
    expect(isMirroredFor({ hand, mayMirror }, childHand)).toBe(isTurned);
  });
});

describe('what is said of a clip', () => {
  const said = {
    hand: 'right',
    mayMirror: true,
    consent: 'agreed',
    consentWords: 'mother, 12 Oct',
    keptDays: 90,
    captions: [],
    fromSeconds: 0,
    toSeconds: null,
    isMuted: false,
  };
  it('names who agreed, where somebody can be recognised', () => {
    expect(clipFactsSchema.safeParse(said).success).toBe(true);
    const refused = clipFactsSchema.safeParse({ ...said, consentWords: '  ' });
    expect(refused.error?.issues.map(({ message }) => message)).toEqual(['consentNeeded']);
    expect(clipFactsSchema.safeParse({ ...said, consent: 'nobody', consentWords: '' }).success).toBe(true);
  });
  it.each([{ keptDays: 400 }, { keptDays: 31 }, { fromSeconds: -1 }, { hand: 'foot' }, { more: 1 }])('takes no %j', (change) => {
    expect(clipFactsSchema.safeParse({ ...said, ...change }).success).toBe(false);
  });
});
