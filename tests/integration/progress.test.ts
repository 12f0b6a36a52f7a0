import { randomUUID } from 'node:crypto';
import { addDays, calendarDayInZone, type CalendarDay } from '@/core/calendar';
import { editedParagraph, goalFigures } from '@/core/progress';
import type { PersonActor } from '@/server/actor';
import { writeGoal } from '@/server/goals/writeGoal';
import { measure, takeBack } from '@/server/measurements/measure';
import { readFrozen } from '@/server/progress/frozen';
import { reportsOfCaseload } from '@/server/progress/makeReports';
import { progressForFile } from '@/server/progress/progressForFile';
import { viewProgress } from '@/server/progress/viewProgress';
import { closePeriod, deletePattern, savePattern, reopenPeriod, writeWords } from '@/server/progress/writeProgress';
import { addSchoolYear, closedGoalsOf, inTransaction } from '@/db';
import { progressFile } from '@/ui/desk/progress/progressFile';
import { reportSentences } from '@/ui/desk/progress/reportWords';
import { reportPage } from '@/ui/desk/progress/reportPage';
import { newTestBed, refusal, ZONE, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let childId: number;
let goalId: number;
let begun: CalendarDay;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  childId = await bed.child(ines, { familyLanguage: 'en' });
  await bed.send(ines, childId, 0, ['crane-lift', 'star-beams']);
  begun = calendarDayInZone(bed.context.now(), ZONE);
  const crane = bed.tasks.find(({ content }) => content.slug === 'crane-lift')!;
  const goal = {
    skill: 'crossingMidline',
    statement: 'Takes things from the other side',
    measure: { kind: 'count', of: 10, from: 2, to: 8, baselineOn: begun },
    mostHelp: 'words',
    sessions: 3,
    reviewOn: addDays(begun, 70),
    taskIds: [crane.taskId],
  };
  await writeGoal(bed.context, ines, { childId, goalId: null, seenVersion: 0, why: '', goal });
  goalId = (await bed.read<{ id: number }>('SELECT MAX(id) AS id FROM goals'))[0]!.id;
  await inTransaction(bed.db, (work) =>
    addSchoolYear(work, {
      firstDay: addDays(begun, -30),
      lastDay: addDays(begun, 200),
      breaks: [],
      periods: [{ name: 'Autumn report', from: addDays(begun, -10), to: addDays(begun, 60) }],
    }),
  );
});
afterEach(() => bed.close());

const NOTHING = { goalId: null, taskId: null, step: null, good: null, trials: null, help: null, minutes: null, watched: {}, note: '' };
const measured = async (daysFromStart: number, good: number, help: string | null = null) =>
  measure(bed.context, ines, {
    childId,
    entryKey: randomUUID(),
    measurement: {
      goalId,
      taskId: null,
      step: null,
      measuredOn: addDays(begun, daysFromStart),
      good,
      trials: 5,
      help,
      minutes: null,
      watched: {},
      note: '',
    },
  });
const here = async () => (await viewProgress(bed.context, ines, goalId)).here!;
/** Four measures of five trials each, a family that reports by itself between them. */
async function live(): Promise<void> {
  for (const [day, good] of [
    [10, 1],
    [20, 2],
    [30, 2],
    [40, 3],
  ] as const) {
    bed.passDays(10);
    await bed.report(childId, { left: '5', right: '5', help: '' });
    await measured(day, good);
  }
}

