import { addDays, calendarDay, daysBetween, daysFromTo, isSchoolDay, weekdayOf, type CalendarDay } from '@/core/calendar';
import { dayTargetOf } from '@/core/dose';
import { demandsOf } from '@/core/programs';
import { codeLettersOf, readCell } from '@/core/replies';
import { doseAtStep } from '@/core/tasks';
import { loadLibrary } from '../library/loadLibrary';
import { CHILDREN, HOME_WORDS, SCHOOLS, WAY_OF } from './children';
import { lastPlannedBefore, NEW_FAMILY, practiceOn, type AskedTask, type FamilyState, type Practice } from './family';
import { schoolYearOn } from './schoolYear';
import { asCell } from './told';

const today = calendarDay('2026-11-24');
const begun = addDays(today, -70);
const contents = loadLibrary().slice(0, 3);
/** Every task two steps below its hardest at most, on school days. */
const tasks: AskedTask[] = contents.map((content, index) => {
  const step = content.ladder.startStep;
  return {
    taskId: index + 1,
    step,
    demand: demandsOf(content)[step - 1]!,
    dose: doseAtStep(content, step),
    weekdays: [1, 2, 3, 4, 5],
    isClosed: false,
  };
});
const child = (kind: string) => CHILDREN.find((each) => each.kind === kind)!;

/** Ten weeks and some days more of one family whose steps stay as they are. */
function live(
  kind: string,
  { index = 1, until = today, asked = tasks }: { index?: number; until?: CalendarDay; asked?: AskedTask[] } = {},
) {
  const practices: Practice[] = [];
  let state: FamilyState = NEW_FAMILY;
  for (const day of daysFromTo(begun, until)) {
    const week = Math.floor(daysBetween(begun, day) / 7);
    const storyDay = day > today ? null : lastPlannedBefore(asked, today);
    const lived = practiceOn({ demo: child(kind), index, tasks: asked, day, week, isToday: day === today, storyDay }, state);
    practices.push(...lived.practices);
    state = lived.state;
  }
  return { practices, state };
}

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

describe('a family of the demo', () => {
  it('is the same whenever it is lived again, and another one is another', () => {
    expect(live('steady')).toEqual(live('steady'));
    expect(live('steady', { index: 2 })).not.toEqual(live('steady'));
  });

  it('goes on from what was kept in a file as if it had never stopped', () => {
    const { practices, state } = live('steady', { until: addDays(today, -1) });
    const kept = JSON.parse(JSON.stringify(state)) as FamilyState;
    const demo = child('steady');
    const next = practiceOn({ demo, index: 1, tasks, day: today, week: 10, isToday: true, storyDay: null }, kept);
    expect([...practices, ...next.practices]).toEqual(live('steady').practices);
  });

  it('tells of planned days alone, of no closed task, and of no more than is asked for', () => {
    const asked = tasks.map((task, index) => ({ ...task, isClosed: index === 0 }));
    const { practices } = live('steady', { asked });
    expect(practices.length).toBeGreaterThan(40);
    for (const { taskId, doneOn, left, right, amount } of practices) {
      expect(weekdayOf(doneOn)).toBeLessThanOrEqual(5);
      expect(taskId).not.toBe(1);
      expect((left ?? 0) + (right ?? 0) + (amount ?? 0)).toBeLessThanOrEqual(dayTargetOf(asked[taskId - 1]!.dose)!);
    }
  });

  it('lets children grow with practice, and forget some of it in a long pause', () => {
    const { state } = live('steady');
    const skill = state.skills[1]!;
    expect(skill.ability).toBeGreaterThan(skill.held);
    const later = practiceOn(
      { demo: child('steady'), index: 1, tasks, day: calendarDay('2027-03-01'), week: 20, isToday: false, storyDay: null },
      { ...state, skills: { 1: { ...skill, growth: 0 } } },
    );
    expect(later.state.skills[1]!.ability).toBeLessThan(skill.ability);
  });

  it('tells its story once, as its last word before the present day; after that life goes on', () => {
    for (const [kind, isIt] of [
      ['safetyWord', (each: Practice) => each.hurt],
      ['question', (each: Practice) => each.isQuestion],
    ] as const) {
      const { practices } = live(kind);
      expect(practices.filter(isIt)).toHaveLength(1);
      expect(practices.find(isIt)!.doneOn).toBe(practices.at(-1)!.doneOn);
      const longer = live(kind, { until: addDays(today, 21) }).practices;
      expect(longer.length).toBeGreaterThan(practices.length);
      expect(longer.filter(isIt)).toHaveLength(1);
    }
    expect(daysBetween(live('keenThenQuiet').practices.at(-1)!.doneOn, today)).toBeGreaterThan(7);
    expect(live('neverOpened').practices).toEqual([]);
  });

  it('writes beside its figures what fits them', () => {
    const said = ['steady', 'texts', 'weekends', 'tooHardTooEarly'].flatMap((kind) => live(kind).practices);
    const well = said.filter(({ words, done }) => done && HOME_WORDS.en.well.includes(words));
    expect(well.length).toBeGreaterThan(3);
    for (const { left, right, amount, target, effort } of well) {
      expect(((left ?? 0) + (right ?? 0) + (amount ?? 0)) / target).toBeGreaterThanOrEqual(0.9);
      expect(effort).not.toBe('tooHard');
    }
  });

  it.each(['en', 'es'] as const)('fills boxes of a slip (%s) so that they are read as they are meant', (language) => {
    const letters = codeLettersOf(language);
    for (const practice of live('steady').practices) {
      const { dose } = tasks[practice.taskId - 1]!;
      const perSide = dose.hands === 'each';
      const perDay = dayTargetOf(dose)!;
      const task = {
        taskId: practice.taskId,
        letter: 'A',
        titles: ['Box'],
        unit: 'repetitions',
        perSide,
        perDay,
        perHand: perDay / 2,
      } as const;
      const read = readCell(asCell(practice, letters), task, practice.doneOn, language);
      if (read.kind !== 'read') throw new Error(`${asCell(practice, letters)} is not read`);
      const { done, left, right, amount } = practice;
      expect(read.item).toMatchObject({ done, ...(done && { left, right, amount }) });
    }
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
