import { calendarDay, daysBetween, isSchoolDay, weekdayOf } from '@/core/calendar';
import { demandsOf } from '@/core/program';
import { loadLibrary } from '../library/loadLibrary';
import { CHILDREN, SCHOOLS, WAY_OF } from './children';
import { schoolYearOn } from './schoolYear';
import { simulateHistory, type DemoTask } from './simulateHistory';

const today = calendarDay('2026-11-24');
const tasks: DemoTask[] = loadLibrary()
  .slice(0, 3)
  .map((content) => ({
    content,
    weekdays: [1, 2, 3, 4, 5],
  }));
const child = (kind: string) => CHILDREN.find((each) => each.kind === kind)!;
const history = (kind: string, seed = 1) => simulateHistory(child(kind), tasks, today, seed);

describe('the children of Tarrow Hill', () => {
  it('are 48, each by a called name and an initial of its own, 3 to 10 years old', () => {
    expect(CHILDREN).toHaveLength(48);
    expect(new Set(CHILDREN.map((each) => `${each.name} ${each.initial}`)).size).toBe(48);
    expect(CHILDREN.every((each) => each.ageMonths >= 36 && each.ageMonths < 132)).toBe(true);
    expect(CHILDREN.every((each) => SCHOOLS[each.school])).toBe(true);
  });

  it('differ in everything that changes decisions', () => {
    expect(new Set(CHILDREN.map((each) => each.hand))).toEqual(new Set(['left', 'right', 'unsettled']));
    expect(new Set(CHILDREN.map((each) => each.language)).size).toBe(5);
    expect(new Set(CHILDREN.map((each) => each.kind)).size).toBe(Object.keys(WAY_OF).length);
    for (const fact of ['mouthsThings', 'noScissors', 'noPrinter', 'allergies', 'avoids'] as const) {
      expect(CHILDREN.some((each) => each[fact])).toBe(true);
    }
  });
});

describe('ten weeks of a family', () => {
  it('are the same from the same seed and others from another', () => {
    expect(history('steady')).toEqual(history('steady'));
    expect(history('steady', 2)).not.toEqual(history('steady'));
  });

  it('never move more than one step at once, and stay on the ladder', () => {
    for (const kind of Object.keys(WAY_OF)) {
      const { versions } = history(kind);
      versions.slice(1).forEach((version, index) => {
        const moved = version.steps.map((step, place) => Math.abs(step - versions[index]!.steps[place]!));
        expect(moved.filter((by) => by !== 0)).toEqual([1]);
      });
      for (const { steps } of versions) {
        steps.forEach((step, place) => {
          expect(step).toBeGreaterThanOrEqual(1);
          expect(step).toBeLessThanOrEqual(demandsOf(tasks[place]!.content).length);
        });
      }
    }
  });

  it('report nothing in the future and nothing on a day that was not planned', () => {
    for (const report of history('texts').reports) {
      expect(daysBetween(report.doneOn, today)).toBeGreaterThanOrEqual(0);
      expect(weekdayOf(report.doneOn)).toBeLessThanOrEqual(5);
      expect(report.left + report.right + report.plain).toBe(report.amount);
    }
  });

  it('let children grow: steady ones climb, though none for ever against the same tread', () => {
    const sum = (steps: readonly number[]) => steps.reduce((total, step) => total + step, 0);
    const gains = Array.from({ length: 12 }, (_, seed) => {
      const { versions } = history('steady', seed);
      return sum(versions.at(-1)!.steps) - sum(versions[0]!.steps);
    });
    expect(sum(gains)).toBeGreaterThan(0);
  });

  it('tell their stories: quiet at the end, one safety word, one question, nothing at all', () => {
    expect(daysBetween(history('keenThenQuiet').reports.at(-1)!.doneOn, today)).toBeGreaterThan(7);
    expect(history('safetyWord').reports.filter((report) => report.safetyWord)).toHaveLength(1);
    expect(history('question').reports.filter((report) => report.isQuestion)).toHaveLength(1);
    expect(history('neverOpened').reports).toEqual([]);
  });
});

describe('the school year', () => {
  it.each([
    ['2026-11-24', '2026-08-17', '2027-06-11'],
    ['2027-05-03', '2026-08-17', '2027-06-11'],
    ['2027-07-01', '2027-08-16', '2028-06-09'],
  ])('of %s goes from %s to %s', (day, first, last) => {
    expect(schoolYearOn(calendarDay(day))).toMatchObject({ firstDay: first, lastDay: last });
  });

  it('has breaks that lie inside it', () => {
    const year = schoolYearOn(today);
    for (const pause of year.breaks) {
      expect(pause.from > year.firstDay && pause.to < year.lastDay).toBe(true);
      expect(isSchoolDay(year, pause.from)).toBe(false);
    }
  });
});
