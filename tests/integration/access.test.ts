import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { EXAMPLE_GOAL, exampleChild } from '../fixtures/tarrowHill';
import { recordFrom, valuesFrom } from '@/ui/desk/students/record/recordValues';
import { calendarDayInZone } from '@/core/calendar';
import { accessLogForFile, viewAccessLog } from '@/server/audit/viewAccessLog';
import { changeHome } from '@/server/students/changeHome';
import { askForHome, settleHome } from '@/server/students/homeInventory';
import { comeBack, handOver, leaveCaseload, shareChild } from '@/server/students/moveChild';
import { viewRecord } from '@/server/students/viewRecord';
import { changeRecord } from '@/server/students/writeRecord';
import { exportChild } from '@/server/exchange/exportChild';
import { fhirDoor, previewFhir, importFhir } from '@/server/exchange/importFhir';
import { viewGoal } from '@/server/goals/viewGoal';
import { closeGoal, writeGoal } from '@/server/goals/writeGoal';
import { deleteChild } from '@/server/students/deleteChild';
import { handOverKit, kitCameBack, packKit, unpackKit } from '@/server/kits/packKit';
import { giveTemplate, saveTemplate } from '@/server/planner/weekTemplates';
import { deletePlan, acceptPlan, viewPlans } from '@/server/planner/viewPlans';
import { closePeriod, reopenPeriod, writeWords } from '@/server/progress/writeProgress';
import { viewChild } from '@/server/students/viewChild';
import { viewCaseload } from '@/server/caseload/viewCaseload';
import { revokeLink, sendLinkAgain } from '@/server/messages/links';
import { enterPaperLog } from '@/server/reports/enterPaperLog';
import { measure, takeBack, viewMeasure } from '@/server/measurements/measure';
import { viewEntry } from '@/server/reports/viewEntry';
import { setReminders } from '@/server/messages/reminders';
import { sendDirect } from '@/server/messages/sendDirect';
import { makeTeacherLink, revokeTeacherLinks } from '@/server/students/teacherLinks';
import { textFromPhone } from '@/server/reports/replies/fromPhone';
import { viewOutside } from '@/server/students/viewOutside';
import { tryMessageAgain } from '@/server/messages/tryAgain';
import { viewMessages } from '@/server/messages/viewMessages';
import { saveDraft } from '@/server/programs/saveDraft';
import { viewBuilder } from '@/server/programs/viewBuilder';
import { restProgram } from '@/server/programs/rest';
import { sheetOfStep } from '@/server/worksheets/makeSheets';
import { putSheetForChild } from '@/server/worksheets/putSheet';
import { viewSheets } from '@/server/worksheets/viewSheets';
import { clipFileForDesk } from '@/server/videos/clipFile';
import { askBack, changeClip } from '@/server/videos/putClip';
import { removeClip } from '@/server/videos/removeClip';
import { takeClip } from '@/server/videos/takeClip';
import { viewClips } from '@/server/videos/viewClips';
import { viewPaper } from '@/server/programs/viewPaper';
import { sendProgram } from '@/server/programs/sendProgram';
import { correctByStaff } from '@/server/reports/correctByStaff';
import { viewReport } from '@/server/reports/viewReport';
import { decide } from '@/server/review/decide';
import { undoDecision } from '@/server/review/undoDecision';
import { viewReview } from '@/server/review/viewReview';
import { setEmergencyNumber, viewSettings } from '@/server/settings/workplace';
import { actorOfToken, revokeSignIn } from '@/server/accounts/sessions';
import { hashPassword, signIn } from '@/server/accounts/signIn';
import { addPerson, inTransaction } from '@/db';
import type { PersonActor } from '@/server/actor';
import { newTestBed, refusal, ZONE, type TestBed } from './testBed';

const MEASUREMENT = {
  goalId: null,
  taskId: null,
  step: null,
  measuredOn: '2026-01-12',
  good: null,
  trials: null,
  help: null,
  minutes: null,
  watched: {},
  note: 'seen',
};
const EVERYONE = { search: '', filter: 'everyone', sort: 'name', school: null, bySchool: false } as const;
const BAG_WEEK = '2026-11-02';
let bed: TestBed;
let ines: PersonActor;
let other: PersonActor;
let assistant: PersonActor;
let stranger: PersonActor;
let childId: number;
let things: Options;
let othersThings: Options;

