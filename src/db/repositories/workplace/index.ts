export { countMigrations, schoolCalendarOn, workplaceOf } from './read';
export type { Workplace } from './read';
export { addSchool, addSchoolYear, changeAuditDays, changeEmergencyNumber, changePostMinutes, setUpWorkplace } from './write';
