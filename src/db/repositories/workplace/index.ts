export { countMigrations, migrationNames, schoolCalendarOn, schoolsHere, workplaceOf } from './read';
export type { School, Workplace } from './read';
export {
  addSchool,
  addSchoolYear,
  changeAuditDays,
  changeEmergencyNumber,
  changeLanguages,
  changePostMinutes,
  changeVisitDays,
  dropSchoolYear,
  schoolNamed,
  setUpWorkplace,
} from './write';
