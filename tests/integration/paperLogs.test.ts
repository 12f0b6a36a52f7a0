import { randomUUID } from 'node:crypto';
import { addDays, calendarDayInZone, mondayOf, weekdayOf } from '@/core/calendar';
import type { PersonActor } from '@/server/actor';
import { enterPaperLog } from '@/server/reports/enterPaperLog';
import { viewEntry } from '@/server/reports/viewEntry';
import { viewReports, type ReportsQuery } from '@/server/reports/viewReports';
import { receiveText } from '@/server/reports/replies/receiveText';
import { decide } from '@/server/review/decide';
import { viewReview } from '@/server/review/viewReview';
import { newTestBed, refusal, ZONE, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let pim: PersonActor;
let childId: number;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  pim = await bed.person('Pim Aster', 'assistant');
  childId = await bed.child(ines, { calledName: 'Odalys', familyLanguage: 'en', homeLanguages: ['en'], reportWay: 'paper' });
  await bed.share(childId, pim, 'assist');
  await bed.send(ines, childId, 0, ['star-beams', 'crane-lift']);
  bed.passDays(8);
});
afterEach(() => bed.close());

const today = () => calendarDayInZone(bed.context.now(), ZONE);
const sheet = async (actor = pim, monday = mondayOf(today()), log: number | null = null) =>
  (await viewEntry(bed.context, actor, { childId, monday, isPaper: true, log })).sheet!;
const row = async (slug: 'star' | 'crane') => (await sheet()).rows.find(({ titles }) => titles[0]!.toLowerCase().startsWith(slug))!;
const slip = async (texts: readonly (readonly ['star' | 'crane', number, string])[], change: Record<string, unknown> = {}) => ({
  childId,
  entryId: randomUUID(),
  way: 'paper',
  saidBy: 'Nana',
  words: '',
  isQuestion: false,
  textId: null,
  boxes: await Promise.all(
    texts.map(async ([slug, daysAgo, text]) => ({ taskId: (await row(slug)).taskId, doneOn: addDays(today(), -daysAgo), text })),
  ),
  ...change,
});
const stored = () =>
  bed.read<Record<string, unknown>>(
    'SELECT t.slug, r.left_count AS l, r.right_count AS r, CAST(r.amount AS DOUBLE) AS n, r.help, r.done, r.way, r.said_by AS who, r.step, r.words, r.entered_by AS typed FROM reports r JOIN tasks t ON t.id = r.task_id ORDER BY r.done_on, r.id',
  );
const options = (change: Partial<ReportsQuery> = {}): ReportsQuery => ({
  search: '',
  words: '',
  way: null,
  only: null,
  since: null,
  until: null,
  beforeId: null,
  ...change,
});