beforeAll(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  other = await bed.person('Marit Oyelaran-Voss');
  assistant = await bed.person('Teodor Wray', 'assistant');
  stranger = await bed.person('Somebody Else');
  childId = await bed.child(ines);
  await bed.share(childId, assistant, 'assist');
  await bed.send(ines, childId);
  things = await thingsOf(childId, ines);
  const othersChild = await bed.child(other, { calledName: 'Yara', initial: 'S' });
  await bed.send(other, othersChild);
  othersThings = await thingsOf(othersChild, other);
});
afterAll(() => bed.close());

/** What a use case is asked for: a child, and something of a child. */
interface Options {
  readonly childId: number;
  readonly linkId: number;
  readonly decisionId: number;
  readonly messageId: number;
  readonly goalId: number;
  readonly reportId: number;
  readonly clipId: number;
}

type Door = [
  file: string,
  open: (actor: PersonActor, options: Options) => Promise<unknown>,
  need: 'read' | 'settle' | 'looks' | 'change' | 'lead',
];

const record = recordFrom(valuesFrom(exampleChild()));
/** Every use case that names a child. */
const doors: Door[] = [
  ['students/viewChild', (actor, { childId }) => viewChild(bed.context, actor, childId), 'read'],
  ['messages/viewMessages', (actor, { childId }) => viewMessages(bed.context, actor, { phoneOf: childId, search: '' }), 'read'],
  ['programs/viewPaper', (actor, { childId }) => viewPaper(bed.context, actor, childId), 'read'],
  ['worksheets/viewSheets', (actor, { childId }) => viewSheets(bed.context, actor, { task: 'crane-lift', child: childId }), 'read'],
  ['worksheets/makeSheets', (actor, { childId }) => sheetOfStep(bed.context, actor, { ...SHEET, childId }, COMPOSED), 'read'],
  ['programs/changePlanned', (actor, { childId }) => putSheetForChild(bed.context, actor, { ...SHEET, childId }), 'change'],
  ['videos/viewClips', (actor, { childId }) => viewClips(bed.context, actor, { task: 'crane-lift', child: childId }), 'read'],
  ['programs/changePlanned', (actor, { childId }) => askBack(bed.context, actor, { childId, slug: 'crane-lift', asks: true }), 'change'],
  ['videos/putClip', (actor, { clipId }) => changeClip(bed.context, actor, { clipId, captions: [], keptDays: 90 }), 'change'],
  ['videos/clipFile', (actor, { clipId }) => clipFileForDesk(bed.context, actor, clipId, 'small'), 'read'],
  ['videos/removeClip', (actor, { clipId }) => removeClip(bed.context, actor, clipId), 'change'],
  ['videos/takeClip', (actor, { childId }) => takeClip(bed.context, actor, { ...CLIP, childId }, []), 'change'],
  ['programs/viewBuilder', (actor, { childId }) => viewBuilder(bed.context, actor, childId), 'change'],
  ['programs/saveDraft', (actor, { childId }) => saveDraft(bed.context, actor, childId, bed.draft()), 'change'],
  [
    'programs/sendProgram',
    (actor, { childId }) => sendProgram(bed.context, actor, { childId, expectedVersion: 1, draft: bed.draft(), cautionsRead: true }),
    'change',
  ],
  [
    'students/changeHome',
    (actor, { childId }) => changeHome(bed.context, actor, { childId, taskSettings: {}, materialsAtHome: ['paper'] }),
    'change',
  ],
  [
    'review/decide',
    (actor, { childId }) => decide(bed.context, actor, { childId, key: 'ready:1:1', answer: 'up', expectedVersion: 1 }),
    'change',
  ],
  ['review/undoDecision', (actor, { decisionId }) => undoDecision(bed.context, actor, decisionId), 'settle'],
  ['messages/links', (actor, { childId }) => sendLinkAgain(bed.context, actor, childId), 'change'],
  ['messages/links', (actor, { childId, linkId }) => revokeLink(bed.context, actor, childId, linkId), 'change'],
  ['messages/tryAgain', (actor, { childId, messageId }) => tryMessageAgain(bed.context, actor, childId, messageId), 'change'],
  ['messages/sendDirect', (actor, { childId }) => sendDirect(bed.context, actor, { childId, words: 'Hello' }), 'change'],
  ['reports/replies/fromPhone', (actor, { childId }) => textFromPhone(bed.context, actor, { childId, text: 'A8' }), 'change'],
  [
    'messages/reminders',
    (actor, { childId }) => setReminders(bed.context, actor, childId, { weekdays: [1], at: '18:00', afterSilence: false }),
    'change',
  ],
  ['students/viewOutside', (actor, { childId }) => viewOutside(bed.context, actor, childId), 'change'],
  ['students/teacherLinks', (actor, { childId }) => makeTeacherLink(bed.context, actor, childId), 'change'],
  ['students/teacherLinks', (actor, { childId }) => revokeTeacherLinks(bed.context, actor, childId), 'change'],
  ['audit/viewAccessLog', (actor, { childId }) => viewAccessLog(bed.context, actor, childId, { kind: 'all', who: '' }), 'looks'],
  ['audit/viewAccessLog', (actor, { childId }) => accessLogForFile(bed.context, actor, childId, () => ''), 'looks'],
  ['reports/viewReport', (actor, { childId, reportId }) => viewReport(bed.context, actor, childId, reportId), 'change'],
  [
    'reports/correctByStaff',
    (actor, { childId, reportId }) =>
      correctByStaff(bed.context, actor, { childId, reportId, seenCorrectedAt: 0, why: 'a slip', left: '1', right: '1' }),
    'change',
  ],
  ['progress/writeProgress', (actor, { childId, goalId }) => writeWords(bed.context, actor, { childId, goalId, words: 'x' }), 'change'],
  ['progress/writeProgress', (actor, { childId, goalId }) => closePeriod(bed.context, actor, { childId, goalId, early: 'yes' }), 'change'],
  ['progress/writeProgress', (actor, { childId, goalId }) => reopenPeriod(bed.context, actor, { childId, goalId, id: 1 }), 'change'],
  [
    'planner/weekTemplates',
    async (actor, { childId }) => {
      const content = JSON.stringify({ tasks: [{ taskId: 1, weekdays: [1] }] });
      await saveTemplate(bed.context, actor, { name: 'A week', content });
      const [kept] = (await viewPlans(bed.context, actor)).templates;
      return giveTemplate(bed.context, actor, { id: kept!.id, childIds: [childId] });
    },
    'change',
  ],
  ['planner/viewPlans', (actor, { childId }) => acceptPlan(bed.context, actor, { childId }), 'change'],
  ['planner/viewPlans', (actor, { childId }) => deletePlan(bed.context, actor, { childId }), 'change'],
  ['kits/packKit', (actor, { childId }) => packKit(bed.context, actor, { childId, week: BAG_WEEK, version: 1 }), 'settle'],
  ['kits/packKit', (actor, { childId }) => unpackKit(bed.context, actor, { childId, week: BAG_WEEK, version: 1 }), 'settle'],
  ['kits/packKit', (actor, { childId }) => handOverKit(bed.context, actor, { childId, week: BAG_WEEK, version: 1 }), 'settle'],
  ['kits/packKit', (actor, { childId }) => kitCameBack(bed.context, actor, { childId, week: BAG_WEEK }), 'settle'],
  ['measurements/measure', (actor, { childId }) => viewMeasure(bed.context, actor, childId), 'change'],
  [
    'measurements/measure',
    (actor, { childId }) => measure(bed.context, actor, { childId, entryKey: randomUUID(), measurement: MEASUREMENT }),
    'change',
  ],
  ['measurements/measure', (actor, { childId }) => takeBack(bed.context, actor, childId, 1), 'change'],
  [
    'reports/viewEntry',
    (actor, { childId }) => viewEntry(bed.context, actor, { childId, monday: null, isPaper: true, log: null }),
    'settle',
  ],
  [
    'reports/enterPaperLog',
    (actor, { childId }) =>
      enterPaperLog(bed.context, actor, {
        childId,
        entryId: randomUUID(),
        way: 'paper',
        boxes: [{ taskId: 1, doneOn: calendarDayInZone(bed.context.now(), ZONE), text: '8' }],
      }),
    'settle',
  ],
  ['students/viewRecord', (actor, { childId }) => viewRecord(bed.context, actor, childId), 'change'],
  [
    'students/writeRecord',
    (actor, { childId }) => changeRecord(bed.context, actor, { childId, record, school: 'A', seenChange: 0 }),
    'change',
  ],
  ['students/homeInventory', (actor, { childId }) => askForHome(bed.context, actor, childId), 'change'],
  ['students/homeInventory', (actor, { childId }) => settleHome(bed.context, actor, { childId, answerId: 1, takes: true }), 'change'],
  ['goals/viewGoal', (actor, { childId, goalId }) => viewGoal(bed.context, actor, childId, goalId), 'change'],
  [
    'goals/writeGoal',
    (actor, { childId, goalId }) => writeGoal(bed.context, actor, { childId, goalId, seenVersion: 1, why: '', goal: EXAMPLE_GOAL }),
    'change',
  ],
  [
    'goals/writeGoal',
    (actor, { childId, goalId }) => closeGoal(bed.context, actor, { childId, goalId, why: 'met', isOpen: false }),
    'change',
  ],
  ['students/moveChild', (actor, { childId }) => leaveCaseload(bed.context, actor, { childId, why: 'moved' }), 'lead'],
  ['students/moveChild', (actor, { childId }) => comeBack(bed.context, actor, childId), 'lead'],
  [
    'students/moveChild',
    (actor, { childId }) => handOver(bed.context, actor, { childIds: [childId], to: stranger.personId, note: '', staysSharing: false }),
    'lead',
  ],
  [
    'students/moveChild',
    (actor, { childId }) => shareChild(bed.context, actor, { childId, personId: stranger.personId, access: 'shared' }),
    'lead',
  ],
  [
    'programs/rest',
    (actor, { childId }) => restProgram(bed.context, actor, { childId, expectedVersion: 1, action: 'end', until: '', why: 'met' }),
    'change',
  ],
  ['exchange/importFhir', (actor, { childId }) => fhirDoor(bed.context, actor, childId), 'change'],
  ['exchange/importFhir', (actor, { childId }) => previewFhir(bed.context, actor, childId, '{}'), 'change'],
  [
    'exchange/importFhir',
    (actor, { childId }) =>
      importFhir(bed.context, actor, { childId, text: '{"resourceType":"Goal"}', isThisChild: true, goals: [], tasks: [] }),
    'change',
  ],
  ['exchange/exportChild', (actor, { childId }) => exportChild(bed.context, actor, childId), 'lead'],
  ['students/deleteChild', (actor, { childId }) => deleteChild(bed.context, actor, childId, 'Odalys V.'), 'lead'],
];

