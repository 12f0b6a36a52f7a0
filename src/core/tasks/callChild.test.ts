import { callChild } from '.';

const SOMEBODY = { en: 'your child', es: 'su hijo o hija' };

describe('a child is called by name where the words leave a hole for it', () => {
  it.each([
    ['You hold. {child} cuts.', 'You hold. Your child cuts.'],
    ['{child} cuts.', 'Your child cuts.'],
    ['Sit beside {child} the whole time.', 'Sit beside your child the whole time.'],
    ['Take {child}’s hand, {child} leads.', 'Take your child’s hand, your child leads.'],
    ['Nothing to fill.', 'Nothing to fill.'],
  ])('%s', (en, said) => {
    expect(callChild({ en }, SOMEBODY).en).toBe(said);
  });

  it('in each language by its own words, however deep it stands', () => {
    const task = { steps: [{ how: { en: '{child} cuts.', es: 'Mire. {child} corta.' }, count: 3 }], none: null };
    expect(callChild(task, SOMEBODY)).toEqual({
      steps: [{ how: { en: 'Your child cuts.', es: 'Mire. Su hijo o hija corta.' }, count: 3 }],
      none: null,
    });
    expect(callChild(task, { en: 'Wren' }).steps[0]!.how.es).toBe('Mire. Wren corta.');
  });
});
