import { addDays, calendarDayInZone, type CalendarDay } from '@/core/calendar';
import type { PersonActor } from '@/server/actor';
import { enterPaperLog } from '@/server/reports/enterPaperLog';
import { previewReports, importReports } from '@/server/reports/importReports';
import { newTestBed, refusal, ZONE, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let pim: PersonActor;
let childId: number;
let on: (daysAgo: number) => CalendarDay;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  pim = await bed.person('Pim Aster', 'assistant');
  childId = await bed.child(ines, { calledName: 'Odalys', familyLanguage: 'es', reportWay: 'paper' });
  await bed.share(childId, pim, 'assist');
  await bed.send(ines, childId, 0, ['star-beams', 'crane-lift']);
  bed.passDays(8);
  const today = calendarDayInZone(bed.context.now(), ZONE);
  on = (daysAgo) => addDays(today, -daysAgo);
});
afterEach(() => bed.close());

const HEAD = 'Child,Task,Day,Done,Amount,Left,Right,Help,Reason,Words';
const list = (...rows: readonly string[]) => ({ text: [HEAD, ...rows].join('\n'), way: 'paper' });
const stored = () =>
  bed.read<Record<string, unknown>>(
    'SELECT t.slug, r.done_on AS d, r.left_count AS l, r.right_count AS r, CAST(r.amount AS DOUBLE) AS n, r.help, r.done, r.way, r.step FROM reports r JOIN tasks t ON t.id = r.task_id ORDER BY r.done_on, r.id',
  );
const found = async (options: unknown, actor = ines) => {
  const preview = await previewReports(bed.context, actor, options);
  if (!preview.ok) throw new Error(preview.fault.code);
  return preview;
};

describe('a list of reports', () => {
  it('is taken in as a whole, by either language’s title, at the step of each day; a list that has grown is taken in again', async () => {
    const rows = [
      `Odalys V.,Star beams,${on(2)},yes,8,,,alone,,`,
      `odalys,Grúa con pinzas,${on(1)},,,4,5,S,,`,
      `Odalys V,Star beams,${on(1)},no,,,,,no time,`,
    ];
    const title = (
      await bed.read<{ title: string }>(
        `SELECT JSON_VALUE(v.content, '$.title.es') AS title FROM task_versions v JOIN tasks t ON t.id = v.task_id WHERE t.slug = 'crane-lift' ORDER BY v.id DESC LIMIT 1`,
      )
    )[0]!.title;
    const first = list(...rows.map((row) => row.replace('Grúa con pinzas', title)));
    expect((await found(first, pim)).rows.map(({ findings, step }) => ({ findings, step }))).toEqual(
      Array(3).fill({ findings: [], step: 3 }),
    );
    expect(await stored()).toEqual([]);
    expect(await importReports(bed.context, pim, first)).toEqual({ added: 3, there: 0, closed: false });
    expect(await stored()).toEqual([
      { slug: 'star-beams', d: on(2), l: null, r: null, n: 8, help: 'alone', done: 1, way: 'paper', step: 3 },
      { slug: 'crane-lift', d: on(1), l: 4, r: 5, n: null, help: 'shown', done: 1, way: 'paper', step: 3 },
      { slug: 'star-beams', d: on(1), l: null, r: null, n: null, help: null, done: 0, way: 'paper', step: 3 },
    ]);
    const grown = { ...first, text: `${first.text}\nOdalys V.,Star beams,${on(0)},,7,,,,,` };
    expect((await found(grown)).rows.map(({ isThere }) => isThere)).toEqual([true, true, true, false]);
    expect(await importReports(bed.context, ines, grown)).toEqual({ added: 1, there: 3, closed: false });
    expect(await stored()).toHaveLength(4);
  });

  it('with one row in the way brings nothing, and says of each what and where', async () => {
    await enterPaperLog(bed.context, ines, {
      childId,
      entryId: '0193c000-0000-4000-8000-000000000000',
      way: 'paper',
      boxes: [
        { taskId: (await bed.read<{ id: number }>("SELECT id FROM tasks WHERE slug = 'star-beams'"))[0]!.id, doneOn: on(3), text: '6' },
      ],
    });
    const other = await bed.person('Marit Oyelaran-Voss');
    await bed.child(other, { calledName: 'Bram', initial: 'T' });
    await bed.child(ines, { calledName: 'Odalys', initial: 'W' });
    const options = list(
      `Odalys V.,Star beams,${on(1)},yes,8,,,alone,,`,
      `Bram T.,Star beams,${on(1)},yes,8,,,,,`,
      `Odalys,Star beams,${on(2)},yes,8,,,,,`,
      `Odalys V.,Cut the planks,${on(1)},yes,8,,,,,`,
      `Odalys V.,Star beams,${on(3)},yes,8,,,,,`,
      `Odalys V.,Star beams,${on(1)},yes,9,,,,,`,
      `Odalys V.,Star beams,${on(-2)},yes,9,,,,,`,
      `Odalys V.,Star beams,${on(4)},no,9,,,,,`,
      `Odalys V.,Star beams,${on(30)},yes,9,,,,,`,
      `Odalys V.,Star beams,${on(5)},yes,,,9,,,`,
    );
    const codes = (await found(options)).rows.map(({ findings }) => findings.map(({ column, code }) => `${column} ${code}`).join());
    expect(codes).toEqual([
      '',
      'child noSuchChild',
      'child twoChildren',
      'task notInProgram',
      'doneOn toldAlready',
      'doneOn twiceInList',
      'doneOn futureDay',
      'doneOn countedNotDone',
      'task notInProgram',
      'right noSides',
    ]);
    expect(await refusal(importReports(bed.context, ines, options))).toBe('invalid');
    expect(await stored()).toHaveLength(1);
  });

  it('taken in twice at the same moment is there once', async () => {
    const options = list(`Odalys V.,Star beams,${on(2)},yes,8,,,,,`, `Odalys V.,Crane lift,${on(2)},yes,,4,4,,,`);
    const both = await Promise.all([importReports(bed.context, ines, options), importReports(bed.context, pim, options)]);
    expect(both.map(({ added }) => added).sort()).toEqual([0, 2]);
    expect(await stored()).toHaveLength(2);
  });

  it('closes the task that its words of harm stand beside, and says so before', async () => {
    const options = list(`Odalys V.,Crane lift,${on(1)},yes,,1,0,,,her thumb is swollen`, `Odalys V.,Star beams,${on(1)},yes,4,,,,pain,`);
    expect((await found(options)).rows.map(({ closes }) => closes)).toEqual([true, true]);
    expect(await importReports(bed.context, pim, options)).toEqual({ added: 2, there: 0, closed: true });
    expect(await bed.read('SELECT 1 FROM reports WHERE holds = 1')).toHaveLength(2);
  });

  it('whose dates can be read both ways waits till a person says which', async () => {
    const options = list('Odalys V.,Star beams,3/4/2026,yes,8,,,,,');
    expect((await found(options)).dateOrder).toBeNull();
    expect(await refusal(importReports(bed.context, ines, options))).toBe('invalid');
    expect((await found({ ...options, dateOrder: 'dayFirst' })).rows[0]!.doneOn).toBe('2026-04-03');
  });
});
