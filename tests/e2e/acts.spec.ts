import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { EXAMPLE_GOAL, exampleChild } from '../fixtures/tarrowHill';
import { loadLibrary } from '../../library/loadLibrary';
import { recordFrom, valuesFrom } from '@/ui/desk/students/record/recordValues';
import { actsInCode, knocking, type Act, type Knocking } from './doorsInCode';
import { ask, dayBefore, expect, test } from './app';

/** Every act of the program, asked over HTTP by who is signed in and has no part in it: a colleague’s child, and what a role does not include. */

/** What an act is asked with: the fields of a form after the state before, the form alone, or its arguments. */
type Asked = (childId: number) => { form: Record<string, string> } | { formAlone: Record<string, string> } | { args: readonly unknown[] };

const faults = (JSON.parse(readFileSync('messages/desk.en.json', 'utf8')) as { faults: Record<string, string> }).faults;
const record = recordFrom(valuesFrom(exampleChild()));
const draft = { startsOn: '2026-11-02', endsOn: '2027-02-01', note: '', tasks: [] };
const stockTask = loadLibrary().find(({ slug }) => slug === 'crane-lift');
const measurementNothing = {
  goalId: null,
  taskId: null,
  step: null,
  measuredOn: '2026-11-02',
  good: null,
  trials: null,
  help: null,
  minutes: null,
  watched: {},
};
const POLICY_PACK = JSON.stringify({
  format: 'yard-steps-policy-pack',
  version: 1,
  name: 'x',
  policy: { families: { postMinutes: 9, languages: ['en'] } },
});
const BAG_WEEK = '2026-11-02';
const form =
  (fields: Record<string, string> = {}): Asked =>
  (childId) => ({ form: { childId: String(childId), expectedVersion: '1', ...fields } });

/** Acts on a child: refused to a stranger as if there were no such child, and to an assistant who shares it by the part they have. */
const ON_A_CHILD: Record<string, Asked> = {
  changeHomeAction: (childId) => ({ args: [{ childId, taskSettings: {}, materialsAtHome: ['paper'] }] }),
  revokeLinkAction: form({ linkId: '1' }),
  sendLinkAction: form(),
  newLinkAction: form(),
  deleteChildAction: form({ name: 'Odalys V.' }),
  shareAction: form({ personId: '1', access: 'shared' }),
  comeBackAction: form(),
  'students/leaveAction': form({ why: 'moved' }),
  restAction: form({ action: 'end', why: 'met' }),
  enterPaperLogAction: (childId) => ({
    args: [{ childId, entryId: randomUUID(), way: 'paper', boxes: [{ taskId: 1, doneOn: dayBefore(0), text: '8' }] }],
  }),
  settleHomeAction: form({ answerId: '1', takes: 'yes' }),
  askHomeAction: form(),
  changeRecordAction: (childId) => ({ args: [childId, 0, { record, school: 'Tarrow Hill' }] }),
  writeGoalAction: (childId) => ({ args: [{ childId, goalId: null, seenVersion: 0, why: '', goal: EXAMPLE_GOAL }] }),
  closeGoalAction: form({ goalId: '1', why: 'met' }),
  correctReportAction: form({ reportId: '1', seenCorrectedAt: '0', why: 'a slip', left: '1', right: '1' }),
  writeWordsAction: form({ goalId: '1', words: 'x' }),
  closePeriodAction: form({ goalId: '1', early: 'yes' }),
  reopenPeriodAction: form({ goalId: '1', id: '1' }),
  acceptPlanAction: form(),
  deletePlanAction: form(),
  packKitAction: form({ week: BAG_WEEK, version: '1' }),
  unpackKitAction: form({ week: BAG_WEEK, version: '1' }),
  handOverKitAction: form({ week: BAG_WEEK, version: '1' }),
  kitCameBackAction: form({ week: BAG_WEEK }),
  sendProgramAction: (childId) => ({ args: [{ childId, expectedVersion: 1, draft, cautionsRead: true }] }),
  saveDraftAction: (childId) => ({ args: [childId, draft] }),
  tryAgainAction: form({ messageId: '1' }),
  measureAtVisitAction: (childId) => ({
    args: [{ childId, entryKey: randomUUID(), measurement: { ...measurementNothing, note: 'seen' } }],
  }),
  measureAction: form({ entryKey: randomUUID(), measuredOn: '2026-11-02', note: 'seen' }),
  withdrawMeasurementAction: form({ id: '1' }),
  setRemindersAction: form({ day: '1', at: '18:00' }),
  makeTeacherLinkAction: form(),
  revokeTeacherLinksAction: form(),
  sendOwnAction: form({ words: 'Hello' }),
  writeAsFamilyAction: form({ text: 'A8' }),
  transferAction: form({ to: '1' }),
  putClipAction: form({ slug: 'crane-lift', clipId: '1', isIn: 'yes' }),
  askBackAction: form({ slug: 'crane-lift', asks: 'yes' }),
  previewFhirAction: (childId) => ({ args: [childId, '{"resourceType":"Goal"}'] }),
  importFhirAction: (childId) => ({ args: [{ childId, text: '{"resourceType":"Goal"}', isThisChild: true, goals: [], tasks: [] }] }),
  putSheetForChildAction: (childId) => ({ args: [{ childId, slug: 'crane-lift', step: 1, spec: { kind: 'blank' } }] }),
  decideAction: (childId) => ({ formAlone: { childId: String(childId), key: 'ready:1:1', answer: 'up', expectedVersion: '1' } }),
};

