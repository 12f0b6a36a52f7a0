import { z } from 'zod';
import { calendarDaySchema } from '../calendar';
import { precautionSchema } from '../safety';
import { HANDS } from '../tasks';
import { SKINS, TEXTURES } from '../vocabulary';

/** Contents that a message to a contact may have. */
export const CONTACT_MAY_BE_SENT = ['practice', 'reminders', 'nothing'] as const;
/** Ways in which a family reports. */
export const FAMILY_WAYS = ['link', 'text', 'paper', 'call'] as const;
export const CONTACT_WAYS = ['text', 'email', 'call', 'paper'] as const;

const line = (most: number) => z.string().trim().max(most, 'tooMuch');
const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'notATime');
const language = z.string().regex(/^[a-z]{2,3}$/, 'notALanguage');
const slug = z.string().regex(/^[a-z][a-z0-9-]*$/);
const oneEach = <Item>(items: readonly Item[]) => [...new Set(items)];

const contactSchema = z.strictObject({
  name: line(60).min(1, 'empty'),
  /** Relation to the student: mother, grandfather, teacher. */
  relation: line(40),
  language,
  way: z.enum(CONTACT_WAYS),
  /** A number or an address, by the way; empty where it is not known or not needed. */
  reach: line(120),
  /** Nothing goes out between these wall times of the family's zone; both or neither. */
  quiet: z.strictObject({ from: clock, to: clock }).nullable(),
  mayBeSent: z.enum(CONTACT_MAY_BE_SENT),
});
export type Contact = z.infer<typeof contactSchema>;

export const bornOnSchema = calendarDaySchema('notABirthday');

/**
 * The facts of a child that a therapist writes down and may change at any time: the least that decides. Lists hold each thing
 * once. Which facts decide is common practice, no source.
 */
export const childRecordSchema = z.strictObject({
  calledName: line(40).min(1, 'nameShort'),
  initial: line(4).regex(/^\p{L}{1,2}$/u, 'notAnInitial'),
  bornOn: bornOnSchema,
  hand: z.enum(HANDS),
  /** Probable hand where the preference is not established. */
  leaningHand: z.enum(['left', 'right']).nullable(),
  mouthsThings: z.boolean(),
  scissorsAllowed: z.boolean(),
  hasPrinter: z.boolean(),
  minutesPerDay: z.number('notMinutes').int('notMinutes').min(1, 'notMinutes').max(120, 'notMinutes'),
  practiceWeekdays: z
    .array(z.number().int().min(1).max(7))
    .min(1, 'noDays')
    .transform((days) => oneEach(days).sort()),
  familyLanguage: language,
  homeLanguages: z.array(language).max(6).transform(oneEach),
  /** In own words, with what happens: `wheat: rash`. `allergensIn` says which of the known ones they name. */
  allergies: z.array(line(80).min(1, 'empty')).max(12).transform(oneEach),
  texturesAvoided: z.array(z.enum(TEXTURES)).transform(oneEach),
  precautions: z.array(precautionSchema).max(12),
  materialsAtHome: z.array(slug).max(300).transform(oneEach),
  helpers: line(120),
  likes: line(200),
  dislikes: line(200),
  endsWell: line(200),
  themesNotWanted: z.array(z.enum(SKINS)).transform(oneEach),
  reportWay: z.enum(FAMILY_WAYS),
  contacts: z.array(contactSchema).max(8),
  /** Teacher, and how things are passed on at school. */
  teacher: line(120),
});
export type ChildRecord = Readonly<z.output<typeof childRecordSchema>>;
export type ChildFact = keyof ChildRecord;

/** A child of whom nothing is known yet but what a form asks first. */
export const EMPTY_RECORD = {
  leaningHand: null,
  mouthsThings: false,
  scissorsAllowed: true,
  hasPrinter: false,
  minutesPerDay: 15,
  practiceWeekdays: [1, 2, 3, 4, 5, 6, 7],
  familyLanguage: 'en',
  homeLanguages: ['en'],
  allergies: [],
  texturesAvoided: [],
  precautions: [],
  materialsAtHome: [],
  helpers: '',
  likes: '',
  dislikes: '',
  endsWell: '',
  themesNotWanted: [],
  reportWay: 'link',
  contacts: [],
  teacher: '',
} as const satisfies Omit<ChildRecord, 'calledName' | 'initial' | 'bornOn' | 'hand'>;
