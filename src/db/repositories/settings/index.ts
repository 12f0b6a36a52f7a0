export { countMigrations, isDemo, migrationNames, schoolCalendarOn, schoolsHere, workplaceOf } from './read';
export type { School, Workplace } from './read';
export {
  addSchool,
  addSchoolYear,
  changeEmergencyNumber,
  changeInjuryEmail,
  changeLanguages,
  changeKeepingRules,
  changeHoldMinutes,
  changeSignInRules,
  changeVisitDays,
  deleteSchoolYear,
  markAsDemo,
  schoolNamed,
  setUpWorkplace,
} from './write';
export type { KeepingRules, SignInRules } from './write';
