import { EMPTY_RECORD, type Child, type ChildRecord } from '@/core/students';
import { languageCode } from '@/core/text';
import { languageName } from '../../../shared/languageName';

/** A child's record as a form holds it: lists as lines of text, numbers and days as they are typed. */
export interface RecordValues extends Omit<
  ChildRecord,
  'bornOn' | 'minutesPerDay' | 'allergies' | 'leaningHand' | 'practiceWeekdays' | 'homeLanguages' | 'contacts'
> {
  readonly bornOn: string;
  readonly minutesPerDay: string;
  /** Allergies, a line each. */
  readonly allergies: string;
  readonly leaningHand: '' | 'left' | 'right';
  /** Boxes that are ticked tell their values as text. */
  readonly practiceWeekdays: string[];
  readonly homeLanguages: string;
  readonly contacts: ContactValues[];
  readonly school: string;
}
type Contact = ChildRecord['contacts'][number];
export interface ContactValues extends Omit<Contact, 'quiet'> {
  readonly quietFrom: string;
  readonly quietTo: string;
}

export const NEW_CONTACT: ContactValues = {
  name: '',
  relation: '',
  language: 'en',
  way: 'text',
  reach: '',
  quietFrom: '',
  quietTo: '',
  mayBeSent: 'practice',
};

export function valuesFrom(child: Child | null): RecordValues {
  const record = child ?? { ...EMPTY_RECORD, calledName: '', initial: '', bornOn: '', hand: 'unsettled' as const, school: '' };
  return {
    calledName: record.calledName,
    initial: record.initial,
    bornOn: record.bornOn,
    school: record.school,
    hand: record.hand,
    leaningHand: record.leaningHand ?? '',
    mouthsThings: record.mouthsThings,
    scissorsAllowed: record.scissorsAllowed,
    hasPrinter: record.hasPrinter,
    minutesPerDay: String(record.minutesPerDay),
    practiceWeekdays: record.practiceWeekdays.map(String),
    familyLanguage: record.familyLanguage,
    homeLanguages: record.homeLanguages.map(languageName).join(', '),
    allergies: record.allergies.join('\n'),
    texturesAvoided: [...record.texturesAvoided],
    precautions: record.precautions.map(({ words, asks }) => ({ words, asks: [...asks] })),
    materialsAtHome: [...record.materialsAtHome],
    helpers: record.helpers,
    likes: record.likes,
    dislikes: record.dislikes,
    endsWell: record.endsWell,
    themesNotWanted: [...record.themesNotWanted],
    reportWay: record.reportWay,
    contacts: record.contacts.map(({ quiet, ...contact }) => ({ ...contact, quietFrom: quiet?.from ?? '', quietTo: quiet?.to ?? '' })),
    teacher: record.teacher,
  };
}

const lines = (text: string, by: RegExp) =>
  text
    .split(by)
    .map((line) => line.trim())
    .filter(Boolean);

/** The record that a form tells, for the schema to read. */
export function recordFrom({ school: _school, ...values }: RecordValues): Record<string, unknown> {
  return {
    ...values,
    leaningHand: values.hand === 'unsettled' && values.leaningHand !== '' ? values.leaningHand : null,
    minutesPerDay: values.minutesPerDay.trim() === '' ? NaN : Number(values.minutesPerDay),
    practiceWeekdays: values.practiceWeekdays.map(Number),
    homeLanguages: lines(values.homeLanguages, /[,;\n]/).map((said) => languageCode(said) ?? said),
    allergies: lines(values.allergies, /\n/),
    contacts: values.contacts.map(({ quietFrom, quietTo, ...contact }) => ({
      ...contact,
      quiet: quietFrom === '' && quietTo === '' ? null : { from: quietFrom, to: quietTo },
    })),
  };
}
