import { recordFrom, valuesFrom } from '@/ui/desk/students/record/recordValues';
import { addDays, calendarDayInZone } from '@/core/calendar';
import { addPerson, inTransaction } from '@/db';
import type { PersonActor } from '@/server/actor';
import { settleHome, reportHomeInventory, viewHome } from '@/server/students/homeInventory';
import { comeBack, handOver, leaveCaseload, shareChild } from '@/server/students/moveChild';
import { previewRoster, importRoster } from '@/server/students/importRoster';
import { viewCaseloads } from '@/server/caseload/viewCaseloads';
import { viewChild } from '@/server/students/viewChild';
import { viewRecord } from '@/server/students/viewRecord';
import { viewCaseload } from '@/server/caseload/viewCaseload';
import { changeRecord, newChild } from '@/server/students/writeRecord';
import { exportChild } from '@/server/exchange/exportChild';
import { writeGoal } from '@/server/goals/writeGoal';
import { viewGoal } from '@/server/goals/viewGoal';
import { restProgram } from '@/server/programs/rest';
import { askForPassword, choosePassword, viewPasswordLink } from '@/server/accounts/passwordReset';
import { closeAccount } from '@/server/accounts/leave';
import { actorOfToken } from '@/server/accounts/sessions';
import { hashPassword, signIn } from '@/server/accounts/signIn';
import { personAddressOf } from '@/server/ports';
import { viewFamily } from '@/server/reports/viewFamily';
import { decide } from '@/server/review/decide';
import { viewReview } from '@/server/review/viewReview';
import { setSchoolYear, viewSchoolYear } from '@/server/settings/schoolYear';
import { exampleChild } from '../fixtures/tarrowHill';
import { newTestBed, refusal, ZONE, type TestBed } from './testBed';

const EVERYONE = { search: '', filter: 'everyone', sort: 'name', school: null, bySchool: false } as const;
let bed: TestBed;
let ines: PersonActor;
let marit: PersonActor;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  marit = await bed.person('Marit Oyelaran-Voss', 'supervisor');
});
afterEach(() => bed.close());

const recordOf = (change: Parameters<typeof exampleChild>[0] = {}) =>
  recordFrom(valuesFrom(exampleChild({ mouthsThings: false, allergies: [], ...change })));
const change = async (childId: number, facts: Parameters<typeof exampleChild>[0]) => {
  const { child, history } = await viewRecord(bed.context, ines, childId);
  const record = recordFrom(valuesFrom({ ...child, ...facts }));
  return changeRecord(bed.context, ines, { childId, record, school: child.school, seenChange: history[0]?.id ?? 0 });
};
const openKinds = async (childId: number) =>
  (await viewReview(bed.context, ines, null)).open.filter((each) => each.childId === childId).map(({ kind }) => kind);

describe('a child that is written down', () => {
  it('is led by who wrote it, at a school that is new or known, once', async () => {
    const { childId } = await newChild(bed.context, ines, { record: recordOf(), school: 'Millbeck Early Learning Center' });
    const view = await viewChild(bed.context, ines, childId);
    expect(view).toMatchObject({ child: { calledName: 'Odalys', school: 'Millbeck Early Learning Center' }, mayLead: true });
    expect(view.sharing.map(({ name, access }) => `${name} ${access}`)).toEqual(['Ines Calloway-Brandt lead']);
    expect(await refusal(newChild(bed.context, ines, { record: recordOf(), school: 'Fold Lane School' }))).toBe('invalid');
    expect(await refusal(newChild(bed.context, ines, { record: { ...recordOf(), bornOn: '2030-01-01' }, school: 'A' }))).toBe('invalid');
    expect(await refusal(newChild(bed.context, await bed.person('Teodor Wray', 'assistant'), { record: recordOf(), school: 'A' }))).toBe(
      'notAllowed',
    );
  });
});

