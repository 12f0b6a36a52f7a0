import type { Child } from '@/core/child';
import { calendarDay } from '@/core/calendar';
import type { ReportWay } from '@/core/sessions';
import type { Hand, TaskSettings } from '@/core/tasks';

export interface ChildRow {
  id: number;
  called_name: string;
  initial: string;
  school: string;
  visit_days: string;
  born_on: string;
  hand: Hand;
  mouths_things: number;
  scissors_allowed: number;
  has_printer: number;
  minutes_per_day: number;
  family_language: string;
  home_languages: string[];
  allergies: string[];
  textures_avoided: string[];
  materials_at_home: string[];
  helpers: string;
  report_way: ReportWay;
  time_zone: string;
  task_settings: TaskSettings;
}

export function toChild(row: ChildRow): Child {
  return {
    id: row.id,
    calledName: row.called_name,
    initial: row.initial,
    school: row.school,
    visitDays: row.visit_days,
    bornOn: calendarDay(row.born_on),
    hand: row.hand,
    mouthsThings: Boolean(row.mouths_things),
    scissorsAllowed: Boolean(row.scissors_allowed),
    hasPrinter: Boolean(row.has_printer),
    minutesPerDay: row.minutes_per_day,
    familyLanguage: row.family_language,
    homeLanguages: row.home_languages,
    allergies: row.allergies,
    texturesAvoided: row.textures_avoided,
    materialsAtHome: row.materials_at_home,
    helpers: row.helpers,
    reportWay: row.report_way,
    timeZone: row.time_zone,
    taskSettings: row.task_settings,
  };
}