describe('a goal’s progress', () => {
  it('is made of own measures in the goal’s unit, the baseline among them; the family’s word stands apart', async () => {
    await live();
    const { figures, log } = await here();
    expect(figures.ownPoints.map(({ value }) => value)).toEqual([2, 2, 4, 4, 6]);
    expect(figures.family.map(({ value }) => value)).toEqual([10, 10, 10, 10]);
    // Ten times the same from home moves nothing: by 70 days the middle slope of a tenth a day comes to 9.
    expect(figures.own).toMatchObject({ standing: 'onTrack', trend: { slope: expect.closeTo(0.1, 9), pairs: 10 }, fourPoints: 'neither' });
    expect(figures.helpNotTold).toBe(4);
    expect(figures.phases).toEqual([{ taskId: expect.any(Number), step: 3, from: begun }]);
    // The program asked on twenty-eight days; of two of them, the tenth and the twentieth, there is word.
    expect([log.plannedDays, log.daysWithoutWord]).toEqual([28, 26]);
  });

  it('says that there is not enough before five measures, and draws no line', async () => {
    bed.passDays(10);
    await measured(10, 3);
    expect((await here()).figures.own).toMatchObject({ standing: 'notEnough', trend: null, projection: null });
  });

  it('goes out as a file, a row a goal', async () => {
    await live();
    const [head, row] = (await progressForFile(bed.context, ines, progressFile)).replace('\uFEFF', '').split('\r\n');
    expect(head).toContain('standing');
    expect(row).toContain('On track');
    expect(row).toContain(',0.7,');
  });

  it('goes on paper for the whole caseload, a child after the other, and can be stopped', async () => {
    await live();
    await writeWords(bed.context, ines, { childId, goalId, words: 'Fetches the tongs without being told.' });
    const told: string[] = [];
    const made = await reportsOfCaseload(bed.context, ines, {}, reportPage, async (done, of) => {
      told.push(`${done} of ${of}`);
      return true;
    });
    expect(told).toEqual(['1 of 1']);
    expect(Buffer.from(made!.file!.slice(0, 5)).toString()).toBe('%PDF-');
    expect(await reportsOfCaseload(bed.context, ines, {}, reportPage, async () => false)).toBeNull();
    const other = await bed.person('Marit Oyelaran-Voss');
    expect(await refusal(reportsOfCaseload(bed.context, other, {}, reportPage, async () => true))).toBe('noPaper');
    const pim = await bed.person('Pim Aster', 'assistant');
    expect(await refusal(reportsOfCaseload(bed.context, pim, {}, reportPage, async () => true))).toBe('notAllowed');
  });

  it('is no business of an assistant, of who does not share the child, nor of a goal of another child', async () => {
    const pim = await bed.person('Pim Aster', 'assistant');
    await bed.share(childId, pim, 'assist');
    expect(await refusal(viewProgress(bed.context, pim, null))).toBe('notAllowed');
    expect(await refusal(closePeriod(bed.context, pim, { childId, goalId, early: 'yes' }))).toBe('notAllowed');
    const other = await bed.person('Marit Oyelaran-Voss');
    expect((await viewProgress(bed.context, other, null)).lines).toEqual([]);
    expect(await refusal(viewProgress(bed.context, other, goalId))).toBe('notFound');
    expect(await refusal(writeWords(bed.context, other, { childId, goalId, words: 'x' }))).toBe('notFound');
    const theirs = await bed.child(other);
    expect(await refusal(writeWords(bed.context, other, { childId: theirs, goalId, words: 'x' }))).toBe('notFound');
  });
});

describe('a goal of levels in own words', () => {
  it('is measured by the level, and refuses one that it has not', async () => {
    const goal = {
      skill: 'crossingMidline',
      statement: 'Reaches across',
      measure: { kind: 'rating', levels: ['turns the body', 'turns a little', 'reaches across'], from: 0, to: 2, baselineOn: begun },
      mostHelp: 'words',
      sessions: 2,
      reviewOn: addDays(begun, 70),
      taskIds: [],
    };
    await writeGoal(bed.context, ines, { childId, goalId: null, seenVersion: 0, why: '', goal });
    const { id } = (await bed.read<{ id: number }>('SELECT MAX(id) AS id FROM goals'))[0]!;
    const level = (of: number, at: number) =>
      measure(bed.context, ines, {
        childId,
        entryKey: randomUUID(),
        measurement: { ...NOTHING, goalId: of, measuredOn: begun, level: at },
      });
    expect(await refusal(level(id, 3))).toBe('invalid');
    expect(await refusal(level(goalId, 1))).toBe('invalid');
    await level(id, 2);
    const { figures } = (await viewProgress(bed.context, ines, id)).here!;
    expect(figures.ownPoints.map(({ value }) => value)).toEqual([2]);
    expect(figures.own).toMatchObject({ metInARow: 1, standing: 'notEnough' });
  });
});

describe('patterns of wording', () => {
  it('are one’s own, name no child, and are few', async () => {
    const kept = async (actor: PersonActor) => (await viewProgress(bed.context, actor, null)).patterns;
    const calledName = (await here()).child.calledName;
    await savePattern(bed.context, ines, { name: 'Autumn', words: `${calledName} likes it.`, calledName });
    await savePattern(bed.context, ines, { name: 'Autumn', words: '{child} likes it a lot.', calledName });
    expect(await kept(ines)).toMatchObject([{ name: 'Autumn', words: '{child} likes it a lot.' }]);
    const marit = await bed.person('Marit Oyelaran-Voss');
    expect(await kept(marit)).toEqual([]);
    const { id } = (await kept(ines))[0]!;
    expect(await refusal(deletePattern(bed.context, marit, { id }))).toBe('notFound');
    for (const wrong of [
      { name: ' ', words: 'x' },
      { name: 'x', words: ' ' },
      { name: 'x', words: 'y'.repeat(2001) },
    ])
      expect(await refusal(savePattern(bed.context, ines, wrong))).toBe('invalid');
    await deletePattern(bed.context, ines, { id });
    expect(await kept(ines)).toEqual([]);
  });
});