describe('facts that change', () => {
  it('are kept with who, when and what they were; who was slower writes nothing over', async () => {
    const childId = await bed.child(ines);
    await change(childId, { minutesPerDay: 10, likes: 'trucks' });
    const { history } = await viewRecord(bed.context, ines, childId);
    expect(history).toMatchObject([
      {
        who: 'Ines Calloway-Brandt',
        changes: [
          { fact: 'minutesPerDay', before: 20, after: 10 },
          { fact: 'likes', before: '', after: 'trucks' },
        ],
      },
    ]);
    const stale = { childId, record: recordOf(), school: 'A', seenChange: 0 };
    expect(await refusal(changeRecord(bed.context, ines, stale))).toBe('staleRecord');
    expect((await change(childId, {})).changes).toEqual([]);
  });

  it('by which a rule blocks a task say so at once, put a card in Rounds, and the task goes by it', async () => {
    const childId = await bed.child(ines);
    await bed.send(
      ines,
      childId,
      0,
      ['open-the-shutters', 'punch-the-ticket', 'cut-the-rope-ends'].filter((slug) =>
        bed.tasks.some(({ content }) => content.slug === slug),
      ),
    );
    const blade = bed.tasks.find(({ content }) => content.materials.some(({ hazards }) => hazards.includes('blade')))!;
    await bed.send(ines, childId, 1, ['open-the-shutters', blade.content.slug]);
    expect(await openKinds(childId)).toEqual([]);
    const { stopped } = await change(childId, { scissorsAllowed: false });
    expect(stopped.map(({ task, blocks }) => [task.content.slug, blocks])).toEqual([[blade.content.slug, true]]);
    expect((await viewChild(bed.context, ines, childId)).stopped).toHaveLength(1);
    const { open, here } = await viewReview(bed.context, ines, null);
    expect(here).toMatchObject({ decision: { kind: 'unsafe' }, findings: [{ rule: 'scissorsNotAllowed' }] });
    const options = { childId, key: open[0]!.key, expectedVersion: 2, reason: 'no scissors at home' };
    expect(await refusal(decide(bed.context, ines, { ...options, answer: 'hold' }))).toBe('invalid');
    expect(await refusal(decide(bed.context, ines, { ...options, answer: 'later', laterDays: 2 }))).toBe('invalid');
    // Words to the family settle nothing of it.
    await decide(bed.context, ines, { ...options, answer: 'wrote', words: 'Please leave the scissors task out.' });
    expect(await openKinds(childId)).toEqual(['unsafe']);
    await decide(bed.context, ines, { ...options, answer: 'takenOut' });
    expect(await openKinds(childId)).toEqual([]);
    const { version } = await viewFamily(bed.context, await bed.newestToken(childId));
    expect(version!.tasks.map(({ content }) => content.slug)).toEqual(['open-the-shutters']);
    await change(childId, { scissorsAllowed: true });
    expect(await openKinds(childId)).toEqual([]);
  });

  it('that ask for a reason are held by one, and a settled hand asks for a look', async () => {
    const childId = await bed.child(ines, { hand: 'unsettled', leaningHand: 'left' });
    await bed.send(ines, childId, 0, ['open-the-shutters', 'wall-push']);
    await change(childId, { hand: 'left', leaningHand: null, precautions: [{ words: 'loose joints', asks: ['weightOnHands'] }] });
    expect(await openKinds(childId)).toEqual(['unsuitable', 'handSettled']);
    const { open } = await viewReview(bed.context, ines, null);
    const settle = (kind: string, reason: string) =>
      decide(bed.context, ines, { childId, key: open.find((each) => each.kind === kind)!.key, answer: 'hold', expectedVersion: 1, reason });
    expect(await refusal(settle('unsuitable', ''))).toBe('reasonNeeded');
    await settle('unsuitable', 'against the wall only, elbows soft');
    await settle('handSettled', '');
    expect(await openKinds(childId)).toEqual([]);
  });
});

describe('a goal', () => {
  const goal = {
    skill: 'scissors',
    statement: 'Cuts along a path',
    measure: { kind: 'count', of: 10, from: 2, to: 8, baselineOn: '2026-11-01' },
    mostHelp: 'words',
    sessions: 3,
    reviewOn: '2027-02-01',
    taskIds: [1],
  };

  it('keeps every version with who and why; two writers do not write over each other', async () => {
    const childId = await bed.child(ines);
    const options = { childId, goalId: null, seenVersion: 0, why: '', goal };
    const { goalId } = await writeGoal(bed.context, ines, options);
    await writeGoal(bed.context, ines, {
      ...options,
      goalId,
      seenVersion: 1,
      why: 'went faster',
      goal: { ...goal, measure: { ...goal.measure, to: 9 } },
    });
    expect(await refusal(writeGoal(bed.context, ines, { ...options, goalId, seenVersion: 1 }))).toBe('staleRecord');
    const view = await viewGoal(bed.context, ines, childId, goalId);
    expect(view.goal).toMatchObject({ version: 2, content: { measure: { to: 9 }, taskIds: [1] } });
    expect(view.history.map(({ number, why, who }) => `${number} ${why} ${who}`)).toEqual([
      '2 went faster Ines Calloway-Brandt',
      '1  Ines Calloway-Brandt',
    ]);
  });
});