/** Of these an assistant who shares the child does them, too. */
const ASSISTANTS_TOO = ['enterPaperLogAction', 'packKitAction', 'unpackKitAction', 'handOverKitAction', 'kitCameBackAction'];

const person = (fields: Record<string, string>): Asked => form({ personId: '1', ...fields });
/** Acts that concern everybody, or the shared library: refused to an assistant. */
const NOT_FOR_ASSISTANTS: Record<string, Asked> = {
  acceptAllPlansAction: form(),
  saveTemplateAction: form({ name: 'Autumn', content: '{"tasks":[{"taskId":1,"weekdays":[1]}]}' }),
  deleteTemplateAction: form({ id: '1' }),
  giveTemplateAction: form({ id: '1', childIds: '1' }),
  savePatternAction: form({ name: 'Autumn', words: 'x' }),
  deletePatternAction: form({ id: '1' }),
  previewRosterAction: () => ({ args: [{ text: 'Name\nZora', matching: {} }] }),
  importRosterAction: () => ({ args: [{ text: 'Name\nZora', matching: {} }] }),
  newChildAction: () => ({ args: [{ record, school: 'Tarrow Hill' }] }),
  emergencyNumberAction: form({ emergencyNumber: '900' }),
  injuryEmailAction: form({ injuryEmail: 'on' }),
  postMinutesAction: form({ postMinutes: '9' }),
  languagesAction: form({ languages: 'en' }),
  setNetworkAction: form({ fails: '0', delaySeconds: '0' }),
  keepingAction: form({ auditDays: '40', messageDays: '40', clipDays: '30', leftChildYears: '1' }),
  signInRulesAction: form({ idleMinutes: '60', signInDays: '2' }),
  makeKeyAction: form({ name: 'A report', days: '30' }),
  revokeApiKeyAction: form({ keyId: '1' }),
  previewPolicyAction: form({ pack: '{}' }),
  importPolicyAction: form({ pack: POLICY_PACK }),
  disableSecondFactorOfAction: person({}),
  inviteAction: form({ email: 'new@tarrowhill.example', name: 'New One', role: 'supervisor' }),
  closeAccountAction: person({}),
  revokeInvitationAction: form({ invitationId: '1' }),
  setYearAction: () => ({
    args: [{ startsOn: '2026-08-24', endsOn: '2027-06-11', timeZone: 'America/Chicago', breaks: [], schools: [], periods: [] }],
  }),
  saveTaskDraftAction: () => ({ args: [stockTask] }),
  addSheetToDraftAction: () => ({ args: [{ slug: 'crane-lift', step: 1, spec: { kind: 'blank' } }] }),
  setShelfAction: () => ({ args: ['crane-lift', 'nobody'] }),
  deleteDraftAction: () => ({ args: ['crane-lift'] }),
  importPackAction: () => ({ args: ['{}'] }),
  shelveTaskAction: () => ({ args: [stockTask] }),
  startTaskAction: () => ({ args: ['A task'] }),
  copyTaskAction: () => ({ args: ['crane-lift', 'A task'] }),
};
/** Of these a therapist who is no supervisor has no part either. */
const FOR_SUPERVISORS = [
  'signInRulesAction',
  'emergencyNumberAction',
  'injuryEmailAction',
  'keepingAction',
  'inviteAction',
  'disableSecondFactorOfAction',
  'makeKeyAction',
  'revokeApiKeyAction',
];

