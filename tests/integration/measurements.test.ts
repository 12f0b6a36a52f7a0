import { randomUUID } from 'node:crypto';
import { addDays, calendarDayInZone } from '@/core/calendar';
import type { PersonActor } from '@/server/actor';
import { viewChild } from '@/server/students/viewChild';
import { exportChild } from '@/server/exchange/exportChild';
import { viewReports } from '@/server/reports/viewReports';
import { measure, takeBack, viewMeasure } from '@/server/measurements/measure';
import { viewReview } from '@/server/review/viewReview';
import { newTestBed, refusal, ZONE, type TestBed } from './testBed';

let bed: TestBed;
let ines: PersonActor;
let childId: number;
beforeEach(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  childId = await bed.child(ines);
  await bed.send(ines, childId, 0, ['crane-lift']);
});
afterEach(() => bed.close());

const today = () => calendarDayInZone(bed.context.now(), ZONE);
const taken = async (change: object = {}, entryKey = randomUUID()) => ({
  childId,
  entryKey,
  measurement: {
    goalId: null,
    taskId: (await viewMeasure(bed.context, ines, childId)).tasks[0]!.taskId,
    step: 3,
    measuredOn: today(),
    good: 4,
    trials: 5,
    help: 'words',
    minutes: 2.5,
    watched: { thumbUp: 'yes' },
    note: 'in the corridor',
    ...change,
  },
});

it('what was measured at school stands with the child, by whom, and is kept once', async () => {
  const given = await taken();
  await measure(bed.context, ines, given);
  await measure(bed.context, ines, given);
  const { measured } = await viewMeasure(bed.context, ines, childId);
  expect(measured).toMatchObject([
    {
      good: 4,
      trials: 5,
      help: 'words',
      minutes: 2.5,
      watched: { thumbUp: 'yes' },
      note: 'in the corridor',
      by: 'Ines Calloway-Brandt',
      step: 3,
    },
  ]);
  expect((await exportChild(bed.context, ines, childId)).measurements).toHaveLength(1);
});

it('it is no report: no figure of the family’s, no evidence for a rule, no line of the Logbook knows it', async () => {
  const before = await viewChild(bed.context, ines, childId);
  for (let day = 0; day < 5; day += 1) await measure(bed.context, ines, await taken({ good: 5, measuredOn: addDays(today(), -day) }));
  const after = await viewChild(bed.context, ines, childId);
  expect(after.practice).toEqual(before.practice);
  expect(after.log).toEqual([]);
  expect((await viewReview(bed.context, ines, null)).open).toEqual([]);
  const options = { search: '', words: '', way: null, only: null, since: null, until: null, beforeId: null };
  expect((await viewReports(bed.context, ines, options)).lines).toEqual([]);
});

it('what can’t be is refused by its field, and one’s own is taken back', async () => {
  for (const change of [{ good: 6 }, { measuredOn: addDays(today(), 1) }, { trials: null }, { minutes: -1 }])
    expect(await refusal(measure(bed.context, ines, await taken(change)))).toBe('invalid');
  expect(await refusal(measure(bed.context, ines, await taken({ taskId: 999 })))).toBe('notFound');
  expect(await refusal(measure(bed.context, ines, await taken({ goalId: 999 })))).toBe('notFound');
  await measure(bed.context, ines, await taken());
  const { id } = (await viewMeasure(bed.context, ines, childId)).measured[0]!;
  const marit = await bed.person('Marit Oyelaran-Voss', 'supervisor');
  await bed.share(childId, marit, 'shared');
  expect(await refusal(takeBack(bed.context, marit, childId, id))).toBe('notFound');
  await takeBack(bed.context, ines, childId, id);
  expect((await viewMeasure(bed.context, ines, childId)).measured).toEqual([]);
  expect(await refusal(takeBack(bed.context, ines, childId, id))).toBe('notFound');
});
