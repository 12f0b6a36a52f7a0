import { editedParagraph, textOf, type BuiltSentence } from './editedWords';

const built: BuiltSentence[] = [
  { key: 'measured', says: 'On 1 September Kasimir stood at 2 of 10; on 2 October at 5 of 10.' },
  { key: 'trend', says: 'Measured in school, Kasimir gains 0.6 a week (0.2 to 0.9).' },
  { key: 'family', says: 'At home the family told of 12 counted sessions.' },
];
const whole = built.map(({ says }) => says).join(' ');
const own = (kept: string, now = built) => editedParagraph(now, { words: kept, built });

describe('words that somebody made of the built paragraph', () => {
  it('are the built ones where nothing was written', () => {
    expect(textOf(editedParagraph(built, null).parts)).toBe(whole);
    expect(editedParagraph(built, { words: '  ', built }).parts.every(({ isOwn }) => !isOwn)).toBe(true);
  });

  it('are marked where they were written: before, between and after', () => {
    const { parts, leftOut } = own(
      `Kasimir likes bolts. ${built[0]!.says} He asks for them. ${built[1]!.says} ${built[2]!.says} More in May.`,
    );
    expect(parts.map(({ isOwn }) => isOwn)).toEqual([true, false, true, false, false, true]);
    expect(parts[2]).toEqual({ text: 'He asks for them.', isOwn: true });
    expect(leftOut).toEqual([]);
  });

  it('follow the figures where a sentence was left as it was, wherever it was moved to', () => {
    const now = [built[0]!, { key: 'trend', says: 'Measured in school, Kasimir gains 0.7 a week (0.3 to 0.9).' }, built[2]!];
    const { parts, isOvertaken } = own(`${built[1]!.says} I am glad. ${built[0]!.says} ${built[2]!.says}`, now);
    expect(textOf(parts)).toBe(`${now[1]!.says} I am glad. ${built[0]!.says} ${built[2]!.says}`);
    expect(isOvertaken).toBe(false);
  });

  it('tell what was rewritten, and that its figures have gone on since', () => {
    const rewritten = whole.replace('gains 0.6 a week (0.2 to 0.9)', 'gains more than half a bolt a week');
    expect(own(rewritten)).toMatchObject({ leftOut: [built[1]!.says], isOvertaken: false });
    expect(own(rewritten).parts[1]).toEqual({ text: 'Measured in school, Kasimir gains more than half a bolt a week.', isOwn: true });
    const now = [built[0]!, { key: 'trend', says: 'Measured in school, Kasimir neither gains nor loses.' }, built[2]!];
    expect(own(rewritten, now)).toMatchObject({ leftOut: [now[1]!.says], isOvertaken: true });
  });

  it('are joined by what the figures tell since then, and lose what they tell no more', () => {
    const now = [built[0]!, built[1]!, { key: 'unknown', says: 'Not known: the help given in 3 of the 12.' }];
    expect(textOf(own(whole, now).parts)).toBe(now.map(({ says }) => says).join(' '));
  });

  it('go after all that is built where they were never more than an addition', () => {
    const { parts } = editedParagraph(built, { words: 'Fetches the box himself.', built: [] });
    expect(parts.at(-1)).toEqual({ text: 'Fetches the box himself.', isOwn: true });
    expect(parts).toHaveLength(4);
  });
});