const CLIP = {
  slug: 'crane-lift',
  step: 1,
  idempotencyKey: randomUUID(),
  facts: {
    hand: 'right',
    mayMirror: true,
    consent: 'nobody',
    consentWords: '',
    keptDays: 90,
    captions: [],
    fromSeconds: 0,
    toSeconds: null,
    isMuted: false,
  },
};
const SHEET = { slug: 'crane-lift', step: 1, spec: { kind: 'blank' } };
const COMPOSED = async () => ({ language: 'en' as const, words: { name: 'Name', title: 'A sheet', how: 'Do it.', check: '50 mm' } });

const THING_DOORS = {
  linkId: 'messages/links',
  messageId: 'messages/tryAgain',
  goalId: 'goals/writeGoal',
  reportId: 'reports/correctByStaff',
} as const;

/** All that a child can have that is named by a number, given up, open or undecided, so that only its owner decides. */
async function thingsOf(childId: number, lead: PersonActor): Promise<Options> {
  await bed.report(childId, { question: 'yes', words: 'May she use the other hand?' });
  const [report] = await bed.read<{ id: number }>('SELECT id FROM reports WHERE child_id = :childId', { childId });
  const { open } = await viewReview(bed.context, lead, null);
  const { key } = open.find((each) => each.childId === childId)!;
  const { decisionId } = await decide(bed.context, lead, { childId, key, answer: 'later', laterDays: 7, expectedVersion: 1 });
  const [link] = await bed.read<{ id: number }>('SELECT id FROM family_links WHERE child_id = :childId', { childId });
  const [message] = await bed.read<{ id: number }>('SELECT id FROM messages WHERE child_id = :childId', { childId });
  await bed.write("UPDATE messages SET status = 'givenUp' WHERE id = :id", message);
  const { goalId } = await writeGoal(bed.context, lead, { childId, goalId: null, seenVersion: 0, why: '', goal: EXAMPLE_GOAL });
  const hash = String(childId).padStart(64, '0');
  await bed.write('INSERT INTO media (hash, bytes, touched_at) VALUES (:hash, 1, NOW(3))', { hash });
  await bed.write(
    `INSERT INTO clips (origin, kind, child_id, task_id, step, made_by, made_at, expires_on, consent, captions, seconds, form, idempotency_key)
     SELECT 'shown', 'clip', :childId, id, 1, :by, NOW(3), '2099-01-01', 'nobody', '[]', 5, 'made', UUID() FROM tasks WHERE slug = 'crane-lift'`,
    { childId, by: lead.personId },
  );
  const [clip] = await bed.read<{ id: number }>('SELECT id FROM clips WHERE child_id = :childId', { childId });
  await bed.write("INSERT INTO clip_files (clip_id, part, hash, bytes, type) VALUES (:id, 'small', :hash, 1, 'video/mp4')", {
    ...clip,
    hash,
  });
  return { childId, clipId: clip!.id, linkId: link!.id, decisionId, messageId: message!.id, goalId, reportId: report!.id };
}

