import { adherenceRange } from '@/core/adherence';
import { loadLibrary } from '../../../../library/loadLibrary';
import { doseSentence, hiddenPractice, weekdaysInWords } from './doseWords';
import { adherenceHow, percentRange } from './figures';
import { faultWords } from '../frame/Trouble';

const content = (slug: string) => loadLibrary().find((task) => task.slug === slug)!;

describe('arithmetic in words', () => {
  it('writes a dose out', () => {
    expect(doseSentence(content('crane-lift').dose, 5)).toBe('5 each hand × 2 hands = 10 reps a day × 5 days = 50 a week');
    expect(doseSentence(content('cut-the-planks').dose, 1)).toBe('6 pieces a day × 1 day = 6 a week');
    expect(doseSentence({ ...content('star-beams').dose, rounds: 2 }, 3)).toBe('8 × 2 rounds = 16 reps a day × 3 days = 48 a week');
  });

  it('tells the practice hidden in set-up and what to prepare', () => {
    expect(hiddenPractice(content('tile-the-roof').dose, 5)).toEqual([
      'In set-up: glue stick opened and shut, 2 a day, 10 a week.',
      'To prepare: 8 pieces a day, 40 a week.',
    ]);
  });

  it('names days', () => {
    expect(
      [
        [1, 2, 3, 4, 5],
        [1, 2, 3, 4, 5, 6, 7],
        [6, 1],
      ].map(weekdaysInWords),
    ).toEqual(['Monday–Friday', 'every day', 'Mon, Sat']);
  });
});

describe('figures', () => {
  it('shows a range, and how it is known', () => {
    const range = adherenceRange({ planned: 20, knownDone: 9, saidNotDone: 2 });
    expect(percentRange(range)).toBe('45–90%');
    expect(adherenceHow(range)).toContain('20 planned: 9 known done, 2 reported not done, 9 no report.');
    expect(percentRange(adherenceRange({ planned: 0, knownDone: 0, saidNotDone: 0 }))).toBe('–');
  });
});

it('fills the numbers into a fault', () => {
  expect(faultWords({ code: 'tooManyTries', detail: { minutes: 15 }, logId: null })).toBe(
    'Too many attempts for this email. Wait 15 minutes, then try again.',
  );
  expect(faultWords({ code: 'unexpected', detail: null, logId: 'ab12' })).toContain('ab12');
});