describe('a list', () => {
  const text =
    'First name,Last name,DOB,School\nBram,Tull,3/14/2020,Slateway Elementary School\nFfion,Ames,11/2/2019,Slateway Elementary School';
  const answers = {
    scissorsAllowed: false,
    mouthsThings: false,
    schools: { 'Slateway Elementary School': 'Slateway Elementary School', 'Fold Lane School': 'Fold Lane School' },
  };

  it('asks what rows do not say and safety hangs on, and which school an unknown name is; nothing is added before', async () => {
    const found = await previewRoster(bed.context, ines, { text: text.replaceAll('Slateway Elementary School', 'Slateway Prim.') });
    expect(found).toMatchObject({
      ok: true,
      unknownSchools: ['Slateway Prim.'],
      asks: { scissorsAllowed: null, mouthsThings: null },
      rows: [{ record: null }, { record: null }],
    });
    expect(await refusal(importRoster(bed.context, ines, { text }))).toBe('invalid');
    expect((await viewCaseload(bed.context, ines, EVERYONE)).childCount).toBe(0);
  });

  it('is looked at, then taken in as a whole, and again without doubles', async () => {
    const found = await previewRoster(bed.context, ines, { ...answers, text });
    expect(found).toMatchObject({ ok: true, dateOrder: 'monthFirst', rows: [{ isThere: false }, { isThere: false }] });
    expect((await viewCaseload(bed.context, ines, EVERYONE)).childCount).toBe(0);
    expect(await importRoster(bed.context, ines, { ...answers, text })).toEqual({ added: 2, there: 0, leftOut: 0 });
    expect(await importRoster(bed.context, ines, { ...answers, text: `${text}\nPer,Holt,1/9/2021,Fold Lane School` })).toEqual({
      added: 1,
      there: 2,
      leftOut: 0,
    });
    expect((await viewCaseload(bed.context, ines, EVERYONE)).childCount).toBe(3);
  });

  it('leaves out a row that something is wrong with, says so, and adds the others', async () => {
    const wrong = `${text}\nPer,Holt,soon,Fold Lane School\nPer,Holt,5/5/1918,Fold Lane School`;
    expect(await importRoster(bed.context, ines, { ...answers, text: wrong })).toEqual({ added: 2, there: 0, leftOut: 2 });
    expect((await viewCaseload(bed.context, ines, EVERYONE)).childCount).toBe(2);
  });

  it('asks how its dates begin where both can be, and remembers how its columns were matched', async () => {
    const odd = 'Kid,Tag,Wo\nTull Bram,3/4/2020,Slateway Elementary School';
    const columns = ['name', 'bornOn', 'school'];
    const found = await previewRoster(bed.context, ines, { ...answers, text: odd, columns });
    expect(found).toMatchObject({ ok: true, dateOrder: null });
    expect(await refusal(importRoster(bed.context, ines, { ...answers, text: odd, columns }))).toBe('invalid');
    await importRoster(bed.context, ines, { ...answers, text: odd, columns, dateOrder: 'dayFirst' });
    expect(await previewRoster(bed.context, ines, { text: odd })).toMatchObject({ ok: true, columns });
    expect((await viewCaseload(bed.context, ines, EVERYONE)).childCount).toBe(1);
  });
});

