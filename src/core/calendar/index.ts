export { addDays, calendarDay, daysBetween, daysFromTo, mondayOf, parseCalendarDay, weekdayOf } from './calendarDay';
export type { CalendarDay, Weekday } from './calendarDay';
export { calendarDayInZone, instant, instantAfterDays, isTimeZone } from './instant';
export type { Instant } from './instant';
export { ageOn } from './age';
export type { Age } from './age';
export { isSchoolDay, nextSchoolDay, schoolDaysFromTo } from './schoolCalendar';
export type { SchoolBreak, SchoolCalendar } from './schoolCalendar';