const stateOf = async (childId: number) => [
  await bed.read('SELECT revoked_at FROM family_links WHERE child_id = :childId', { childId }),
  await bed.read('SELECT undone_at FROM decisions WHERE child_id = :childId', { childId }),
  await bed.read('SELECT status FROM messages WHERE child_id = :childId', { childId }),
  await bed.read('SELECT settled_at FROM incoming_texts WHERE child_id = :childId', { childId }),
  await bed.read('SELECT words, corrected_at FROM reports WHERE child_id = :childId', { childId }),
  await bed.read('SELECT current_version FROM programs WHERE child_id = :childId', { childId }),
  await bed.read('SELECT child_id FROM program_drafts WHERE child_id = :childId', { childId }),
  await bed.read('SELECT * FROM goals WHERE child_id = :childId', { childId }),
  await bed.read('SELECT * FROM child_access WHERE child_id = :childId', { childId }),
  await bed.read('SELECT * FROM children WHERE id = :childId', { childId }),
  await bed.read('SELECT * FROM clips WHERE child_id = :childId', { childId }),
];

it('the list of these doors names every file that asks for a child', () => {
  const asking = readdirSync('src/server', { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && file !== 'access.ts')
    .filter((file) => readFileSync(`src/server/${file}`, 'utf8').includes('requireChild('))
    .map((file) => file.replace('.ts', ''));
  expect([...new Set(doors.map(([file]) => file))].sort()).toEqual(asking.sort());
});

describe('nobody reaches a child that is neither theirs nor shared with them', () => {
  it.each(doors)('%s', async (_file, open) => {
    const before = await stateOf(childId);
    expect(await refusal(open(other, things))).toBe('notFound');
    expect(await stateOf(childId)).toEqual(before);
  });

  it('nor finds one in lists', async () => {
    expect((await viewCaseload(bed.context, stranger, EVERYONE)).childCount).toBe(0);
    expect((await viewReview(bed.context, stranger, null)).open).toEqual([]);
    expect((await viewMessages(bed.context, stranger, { phoneOf: null, search: '' })).messages).toEqual([]);
  });
});

describe('nobody reaches what is another child’s by naming it beside a child of their own', () => {
  it.each(['linkId', 'messageId', 'goalId', 'reportId'] as const)('%s', async (thing) => {
    const before = await stateOf(childId);
    const options = { ...othersThings, [thing]: things[thing] };
    const [, open] = doors.findLast(([file]) => file === THING_DOORS[thing])!;
    expect(await refusal(open(other, options))).toBe('notFound');
    expect(await stateOf(childId)).toEqual(before);
  });

  it('a decision is only settled or taken back by whom its child is theirs', async () => {
    const key = (await bed.read<{ decision_key: string }>('SELECT decision_key FROM decisions WHERE child_id = :childId', { childId }))[0]!
      .decision_key;
    const raw = { childId: othersThings.childId, key, answer: 'read', expectedVersion: 1 };
    expect(await refusal(decide(bed.context, other, raw))).toBe('staleDecision');
    expect(await refusal(undoDecision(bed.context, other, things.decisionId))).toBe('notFound');
  });

  it('a family reports, and corrects, only what its own program asks', async () => {
    const before = await stateOf(childId);
    const foreign = await bed.versionTaskId(childId);
    expect(await refusal(bed.report(othersThings.childId, { versionTaskId: foreign }))).toBe('notFound');
    const [report] = await bed.read<{ idempotency_key: string }>('SELECT idempotency_key FROM reports WHERE child_id = :childId', {
      childId,
    });
    // Another family's key tells nothing of that family's report, and changes nothing of it.
    await refusal(bed.report(othersThings.childId, { idempotencyKey: report!.idempotency_key, words: 'not yours' }));
    expect(await stateOf(childId)).toEqual(before);
  });
});

describe('an assistant reads and logs, and changes no program', () => {
  it.each(doors.filter(([, , need]) => need !== 'settle'))('%s', async (_file, open, need) => {
    expect(await refusal(open(assistant, things))).toBe(need === 'read' ? 'not refused' : 'notAllowed');
  });

  it('nor sets what families are told to call', async () => {
    expect(await refusal(setEmergencyNumber(bed.context, assistant, '112'))).toBe('notAllowed');
    // What concerns the whole workplace is a supervisor's.
    expect(await refusal(setEmergencyNumber(bed.context, ines, '112'))).toBe('notAllowed');
    const supervisor = { ...ines, role: 'supervisor' as const };
    expect(await refusal(setEmergencyNumber(bed.context, supervisor, 'call mum'))).toBe('invalid');
    await setEmergencyNumber(bed.context, supervisor, '112');
    expect(await viewSettings(bed.context, ines)).toMatchObject({ emergencyNumber: '112' });
  });
});

describe('sharing', () => {
  it('opens the child to the other therapist, but not its deletion', async () => {
    await bed.share(childId, other, 'shared');
    expect((await viewChild(bed.context, other, childId)).child.calledName).toBe('Odalys');
    await saveDraft(bed.context, other, childId, bed.draft());
    expect(await refusal(deleteChild(bed.context, other, childId, 'Odalys V.'))).toBe('notAllowed');
  });
});

describe('signing in', () => {
  const password = 'a sound long password';
  const email = 'sign-in@tarrowhill.example';
  beforeAll(async () => {
    const passwordHash = await hashPassword(password);
    await inTransaction(bed.db, (work) => addPerson(work, { name: 'S', email, role: 'therapist', passwordHash }, bed.context.now()));
  });

  it('keeps an argon2id hash of the password and a hash of the token, never either', async () => {
    const { token } = await signIn(bed.context, { email: ` ${email.toUpperCase()} `, password, device: 'test' });
    const [person] = await bed.read<{ password_hash: string }>('SELECT password_hash FROM people WHERE email = :email', { email });
    expect(person!.password_hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    const stored = JSON.stringify(await bed.read('SELECT * FROM sign_ins'));
    expect(stored).not.toContain(token);
    expect(await actorOfToken(bed.context, token)).toMatchObject({ name: 'S', role: 'therapist' });
  });

  it('ends when revoked, when it runs out, and for a made-up token', async () => {
    const { token } = await signIn(bed.context, { email, password });
    const actor = await actorOfToken(bed.context, token);
    expect(await refusal(revokeSignIn(bed.context, other, actor.signInId))).toBe('notFound');
    await revokeSignIn(bed.context, actor, actor.signInId);
    expect(await refusal(actorOfToken(bed.context, token))).toBe('signInNeeded');
    const second = await signIn(bed.context, { email, password });
    bed.passDays(15);
    expect(await refusal(actorOfToken(bed.context, second.token))).toBe('signInNeeded');
    bed.passDays(-15);
    for (const made of [undefined, '', 'x'.repeat(32), "' OR 1=1 --"])
      expect(await refusal(actorOfToken(bed.context, made))).toBe('signInNeeded');
  });

  it('counts wrong sign-ins against an address, and never right ones', async () => {
    const address = '203.0.113.7';
    for (let count = 0; count < 3; count += 1) await signIn(bed.context, { email, password, address });
    const tries = () =>
      bed.read("SELECT try_key AS `key`, tries FROM sign_in_tries WHERE try_key LIKE 'place:%' OR try_key = 'all' ORDER BY 1");
    expect(await tries()).toEqual([
      { key: 'all', tries: 0 },
      { key: `place:${address}`, tries: 0 },
    ]);
    expect(await refusal(signIn(bed.context, { email, password: 'wrong', address }))).toBe('signInFailed');
    await signIn(bed.context, { email, password, address });
    expect((await tries()).map((row) => (row as { tries: number }).tries)).toEqual([1, 1]);
  });

  it('answers the same for a wrong password and an unknown address, and slows down after eight tries', async () => {
    expect(await refusal(signIn(bed.context, { email: 'nobody@tarrowhill.example', password }))).toBe('signInFailed');
    const answers: string[] = [];
    for (let count = 0; count < 9; count += 1) answers.push(await refusal(signIn(bed.context, { email, password: 'wrong' })));
    expect(answers).toEqual([...Array<string>(8).fill('signInFailed'), 'tooManyTries']);
    expect(await refusal(signIn(bed.context, { email, password }))).toBe('tooManyTries');
    expect(await refusal(signIn(bed.context, { email, password: '' }))).toBe('signInFailed');
  });
});
