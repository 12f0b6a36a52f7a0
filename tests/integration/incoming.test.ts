import { randomUUID } from 'node:crypto';
import { calendarDayInZone } from '@/core/calendar';
import type { SessionFacts } from '@/core/reports';
import { inTransaction } from '@/db';
import type { PersonActor } from '@/server/actor';
import { takeIn, type Origin } from '@/server/reports/takeIn';
import { newTestBed, ZONE, type TestBed } from './testBed';

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