describe('the practice', () => {
  it('rests, goes on and ends from the child’s screen; the family is told in its own words each time', async () => {
    const childId = await bed.child(ines, { familyLanguage: 'en' });
    await bed.send(ines, childId);
    const { program } = await viewChild(bed.context, ines, childId);
    const until = addDays(calendarDayInZone(bed.context.now(), ZONE), 10);
    const options = { childId, expectedVersion: 1, until, why: 'grandparents visit' };
    await restProgram(bed.context, ines, { ...options, action: 'pause' });
    expect(await refusal(restProgram(bed.context, ines, { ...options, action: 'pause' }))).toBe('staleVersion');
    expect(await viewChild(bed.context, ines, childId)).toMatchObject({
      program: { resumesOn: until, endsOn: addDays(program!.endsOn, 10) },
    });
    bed.passDays(4);
    await restProgram(bed.context, ines, { ...options, expectedVersion: 2, action: 'goOn' });
    // Four days of rest were taken, so the end has moved by four.
    expect(await viewChild(bed.context, ines, childId)).toMatchObject({
      program: { resumesOn: null, endsOn: addDays(program!.endsOn, 4) },
    });
    expect(await refusal(restProgram(bed.context, ines, { ...options, expectedVersion: 3, action: 'goOn' }))).toBe('goneOn');
    expect(await refusal(restProgram(bed.context, ines, { ...options, expectedVersion: 3, action: 'end', why: '' }))).toBe('reasonNeeded');
    await restProgram(bed.context, ines, { ...options, expectedVersion: 3, action: 'end', why: 'goals met' });
    expect(await refusal(restProgram(bed.context, ines, { ...options, expectedVersion: 4, action: 'goOn', until: '' }))).toBe('invalid');
    await restProgram(bed.context, ines, { ...options, expectedVersion: 4, action: 'goOn', until: addDays(until, 30) });
    expect(await viewChild(bed.context, ines, childId)).toMatchObject({ program: { isEnded: false, endsOn: addDays(until, 30) } });
    bed.passDays(1);
    await bed.runJobs();
    const told = (await bed.phone(childId)).map(({ text }) => text.split(': ')[1]!.split(/[.:]/)[0]);
    expect(told).toEqual(expect.arrayContaining(['Home practice starts again']));
    const { history } = await viewRecord(bed.context, ines, childId);
    expect(history.map(({ changes }) => changes[0]!.after)).toEqual([
      'goes on: grandparents visit',
      'ended: goals met',
      'goes on: grandparents visit',
      `rests until ${until}: grandparents visit`,
    ]);
  });
});

describe('a child that moves', () => {
  it('leaves the caseload without a loss, asks for nothing, and comes back', async () => {
    const childId = await bed.child(ines);
    await bed.send(ines, childId);
    await bed.report(childId);
    await leaveCaseload(bed.context, ines, { childId, why: 'moved to another district' });
    bed.passDays(30);
    expect((await viewCaseload(bed.context, ines, EVERYONE)).childCount).toBe(0);
    expect(await openKinds(childId)).toEqual([]);
    expect(await viewChild(bed.context, ines, childId)).toMatchObject({ program: { isEnded: true }, log: [{}] });
    await comeBack(bed.context, ines, childId);
    expect((await viewCaseload(bed.context, ines, EVERYONE)).childCount).toBe(1);
  });

  it('goes to another therapist with its note; links and history go on', async () => {
    const other = await bed.person('Somebody Else');
    const childId = await bed.child(ines);
    await bed.send(ines, childId);
    const token = await bed.newestToken(childId);
    await handOver(bed.context, ines, { childIds: [childId], to: other.personId, note: 'Loves the crane.', staysSharing: true });
    expect((await viewFamily(bed.context, token)).tasks).not.toEqual([]);
    const view = await viewChild(bed.context, other, childId);
    expect(view.sharing.map(({ name, access }) => `${name} ${access}`)).toEqual(['Somebody Else lead', 'Ines Calloway-Brandt shared']);
    expect(view.handOvers).toMatchObject([{ from: 'Ines Calloway-Brandt', to: 'Somebody Else', note: 'Loves the crane.' }]);
    expect(await refusal(handOver(bed.context, ines, { childIds: [childId], to: marit.personId, note: '', staysSharing: false }))).toBe(
      'notAllowed',
    );
    // A supervisor hands over whom somebody leads.
    await handOver(bed.context, marit, { childIds: [childId], to: ines.personId, note: '', staysSharing: false });
    expect(await refusal(viewChild(bed.context, other, childId))).toBe('notFound');
  });

  it('is handed over all together or not at all, and to nobody who may not lead', async () => {
    const assistant = await bed.person('Teodor Wray', 'assistant');
    const [one, foreign] = [await bed.child(ines), await bed.child(await bed.person('Somebody Else'))];
    const options = { childIds: [one, foreign], to: marit.personId, note: '', staysSharing: false };
    expect(await refusal(handOver(bed.context, ines, options))).toBe('notFound');
    expect(await refusal(handOver(bed.context, ines, { ...options, childIds: [one], to: assistant.personId }))).toBe('invalid');
    expect((await viewChild(bed.context, ines, one)).sharing.map(({ access }) => access)).toEqual(['lead']);
    await shareChild(bed.context, ines, { childId: one, personId: assistant.personId, access: 'assist' });
    expect(await refusal(shareChild(bed.context, ines, { childId: one, personId: assistant.personId, access: 'shared' }))).toBe('invalid');
    await shareChild(bed.context, ines, { childId: one, personId: assistant.personId, access: 'none' });
    expect(await refusal(viewChild(bed.context, assistant, one))).toBe('notFound');
  });

  it('comes out as a file without what opens a link', async () => {
    const childId = await bed.child(ines);
    await bed.send(ines, childId);
    await bed.report(childId, { words: 'She carried five.' });
    const token = await bed.newestToken(childId);
    const text = JSON.stringify(await exportChild(bed.context, ines, childId));
    expect(text).toContain('She carried five.');
    expect(text).not.toContain(token);
    expect(text).not.toMatch(/token|salt|hash/i);
  });
});