/** Acts on one’s own account, or read alone; what they do to others is in the tests of trust and of the library. */
const ONES_OWN = [
  // The cupboard is everybody's who packs.
  'countStockAction',
  'confirmAction',
  'two-step/leaveAction',
  'giveCodeAction',
  'takeOnAction',
  'signOutAction',
  'revokeSignInAction',
  'changePasswordAction',
  'disableSecondFactorAction',
  'previewCalendarAction',
  // Reads a file and keeps nothing.
  'readOutlineAction',
  // Of a clip that is no child's its maker alone has a part, of a child's who works with the child: tests/integration/videos.test.ts.
  'removeClipAction',
  'changeClipAction',
  // Of a child that is not one's own no row stands: tests/integration/reportsList.test.ts.
  'previewReportsAction',
  'importReportsAction',
  'readDaysAction',
  'saveViewAction',
  'deleteViewAction',
  'advancingRuleAction',
  // Each of its lines is an act of its own, refused by itself: tests/integration/advancing.test.ts.
  'togetherAction',
  'versionAction',
  'undoAction',
];
const PUBLIC = ['signInAction', 'acceptAction', 'askAction', 'chooseAction'];

/** Two acts of one name are told apart by their page. */
const nameOf = ({ name, page }: Act) => (name === 'leaveAction' ? `${page.split('/')[1]}/${name}` : name);

let doors: Knocking;
test.beforeAll(async ({ browser }) => {
  doors = await knocking(browser);
});

async function asksAct(subject: Parameters<Knocking['asks']>[0], act: Act, asked: ReturnType<Asked>): Promise<string> {
  const body = new FormData();
  if ('args' in asked) body.set('0', JSON.stringify(asked.args));
  else {
    const [before, fields] = 'form' in asked ? ['null,', asked.form] : ['', asked.formAlone];
    // What the fields belong to comes last: it is read as it comes.
    for (const [name, value] of Object.entries(fields)) body.set(`_1_${name}`, value);
    body.set('0', `[${before}"$K1"]`);
  }
  const answer = await doors.asks(subject, doors.fill(act.page), { method: 'POST', headers: { 'next-action': act.id }, body });
  const said = (await answer.text()).split('\n').find((line) => line.startsWith('1:')) ?? '';
  const fault = Object.entries(faults).find(([, words]) => said.includes(words))?.[0];
  return fault ?? `${answer.headers.get('x-action-redirect') ?? ''} ${said.slice(0, 120)}`;
}

const KEPT = ['children', 'child_access', 'programs', 'program_versions', 'program_drafts', 'decisions', 'goals', 'family_links'];
const WHOLE = [
  'people',
  'invitations',
  'tasks',
  'task_versions',
  'task_drafts',
  'workplace',
  'schools',
  'messages',
  'child_changes',
  'reports',
  'report_corrections',
];
const stateNow = async () => JSON.stringify(await ask(`CHECKSUM TABLE ${[...KEPT, ...WHOLE].join(', ')}`));

test('the tables name every act of the program', () => {
  const told = [...Object.keys(ON_A_CHILD), ...Object.keys(NOT_FOR_ASSISTANTS), ...ONES_OWN, ...PUBLIC];
  expect(actsInCode().map(nameOf).sort()).toEqual(told.sort());
});

test('acts on a child are refused to who has no part in it, and to an assistant who shares it', async () => {
  const [foreign] = await ask<{ id: number }>(
    "SELECT a.child_id AS id FROM child_access a WHERE a.access = 'lead' AND a.child_id NOT IN (SELECT child_id FROM child_access WHERE access <> 'lead') LIMIT 1",
  );
  const before = await stateNow();
  const wrong: string[] = [];
  for (const act of actsInCode()) {
    const asked = ON_A_CHILD[nameOf(act)];
    if (!asked) continue;
    for (const [subject, childId, expected] of [
      ['stranger', foreign!.id, 'notFound'],
      ['assistant', foreign!.id, 'notFound'],
      ['assistant', doors.childId, 'notAllowed'],
    ] as const) {
      if (expected === 'notAllowed' && ASSISTANTS_TOO.includes(act.name)) continue;
      const said = await asksAct(subject, act, asked(childId));
      // Handing over is a supervisor’s for every child: here to who leads it already.
      if (subject === 'stranger' && act.name === 'transferAction') expect(said).toContain('already leads the student');
      else if (said !== expected) wrong.push(`${nameOf(act)} by ${subject} of ${childId}: ${said}, not ${expected}`);
    }
  }
  expect(wrong).toEqual([]);
  expect(await stateNow()).toBe(before);
});

test('acts that concern everybody are refused to an assistant, and a supervisor’s to a therapist', async () => {
  const before = await stateNow();
  const wrong: string[] = [];
  for (const act of actsInCode()) {
    const asked = NOT_FOR_ASSISTANTS[nameOf(act)];
    if (!asked) continue;
    for (const subject of FOR_SUPERVISORS.includes(act.name) ? (['assistant', 'therapist'] as const) : (['assistant'] as const)) {
      const said = await asksAct(subject, act, asked(doors.childId));
      if (said !== 'notAllowed') wrong.push(`${nameOf(act)} by ${subject}: ${said}`);
    }
  }
  expect(wrong).toEqual([]);
  expect(await stateNow()).toBe(before);
});
