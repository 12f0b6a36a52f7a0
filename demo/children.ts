import type { Hand } from '@/core/tasks';
import type { Texture } from '@/core/vocabulary';
import type { ChildRecord } from '@/core/students';

/** How a family of the demo lives with its program. */
export type FamilyKind =
  'steady' | 'weekends' | 'keenThenQuiet' | 'paper' | 'texts' | 'tooHardTooEarly' | 'safetyWord' | 'question' | 'neverOpened';

export interface DemoChild {
  readonly name: string;
  readonly initial: string;
  readonly school: 0 | 1 | 2;
  readonly ageMonths: number;
  readonly hand: Hand;
  readonly kind: FamilyKind;
  readonly language: 'en' | 'es' | 'vi' | 'ar' | 'pt';
  readonly mouthsThings?: true;
  readonly noScissors?: true;
  readonly allergies?: readonly string[];
  readonly avoids?: readonly Texture[];
  readonly noPrinter?: true;
}

export const SCHOOLS = [
  { name: 'Slateway Elementary School', visitDays: 'Mon, Wed' },
  { name: 'Millbeck Early Learning Center', visitDays: 'Tue, Thu' },
  { name: 'Fold Lane School', visitDays: 'Fri' },
] as const;

const NAMES =
  'Odalys V|Bram T|Ffion A|Kasimir D|Wren O|Tobiah L|Ismene K|Per H|Zuleika M|Anselm R|Noor B|Juniper S|Caspian W|Dagny E|Lucjan P|Maren I|Otto Z|Briar C|Idris F|Tamsin G|Leocadia N|Emrys J|Sunniva U|Hollis Y|Amabel Q|Rufus E|Petra L|Ignacio M|Saoirse D|Linnea B|Corwin H|Yara S|Evander P|Mirela T|Osian K|Delphine R|Jory A|Xiomara C|Thaddeus W|Nerys F|Rowan G|Calla I|Bastian N|Elowen V|Farid O|Greta J|Marisol Z|Silas Y';

const KINDS: readonly FamilyKind[] = [
  'steady',
  'steady',
  'texts',
  'weekends',
  'steady',
  'paper',
  'steady',
  'keenThenQuiet',
  'steady',
  'tooHardTooEarly',
  'texts',
  'weekends',
];

/** Facts of single children; the rest follow a fixed pattern. */
const SPECIAL: Readonly<Record<number, Partial<DemoChild>>> = {
  0: { school: 1, ageMonths: 62, hand: 'left', kind: 'steady', language: 'es', mouthsThings: true, allergies: ['wheat'] },
  1: { school: 1, ageMonths: 50, kind: 'tooHardTooEarly' },
  2: { school: 1, ageMonths: 55, kind: 'keenThenQuiet' },
  3: { school: 1, ageMonths: 58, kind: 'steady', language: 'en' },
  7: { kind: 'tooHardTooEarly', language: 'en' },
  9: { kind: 'safetyWord', language: 'en' },
  13: { kind: 'question', language: 'en' },
  19: { kind: 'neverOpened' },
  24: { kind: 'question', language: 'es' },
  31: { kind: 'neverOpened' },
};

const LANGUAGES = ['en', 'en', 'es', 'en', 'en', 'vi', 'en', 'es', 'en', 'ar', 'en', 'pt'] as const;

export const CHILDREN: readonly DemoChild[] = NAMES.split('|').map((full, index): DemoChild => {
  const [name = '', initial = ''] = full.split(' ');
  return {
    name,
    initial,
    school: ([1, 0, 0, 2] as const)[index % 4]!,
    ageMonths: 40 + ((index * 29) % 78),
    hand: index % 9 === 4 ? 'unsettled' : index % 6 === 0 ? 'left' : 'right',
    kind: KINDS[index % KINDS.length]!,
    language: LANGUAGES[index % LANGUAGES.length]!,
    ...(index % 11 === 5 && { mouthsThings: true }),
    ...(index % 10 === 6 && { noScissors: true }),
    ...(index % 13 === 8 && { allergies: ['latex'] }),
    ...(index % 8 === 3 && { avoids: ['sticky'] }),
    ...(index % 3 === 1 && { noPrinter: true }),
    ...SPECIAL[index],
  };
});

export const WAY_OF: Record<FamilyKind, ChildRecord['reportWay']> = {
  steady: 'link',
  weekends: 'link',
  keenThenQuiet: 'link',
  paper: 'paper',
  texts: 'text',
  tooHardTooEarly: 'link',
  safetyWord: 'link',
  question: 'link',
  neverOpened: 'link',
};

export const PEOPLE = {
  therapist: { name: 'Ines Calloway-Brandt', email: 'ines@tarrowhill.example', role: 'therapist' },
  assistant: { name: 'Teodor Wray', email: 'teodor@tarrowhill.example', role: 'assistant' },
  supervisor: { name: 'Marit Oyelaran-Voss', email: 'marit@tarrowhill.example', role: 'supervisor' },
} as const;

export const DEMO_PASSWORD = 'one-step-at-a-time';
export const DEMO_TIME_ZONE = 'America/Denver';

/** Comments of families beside their figures: true of any task, by how it went. */
export const HOME_WORDS: Record<'en' | 'es', Readonly<Record<'well' | 'partly' | 'hard', readonly string[]>>> = {
  en: {
    well: ['went well', 'asks for more', 'laughed a lot', 'we did it before dinner', 'quicker than I thought'],
    partly: ['a bit tired at the end', 'ok', 'needed a break in the middle', 'fine once we got going'],
    hard: ['hard today', 'wanted to stop early', 'got cross toward the end'],
  },
  es: {
    well: ['salió bien', 'pide más', 'se rió mucho', 'antes de cenar'],
    partly: ['un poco de cansancio al final', 'bien', 'hicimos una pausa a la mitad'],
    hard: ['hoy costó', 'quería parar antes', 'terminó con enojo'],
  },
};