describe('people', () => {
  it('leave once nobody is led by them; what they did stays under their name, and no session lasts', async () => {
    const passwordHash = await hashPassword('a plank and a peg');
    const email = 'leaving@tarrowhill.example';
    const personId = await inTransaction(bed.db, (work) =>
      addPerson(work, { name: 'Lea Ving', email, role: 'therapist', passwordHash }, bed.context.now()),
    );
    const { token } = await signIn(bed.context, { email, password: 'a plank and a peg' });
    const leaving = await actorOfToken(bed.context, token);
    const childId = await bed.child(leaving);
    expect(await refusal(closeAccount(bed.context, ines, personId))).toBe('stillLeads');
    await handOver(bed.context, leaving, { childIds: [childId], to: ines.personId, note: '', staysSharing: false });
    expect(await refusal(closeAccount(bed.context, ines, ines.personId))).toBe('invalid');
    await closeAccount(bed.context, ines, personId);
    expect(await refusal(actorOfToken(bed.context, token))).toBe('signInNeeded');
    expect(await refusal(signIn(bed.context, { email, password: 'a plank and a peg' }))).toBe('signInFailed');
    expect((await viewChild(bed.context, ines, childId)).handOvers).toMatchObject([{ from: 'Lea Ving' }]);
  });

  it('who forgot a password choose another by a link that opens once, within an hour; a stranger learns nothing', async () => {
    const email = 'forgot@tarrowhill.example';
    const passwordHash = await hashPassword('a plank and a peg');
    const personId = await inTransaction(bed.db, (work) =>
      addPerson(work, { name: 'For Got', email, role: 'therapist', passwordHash }, bed.context.now()),
    );
    const open = await signIn(bed.context, { email, password: 'a plank and a peg' });
    await askForPassword(bed.context, { email: 'nobody@tarrowhill.example' });
    for (let time = 0; time < 5; time += 1) await askForPassword(bed.context, { email: ' Forgot@tarrowhill.example' });
    await bed.runJobs();
    const texts = await bed.context.phone!.read(personAddressOf(personId));
    expect(texts.length).toBeLessThanOrEqual(3);
    const tokens = texts.map(({ text }) => text.split('/reset-password/')[1]!);
    const opens: string[] = [];
    for (const token of tokens) opens.push(await refusal(viewPasswordLink(bed.context, token)));
    expect(opens.filter((said) => said === 'not refused')).toHaveLength(1);
    const token = tokens[opens.indexOf('not refused')]!;
    expect(await refusal(choosePassword(bed.context, { token, password: 'short' }))).toBe('invalid');
    await choosePassword(bed.context, { token, password: 'four words and a plank' });
    expect(await refusal(choosePassword(bed.context, { token, password: 'four words and a plank' }))).toBe('linkRevoked');
    expect(await refusal(actorOfToken(bed.context, open.token))).toBe('signInNeeded');
    await signIn(bed.context, { email, password: 'four words and a plank' });
    await askForPassword(bed.context, { email });
    bed.passDays(1);
    await askForPassword(bed.context, { email });
    await bed.runJobs();
    const late = (await bed.context.phone!.read(personAddressOf(personId))).at(-1)!.text.split('/reset-password/')[1]!;
    bed.passDays(1);
    expect(await refusal(viewPasswordLink(bed.context, late))).toBe('linkExpired');
  });

  it('who supervise see every caseload, what hurt and for how long, and nobody else does', async () => {
    const [hurt, fine] = [await bed.child(ines), await bed.child(ines, { calledName: 'Bram', initial: 'T' })];
    await bed.send(ines, hurt);
    await bed.report(hurt, { stopReason: 'pain' });
    const view = await viewCaseloads(bed.context, marit);
    expect(view.hurt).toMatchObject([{ childId: hurt, hurtRead: false, leadId: ines.personId }]);
    expect(view.overdue.map(({ childId }) => childId)).toEqual([fine]);
    expect(view.therapists.find(({ id }) => id === ines.personId)).toMatchObject({
      children: 2,
      overdue: 1,
      silent: 0,
      reportsThisWeek: 1,
    });
    expect(await refusal(viewCaseloads(bed.context, ines))).toBe('notAllowed');
  });
});

