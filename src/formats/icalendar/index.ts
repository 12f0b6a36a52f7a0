export { readSchoolCalendar } from './readSchoolCalendar';
export type { CalendarFileFault, CalendarSpan } from './readSchoolCalendar';
