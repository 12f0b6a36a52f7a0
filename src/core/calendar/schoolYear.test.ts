import { schoolYearSchema } from '.';

const year = {
  firstDay: '2026-08-17',
  lastDay: '2027-06-11',
  breaks: [
    { name: 'Winter break', from: '2026-12-21', to: '2027-01-03' },
    { name: 'Autumn break', from: '2026-10-12', to: '2026-10-16' },
  ],
  periods: [{ name: 'Autumn report', from: '2026-08-17', to: '2026-11-13' }],
};
const issues = (change: object) => {
  const read = schoolYearSchema.safeParse({ ...year, ...change });
  return read.success ? [] : read.error.issues.map(({ path, message }) => `${path.join('.')} ${message}`);
};

it('a school year puts its breaks in order', () => {
  expect(schoolYearSchema.parse(year).breaks.map(({ name }) => name)).toEqual(['Autumn break', 'Winter break']);
});

it.each([
  [{ lastDay: '2026-08-17' }, 'lastDay endsBeforeItBegins'],
  [{ lastDay: '2028-06-11' }, 'lastDay yearTooLong'],
  [{ firstDay: '17.8.2026' }, 'firstDay notACalendarDay'],
  [{ breaks: [{ name: 'x', from: '2026-10-16', to: '2026-10-12' }] }, 'breaks.0.to endsBeforeItBegins'],
  [{ breaks: [{ name: 'x', from: '2025-10-12', to: '2025-10-12' }] }, 'breaks.0.from outsideOfYear'],
  [{ breaks: [...year.breaks, { name: 'x', from: '2026-10-16', to: '2026-10-20' }] }, 'breaks.2.from overlaps'],
  [{ breaks: [{ name: ' ', from: '2026-10-12', to: '2026-10-12' }] }, 'breaks.0.name nameShort'],
])('%j is refused by its place: %s', (change, told) => {
  expect(issues(change)).toContain(told);
});