describe('a slip that is typed in', () => {
  it('is filed as good as what came by a link, at the step of its own day, by whom and how', async () => {
    const taken = await enterPaperLog(
      bed.context,
      pim,
      await slip(
        [
          ['star', 1, '8 N'],
          ['crane', 1, 'L5R4'],
          ['star', 0, 'X U'],
        ],
        { words: 'Went well' },
      ),
    );
    expect(taken).toEqual({ stored: 3, closed: false });
    expect(await stored()).toEqual([
      {
        slug: 'star-beams',
        l: null,
        r: null,
        n: 8,
        help: 'alone',
        done: 1,
        way: 'paper',
        who: 'Nana',
        step: 3,
        words: '',
        typed: pim.personId,
      },
      { slug: 'crane-lift', l: 5, r: 4, n: null, help: null, done: 1, way: 'paper', who: 'Nana', step: 3, words: '', typed: pim.personId },
      {
        slug: 'star-beams',
        l: null,
        r: null,
        n: null,
        help: null,
        done: 0,
        way: 'paper',
        who: 'Nana',
        step: 3,
        words: 'Went well',
        typed: pim.personId,
      },
    ]);
    expect((await sheet()).known).toHaveLength(3);
    // It is evidence as any other.
    await enterPaperLog(bed.context, pim, await slip([['crane', 0, 'L5R5 N']]));
    await enterPaperLog(bed.context, pim, await slip([['crane', 2, 'L5R5']]));
    expect((await viewReview(bed.context, ines, null)).open.map(({ kind }) => kind)).toContain('ready');
  });

  it('sent twice, or twice at once, is taken once', async () => {
    const typed = await slip([['star', 1, '8']]);
    const both = await Promise.all(
      [enterPaperLog(bed.context, pim, typed), enterPaperLog(bed.context, pim, typed)].map((each) => each.catch(() => null)),
    );
    expect(both.map((each) => each?.stored ?? 0).reduce((sum, count) => sum + count, 0)).toBe(1);
    expect(await enterPaperLog(bed.context, pim, typed)).toEqual({ stored: 0, closed: false });
    expect(await stored()).toHaveLength(1);
  });

  it('typed by two people at the same time is taken once, and the second is told', async () => {
    const [one, other] = [await slip([['star', 1, '8']]), await slip([['star', 1, '7']])];
    const told = await Promise.all([
      enterPaperLog(bed.context, pim, one).then(
        () => 'taken',
        () => 'refused',
      ),
      enterPaperLog(bed.context, ines, other).then(
        () => 'taken',
        () => 'refused',
      ),
    ]);
    expect(told.sort()).toEqual(['refused', 'taken']);
    expect(await stored()).toHaveLength(1);
  });

  it('is taken whole or not at all, and each box that can’t be taken says why', async () => {
    await enterPaperLog(bed.context, pim, await slip([['star', 1, '8']]));
    const bad = await slip([
      ['star', 0, '7'],
      ['star', 1, '9'],
      ['crane', 0, '5'],
      ['crane', 1, 'good'],
      ['crane', 2, '8 blood'],
    ]);
    const fault = await enterPaperLog(bed.context, pim, bad).catch((error: unknown) => error);
    expect((fault as { detail: { issues: { code: string }[] } }).detail.issues.map(({ code }) => code).sort()).toEqual([
      'cellDanger',
      'cellUnclear',
      'sideOrAll',
      'toldAlready',
    ]);
    expect(await stored()).toHaveLength(1);
    const tomorrow = {
      ...(await slip([['star', 0, '7']])),
      boxes: [{ taskId: (await row('star')).taskId, doneOn: addDays(today(), 1), text: '7' }],
    };
    expect(await refusal(enterPaperLog(bed.context, pim, tomorrow))).toBe('invalid');
    const long = { ...tomorrow, boxes: [{ taskId: (await row('star')).taskId, doneOn: addDays(today(), -40), text: '7' }] };
    expect(await refusal(enterPaperLog(bed.context, pim, long))).toBe('invalid');
    expect(await refusal(enterPaperLog(bed.context, pim, { ...tomorrow, boxes: [] }))).toBe('invalid');
  });

  it('with words of harm puts all that was filled in on hold, and says so', async () => {
    const taken = await enterPaperLog(
      bed.context,
      pim,
      await slip(
        [
          ['star', 1, '8'],
          ['crane', 0, '+'],
        ],
        { words: 'her finger was bleeding' },
      ),
    );
    expect(taken).toEqual({ stored: 2, closed: true });
    const { open } = await viewReview(bed.context, ines, null);
    const held = open.filter(({ kind }) => kind === 'safetyWord').map(({ taskId }) => taskId);
    expect(new Set(held)).toEqual(new Set([(await row('crane')).taskId, (await row('star')).taskId]));
  });

  it('of last week is filed at last week’s step', async () => {
    for (let count = 3; count > 0; count -= 1) await enterPaperLog(bed.context, pim, await slip([['crane', count, 'L5R5 N']]));
    const { open, here } = await viewReview(bed.context, ines, null);
    const ready = open.find(({ kind }) => kind === 'ready')!;
    await decide(bed.context, ines, { childId, key: ready.key, answer: 'up', expectedVersion: here!.program.number });
    bed.passDays(1);
    await enterPaperLog(
      bed.context,
      pim,
      await slip([
        ['crane', 5, 'L1R1'],
        ['crane', 0, 'L4R4'],
      ]),
    );
    expect((await stored()).map(({ step, l }) => `${String(step)}:${String(l)}`)).toEqual(['3:1', '3:5', '3:5', '3:5', '4:4']);
  });

  it('on paper is the log that was printed: its days, its tasks and its steps, whatever was sent meanwhile', async () => {
    await bed.write("UPDATE version_tasks SET weekdays = '[1,2,3,4,5]'");
    const printedOn = (number: number, daysAgo: number) =>
      bed.write('UPDATE program_versions SET printed_at = :at WHERE number = :number', {
        number,
        at: new Date(bed.context.now() - daysAgo * 86_400_000).toISOString().slice(0, 23).replace('T', ' '),
      });
    await printedOn(1, 8);
    await bed.send(ines, childId, 1, ['star-beams']);
    await printedOn(2, 0);
    bed.passDays(1);
    const typed = await sheet();
    expect([typed.log, typed.logs.map(({ number }) => number)]).toEqual([1, [2, 1]]);
    expect(typed.rows.map(({ titles }) => titles[0])).toEqual(['Star beams', 'Crane lift']);
    for (const { days } of typed.rows) expect(days.every((day) => weekdayOf(day) <= 5)).toBe(true);
    expect((await sheet(pim, mondayOf(today()), 2)).rows.map(({ titles }) => titles[0])).toEqual(['Star beams']);
    // The crane was removed from the program; on the paper it still stood.
    const crane = typed.rows.find(({ titles }) => titles[0] === 'Crane lift')!;
    const box = { taskId: crane.taskId, doneOn: crane.days.at(-1)!, text: 'L4R4' };
    expect(await refusal(enterPaperLog(bed.context, pim, { ...(await slip([])), boxes: [box], log: 2 }))).toBe('invalid');
    await enterPaperLog(bed.context, pim, { ...(await slip([])), boxes: [box], log: 1 });
    expect((await stored()).at(-1)).toMatchObject({ slug: 'crane-lift', l: 4, step: 3 });
  });

  it('is nobody’s to type who has no part in the child', async () => {
    const stranger = await bed.person('Marit Oyelaran-Voss');
    expect(await refusal(enterPaperLog(bed.context, stranger, await slip([['star', 0, '8']])))).toBe('notFound');
    expect(await refusal(viewEntry(bed.context, stranger, { childId, monday: null, isPaper: true, log: null }))).toBe('notFound');
    expect((await viewReports(bed.context, stranger, options())).lines).toEqual([]);
  });
});

