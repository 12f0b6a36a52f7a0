import { addDays, calendarDay } from '../calendar';
import { daysWithoutReport, isEnding, silentSince } from '.';

const today = calendarDay('2026-11-24');
const ago = (days: number) => addDays(today, -days);
const sent = { startsOn: ago(20), sentOn: ago(20), endsOn: addDays(today, 8), resumesOn: null, isEnded: false };

describe('days without a report', () => {
  it.each([
    ['since the last report', sent, ago(4), 4],
    ['a new version that is sent restarts nothing', { ...sent, sentOn: ago(1) }, ago(9), 9],
    ['since the start, where the last report is older', { ...sent, startsOn: ago(3), sentOn: ago(3) }, ago(40), 3],
    ['since the sending, where none ever came', { ...sent, startsOn: ago(20), sentOn: ago(6) }, null, 6],
    ['since the end of a pause', { ...sent, resumesOn: ago(2) }, ago(15), 2],
    ['none are expected during a pause', { ...sent, resumesOn: addDays(today, 1) }, ago(15), null],
    ['none are expected after a person ended it', { ...sent, isEnded: true }, ago(15), null],
    ['none are expected after the last day', { ...sent, endsOn: ago(1) }, ago(15), null],
    ['none are expected before the start', { ...sent, startsOn: addDays(today, 2) }, null, null],
    ['never negative', sent, addDays(today, 1), 0],
  ])('%s', (_, version, last, days) => expect(daysWithoutReport(version, last, today)).toBe(days));

  it('without a program none are expected', () => expect(daysWithoutReport(null, null, today)).toBeNull());

  it('counts from the later of beginning and report', () => expect(silentSince(sent, ago(30))).toBe(ago(20)));
});

it.each([
  [5, true],
  [6, false],
  [0, true],
  [-3, true],
])('a program whose last day is %d days away is ending: %s', (days, ends) =>
  expect(isEnding({ endsOn: addDays(today, days), isEnded: false }, today)).toBe(ends),
);

it('a program that a person ended is not ending', () => expect(isEnding({ endsOn: today, isEnded: true }, today)).toBe(false));
