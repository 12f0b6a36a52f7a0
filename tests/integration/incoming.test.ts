import { randomUUID } from 'node:crypto';
import { calendarDayInZone } from '@/core/calendar';
import type { SessionFacts } from '@/core/reports';
import { inTransaction } from '@/db';
import type { PersonActor } from '@/server/actor';
import { keepIncoming, settleIncoming } from '@/server/reports/keepIncoming';
import { takeIn, type Origin } from '@/server/reports/takeIn';
import { newTestBed, refusal, ZONE, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let childId: number;
let versionTaskId: number;
let taskId: number;
beforeAll(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  childId = await bed.child(ines);
  await bed.send(ines, childId);
  versionTaskId = await bed.versionTaskId(childId);
  taskId = bed.tasks.find(({ content }) => content.slug === 'crane-lift')!.taskId;
});
afterAll(() => bed.close());

const facts = (): SessionFacts => ({
  done: true,
  step: 3,
  doneOn: calendarDayInZone(bed.context.now(), ZONE),
  left: 4,
  right: null,
  amount: null,
  minutes: null,
  help: 'words',
  effort: null,
  stopReason: null,
  safetyWord: false,
  press: null,
  isQuestion: false,
  words: '',
  saidBy: '',
});
const take = (origin: Origin, idempotencyKey: string = randomUUID()) =>
  inTransaction(bed.db, (work) => takeIn(work, bed.context, [{ idempotencyKey, childId, versionTaskId, taskId, facts: facts(), origin }]));
const text = { serviceKey: 'sms-1', from: '+1 505 555 0100', text: 'did like 4?? 🙂', issues: [{ code: 'notAChoice', given: 'like' }] };

describe('a text that was not understood', () => {
  it('is kept as it came, with what was not understood; the same one twice is one', async () => {
    const id = await keepIncoming(bed.context, { ...text, childId });
    expect(await keepIncoming(bed.context, { ...text, childId, text: 'another' })).toBe(id);
    expect(await bed.read('SELECT text, JSON_VALUE(issues, "$[0].given") AS given, settled_by FROM incoming_texts')).toEqual([
      { text: 'did like 4?? 🙂', given: 'like', settled_by: null },
    ]);
  });

  it('of a sender that nobody knows is kept too, and is nobody’s to settle by way of a child', async () => {
    const id = await keepIncoming(bed.context, { ...text, serviceKey: 'sms-2', childId: null });
    expect(await refusal(settleIncoming(bed.context, ines, childId, id))).toBe('notFound');
  });

  it('is settled once, by a person, and the report made of it names it', async () => {
    const id = await keepIncoming(bed.context, { ...text, childId });
    await take({ way: 'text', incomingId: id });
    await settleIncoming(bed.context, ines, childId, id);
    expect(await refusal(settleIncoming(bed.context, ines, childId, id))).toBe('notFound');
    expect(await bed.read('SELECT way, incoming_id, entered_by, left_count, right_count FROM reports')).toEqual([
      { way: 'text', incoming_id: id, entered_by: null, left_count: 4, right_count: null },
    ]);
  });
});

describe('the one intake', () => {
  it.each(['paper', 'call', 'teacher', 'measured'] as const)('says who wrote down what came by %s', async (way) => {
    const key = randomUUID();
    await take({ way, enteredBy: ines.personId }, key);
    await take({ way, enteredBy: ines.personId }, key);
    expect(await bed.read('SELECT way, entered_by FROM reports WHERE idempotency_key = :key', { key })).toEqual([
      { way, entered_by: ines.personId },
    ]);
  });
});
