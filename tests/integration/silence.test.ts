import { addDays, calendarDayInZone } from '@/core/calendar';
import { viewCaseload } from '@/server/caseload/viewCaseload';
import { viewCaseloads } from '@/server/caseload/viewCaseloads';
import { newTestBed, NOON, ZONE } from './testBed';

const today = calendarDayInZone(NOON, ZONE);
const ago = (days: number) => addDays(today, -days);

// Days before today: sending, start, last day, last report, end of a pause; and whether a report has been missing for a week.
it.each([
  [{ sent: 20, starts: 20, ends: -8, last: 7, resumes: null }, true],
  [{ sent: 20, starts: 20, ends: -8, last: 6, resumes: null }, false],
  [{ sent: 1, starts: 20, ends: -8, last: 9, resumes: null }, true],
  [{ sent: 6, starts: 20, ends: -8, last: null, resumes: null }, false],
  [{ sent: 7, starts: 20, ends: -8, last: null, resumes: null }, true],
  [{ sent: 20, starts: 3, ends: -8, last: 15, resumes: null }, false],
  [{ sent: 20, starts: 20, ends: -8, last: 15, resumes: 6 }, false],
  [{ sent: 20, starts: 20, ends: -8, last: 15, resumes: -1 }, false],
  [{ sent: 20, starts: 20, ends: 1, last: 15, resumes: null }, false],
])('the caseload and the overview of all caseloads count the same students without a report: %j', async (days, isSilent) => {
  const bed = await newTestBed();
  const ines = await bed.person('Ines');
  const boss = await bed.person('Brada', 'supervisor');
  const childId = await bed.child(ines);
  await bed.send(ines, childId);
  if (days.last !== null) {
    await bed.report(childId);
    await bed.write('UPDATE reports SET done_on = :on', { on: ago(days.last) });
  }
  await bed.write('UPDATE program_versions SET sent_on = :sent, starts_on = :starts, ends_on = :ends, resumes_on = :resumes', {
    sent: ago(days.sent),
    starts: ago(days.starts),
    ends: ago(days.ends),
    resumes: days.resumes === null ? null : ago(days.resumes),
  });
  const options = { search: '', filter: 'everyone', sort: 'name', school: null, bySchool: false } as const;
  const own = await viewCaseload(bed.context, ines, options);
  const all = await viewCaseloads(bed.context, boss);
  expect([own.silent, all.therapists.find(({ id }) => id === ines.personId)!.silent]).toEqual([Number(isSilent), Number(isSilent)]);
  await bed.close();
});
