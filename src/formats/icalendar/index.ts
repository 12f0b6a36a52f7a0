export { readSchoolCalendar } from './readSchoolCalendar';
export type { CalendarFileFault, CalendarSpan } from './readSchoolCalendar';
export { writePracticeDays } from './writePracticeDays';
export type { PracticeDay } from './writePracticeDays';
export { writeSchoolYear } from './writeSchoolYear';
