import { calendarDay } from '@/core/calendar';
import { childRecordSchema, FAMILY_WAYS, type Child } from '@/core/students';
import { HANDS } from '@/core/tasks';
import { oneOf, oneOfOrNull, readTaskSettings, readTexts, reading } from '../../rows/columns';

const facts = childRecordSchema.shape;
/** JSON columns, read by the schema of the fact that they hold. */
const shape = {
  practiceWeekdays: reading('practice_weekdays', facts.practiceWeekdays),
  precautions: reading('precautions', facts.precautions),
  themesNotWanted: reading('themes_not_wanted', facts.themesNotWanted),
  contacts: reading('contacts', facts.contacts),
  texturesAvoided: reading('textures_avoided', facts.texturesAvoided),
};

/** A child's columns, as `toChild` reads them. */
export const CHILD_COLUMNS = `c.id, c.called_name, c.initial, s.name AS school, s.visit_days, c.born_on, c.hand, c.mouths_things, c.scissors_allowed,
  c.has_printer, c.minutes_per_day, c.family_language, c.home_languages, c.allergies, c.textures_avoided, c.materials_at_home,
  c.helpers, c.report_way, c.time_zone, c.task_settings, c.leaning_hand, c.precautions, c.likes, c.dislikes, c.ends_well, c.themes_not_wanted,
  c.practice_weekdays, c.contacts, c.teacher, c.left_on`;

export interface ChildRow {
  readonly id: number;
  readonly called_name: string;
  readonly initial: string;
  readonly school: string;
  readonly visit_days: string;
  readonly born_on: string;
  readonly hand: unknown;
  readonly mouths_things: number;
  readonly scissors_allowed: number;
  readonly has_printer: number;
  readonly minutes_per_day: number;
  readonly family_language: string;
  readonly home_languages: unknown;
  readonly allergies: unknown;
  readonly textures_avoided: unknown;
  readonly materials_at_home: unknown;
  readonly helpers: string;
  readonly report_way: unknown;
  readonly time_zone: string;
  readonly task_settings: unknown;
  readonly leaning_hand: unknown;
  readonly precautions: unknown;
  readonly likes: string;
  readonly dislikes: string;
  readonly ends_well: string;
  readonly themes_not_wanted: unknown;
  readonly practice_weekdays: unknown;
  readonly contacts: unknown;
  readonly teacher: string;
  readonly left_on: string | null;
}

export function toChild(row: ChildRow): Child {
  return {
    id: row.id,
    calledName: row.called_name,
    initial: row.initial,
    school: row.school,
    visitDays: row.visit_days,
    bornOn: calendarDay(row.born_on),
    hand: oneOf('hand', HANDS, row.hand),
    mouthsThings: Boolean(row.mouths_things),
    scissorsAllowed: Boolean(row.scissors_allowed),
    hasPrinter: Boolean(row.has_printer),
    minutesPerDay: row.minutes_per_day,
    familyLanguage: row.family_language,
    homeLanguages: readTexts(row.home_languages),
    allergies: readTexts(row.allergies),
    texturesAvoided: shape.texturesAvoided(row.textures_avoided),
    materialsAtHome: readTexts(row.materials_at_home),
    leaningHand: oneOfOrNull('leaning_hand', ['left', 'right'], row.leaning_hand),
    practiceWeekdays: shape.practiceWeekdays(row.practice_weekdays),
    precautions: shape.precautions(row.precautions),
    likes: row.likes,
    dislikes: row.dislikes,
    endsWell: row.ends_well,
    themesNotWanted: shape.themesNotWanted(row.themes_not_wanted),
    contacts: shape.contacts(row.contacts),
    teacher: row.teacher,
    leftOn: row.left_on === null ? null : calendarDay(row.left_on),
    helpers: row.helpers,
    reportWay: oneOf('report_way', FAMILY_WAYS, row.report_way),
    timeZone: row.time_zone,
    taskSettings: readTaskSettings(row.task_settings),
  };
}