describe('what is in the house', () => {
  it('is told by the family on one page, and counts once the therapist has taken it over', async () => {
    const childId = await bed.child(ines, { materialsAtHome: ['paper'] });
    await bed.send(ines, childId);
    const token = await bed.newestToken(childId);
    const { things } = await viewHome(bed.context, token);
    const answers = {
      materialsAtHome: [things[1]!.id, things[2]!.id],
      hasPrinter: true,
      minutesPerDay: 10,
      practiceWeekdays: [1, 3],
      helpers: 'grandmother',
      homeLanguages: ['es'],
      reportWay: 'paper',
      words: 'The tongs are big.',
    };
    expect(await refusal(reportHomeInventory(bed.context, token, { ...answers, minutesPerDay: 0 }))).toBe('invalid');
    expect(await refusal(reportHomeInventory(bed.context, 'x'.repeat(32), answers))).toBe('linkUnknown');
    await reportHomeInventory(bed.context, token, answers);
    expect(await viewChild(bed.context, ines, childId)).toMatchObject({ homeIsTold: true, child: { minutesPerDay: 20 } });
    const { told } = await viewRecord(bed.context, ines, childId);
    await settleHome(bed.context, ines, { childId, answerId: told!.id, takes: true });
    const { child, homeIsTold } = await viewChild(bed.context, ines, childId);
    expect(homeIsTold).toBe(false);
    expect(child).toMatchObject({
      hasPrinter: true,
      minutesPerDay: 10,
      practiceWeekdays: [1, 3],
      helpers: 'grandmother',
      reportWay: 'paper',
    });
    expect([...child.materialsAtHome].sort()).toEqual(
      [...new Set([...answers.materialsAtHome, ...(things.some(({ id }) => id === 'paper') ? [] : ['paper'])])].sort(),
    );
    expect(await refusal(settleHome(bed.context, ines, { childId, answerId: told!.id, takes: true }))).toBe('staleRecord');
  });
});

describe('the school year', () => {
  const year = {
    firstDay: '2026-08-17',
    lastDay: '2027-06-11',
    breaks: [{ name: 'Winter break', from: '2026-12-21', to: '2027-01-03' }],
    periods: [{ name: 'Autumn report', from: '2026-08-17', to: '2026-12-18' }],
  };

  it('is written as a whole, moved, and refused where it overlaps', async () => {
    const schools = [{ name: 'Fold Lane School', visitDays: ['Fri', 'Mon'] }];
    await setSchoolYear(bed.context, ines, { before: null, year, schools });
    await setSchoolYear(bed.context, ines, { before: year.firstDay, year: { ...year, firstDay: '2026-08-24', periods: [] }, schools: [] });
    const view = await viewSchoolYear(bed.context, ines);
    expect(view.year).toMatchObject({ firstDay: '2026-08-24', breaks: [{ name: 'Winter break' }], periods: [] });
    expect(view.schools.find(({ name }) => name === 'Fold Lane School')!.visitDays).toBe('Mon, Fri');
    expect(
      await bed.read("SELECT COUNT(*) AS count FROM school_years WHERE first_day >= '2026-08-01' AND first_day < '2027-01-01'"),
    ).toEqual([{ count: 1 }]);
    const overlapping = { ...year, breaks: [...year.breaks, { name: 'x', from: '2027-01-02', to: '2027-01-05' }] };
    expect(await refusal(setSchoolYear(bed.context, ines, { before: null, year: overlapping, schools: [] }))).toBe('invalid');
    const assistant = await bed.person('Teodor Wray', 'assistant');
    expect(await refusal(setSchoolYear(bed.context, assistant, { before: null, year, schools: [] }))).toBe('notAllowed');
  });
});