describe('the paragraph as it was edited', () => {
  it('keeps what was written, and the figures in it go on', async () => {
    await live();
    const built = () => here().then(({ goal, figures, child }) => reportSentences(goal, figures, child.calledName));
    const before = (await built()).map(({ key, says }) => ({ key, says }));
    const words = `${before[0]!.says} A fine autumn. ${before[1]!.says} ${before[2]!.says}`;
    await writeWords(bed.context, ines, { childId, goalId, words, built: JSON.stringify(before) });
    bed.passDays(5);
    await measured(45, 5);
    const { parts, leftOut } = editedParagraph(await built(), (await here()).words);
    expect(parts.map(({ isOwn }) => isOwn)).toEqual([false, true, false, false]);
    expect(parts[0]!.text).toContain('to 10 of 10');
    expect(leftOut).toHaveLength(2);
    expect(await refusal(writeWords(bed.context, ines, { childId, goalId, words: 'x', built: '{' }))).toBe('invalid');
    expect(await refusal(writeWords(bed.context, ines, { childId, goalId, words: 'x', built: '[{"key":1}]' }))).toBe('invalid');
  });
});

describe('a closed period', () => {
  it('recomputes to itself after whatever is corrected later, and says what has changed since', async () => {
    await live();
    await writeWords(bed.context, ines, { childId, goalId, words: 'Fetches the tongs without being told.' });
    await closePeriod(bed.context, ines, { childId, goalId, early: 'yes' });
    const then = (await here()).figures;
    const nothing = { ownAdded: 0, ownGone: 0, ownOther: 0, familyAdded: 0, familyGone: 0, familyOther: 0, standing: null };
    expect((await here()).closed).toMatchObject([
      { periodName: 'Autumn report', words: { words: 'Fetches the tongs without being told.', built: [] }, since: nothing },
    ]);

    const [last] = await bed.read<{ id: number }>('SELECT MAX(id) AS id FROM measurements');
    await takeBack(bed.context, ines, childId, last!.id);
    await measured(35, 1);
    await bed.write('UPDATE reports SET left_count = 1 WHERE id = (SELECT MIN(id) FROM reports)');
    await bed.write('DELETE FROM reports WHERE id = (SELECT MAX(id) FROM reports)');
    await writeWords(bed.context, ines, { childId, goalId, words: 'Other words' });
    // Closed once more it stays as it was.
    await closePeriod(bed.context, ines, { childId, goalId, early: 'yes' });

    const [kept, ...others] = await inTransaction(bed.db, (work) => closedGoalsOf(work, goalId));
    expect(others).toEqual([]);
    const frozen = readFrozen(kept!.content);
    const plain = (value: unknown) => JSON.parse(JSON.stringify(value)) as unknown;
    expect(plain(goalFigures(frozen.goal, frozen.log, frozen.until))).toEqual(plain(frozen.figures));
    expect(plain(frozen.figures)).toEqual(plain(then));
    const view = await here();
    expect(view.closed).toMatchObject([
      {
        words: { words: 'Fetches the tongs without being told.', built: [] },
        since: { ownAdded: 1, ownGone: 1, ownOther: 0, familyAdded: 0, familyGone: 1, familyOther: 1 },
      },
    ]);
    expect(view.words?.words).toBe('Other words');
  });

  it('does not miss the reports of a task that was removed from the program since', async () => {
    const { skill } = bed.tasks.find(({ content }) => content.slug === 'crane-lift')!.content;
    await bed.write(`UPDATE goal_versions SET content = JSON_SET(content, '$.taskIds', JSON_ARRAY(), '$.skill', '${skill}')`);
    await live();
    await closePeriod(bed.context, ines, { childId, goalId, early: 'yes' });
    const before = await here();
    expect(before.figures.family.length).toBeGreaterThan(0);
    await bed.send(ines, childId, 1, ['star-beams']);
    const after = await here();
    // The sentence on practice at home tells of it still, and nothing is told as gone.
    expect(after.figures.family).toEqual(before.figures.family);
    expect(after.closed[0]!.since).toMatchObject({ familyGone: 0, ownGone: 0, standing: null });
  });

  it('is closed before its end only where that is meant, and can be opened again', async () => {
    await live();
    expect(await refusal(closePeriod(bed.context, ines, { childId, goalId }))).toBe('invalid');
    await closePeriod(bed.context, ines, { childId, goalId, early: 'yes' });
    const { id } = (await here()).closed[0]!;
    const other = await bed.person('Marit Oyelaran-Voss');
    const theirs = await bed.child(other);
    expect(await refusal(reopenPeriod(bed.context, other, { childId: theirs, goalId, id }))).toBe('notFound');
    expect((await here()).closed).toHaveLength(1);
    await reopenPeriod(bed.context, ines, { childId, goalId, id });
    expect((await here()).closed).toEqual([]);
    expect(await refusal(reopenPeriod(bed.context, ines, { childId, goalId, id }))).toBe('notFound');
    // Over, it is closed without more ado.
    bed.passDays(40);
    await closePeriod(bed.context, ines, { childId, goalId });
    expect((await here()).closed[0]).toMatchObject({ to: addDays(begun, 60) });
  });

  it('needs a period that is set', async () => {
    await bed.write('DELETE FROM reporting_periods');
    expect(await refusal(closePeriod(bed.context, ines, { childId, goalId }))).toBe('invalid');
  });
});