describe('the Logbook', () => {
  it('shows every report by any way, old ones too, and finds them', async () => {
    await bed.report(childId, {
      versionTaskId: await bed.versionTaskId(childId, 'star-beams'),
      amount: '7',
      left: '',
      right: '',
      words: 'liked 100% of it',
    });
    await enterPaperLog(
      bed.context,
      pim,
      await slip(
        [
          ['star', 1, '8'],
          ['crane', 1, 'L5R4'],
        ],
        { words: 'which tongs', isQuestion: true },
      ),
    );
    bed.passDays(90);
    const all = await viewReports(bed.context, ines, options());
    expect(all.lines.map(({ way, childName }) => `${way} ${childName.split(' ')[0]!}`)).toEqual([
      'paper Odalys',
      'paper Odalys',
      'link Odalys',
    ]);
    const found = async (change: Partial<ReportsQuery>) => (await viewReports(bed.context, ines, options(change))).lines.length;
    expect(await found({ way: 'link' })).toBe(1);
    expect(await found({ search: 'crane' })).toBe(1);
    expect(await found({ search: 'odal' })).toBe(3);
    expect(await found({ search: 'wren' })).toBe(0);
    expect(await found({ words: '100%' })).toBe(1);
    expect(await found({ words: '%' })).toBe(1);
    expect(await found({ only: 'question' })).toBe(1);
    expect(await found({ since: addDays(today(), -5) })).toBe(0);
    expect(await found({ beforeId: all.lines[1]!.reportId })).toBe(1);
  });

  it('names the slips of last week that are not in, till they are', async () => {
    const missing = async () => (await viewReports(bed.context, pim, options())).missing.map(({ name }) => name.split(' ')[0]);
    expect(await missing()).toEqual(['Odalys']);
    const monday = addDays(mondayOf(today()), -7);
    const box = { taskId: (await row('star')).taskId, doneOn: addDays(monday, 4), text: '8' };
    await enterPaperLog(bed.context, pim, { ...(await slip([])), boxes: [box] });
    expect(await missing()).toEqual([]);
  });

  it('a text that nobody could read waits there, stands beside the sheet, and is settled with what is typed from it', async () => {
    await bed.write('UPDATE children SET contacts = :contacts WHERE id = :childId', {
      childId,
      contacts: JSON.stringify([
        {
          name: 'Nana',
          relation: 'grandmother',
          language: 'en',
          way: 'text',
          reach: '+1 406 555 0142',
          quiet: null,
          mayBeSent: 'practice',
        },
      ]),
    });
    await receiveText(bed.context, { serviceKey: 'a', from: '+1 406 555 0142', text: 'it was sort of okay with the roof one' });
    await receiveText(bed.context, { serviceKey: 'b', from: '+1 406 555 0142', text: 'you know, the usual amount' });
    const waiting = (await viewReports(bed.context, ines, options())).texts;
    expect(waiting.length).toBeGreaterThan(0);
    expect((await sheet()).texts.map(({ id }) => id)).toEqual(waiting.map(({ id }) => id));
    // One that was asked back and never answered waits, too, however many came after it; a slip that was typed from none settles none.
    await receiveText(bed.context, { serviceKey: 'c', from: '+1 406 555 0142', text: 'crane 5' });
    bed.passDays(2);
    await bed.write(
      `INSERT INTO incoming_texts (service_key, child_id, from_address, text, received_at, issues, outcome)
       SELECT CONCAT('old-', seq), :childId, 'x', 'thanks', NOW(3), '[]', 'nothing' FROM seq_1_to_70`,
      { childId },
    );
    await enterPaperLog(bed.context, pim, await slip([['crane', 0, 'L5R5']]));
    const stillThere = (await viewReports(bed.context, ines, options())).texts;
    expect(stillThere.map(({ text }) => text)).toEqual([...waiting.map(({ text }) => text), 'crane 5']);
    await enterPaperLog(bed.context, pim, await slip([['star', 0, '8']], { textId: stillThere.at(-1)!.id }));
    expect((await viewReports(bed.context, ines, options())).texts).toEqual([]);
    expect((await viewReview(bed.context, ines, null)).open.map(({ kind }) => kind)).not.toContain('text');
  });
});
