import { addDays, type CalendarDay } from '@/core/calendar';
import { EMPTY_RECORD, type Contact } from '@/core/students';
import type { Precaution } from '@/core/safety';
import type { TaskSettings } from '@/core/tasks';
import type { NewChild } from '@/db';
import { DEMO_TIME_ZONE, WAY_OF, type DemoChild } from './children';

const THINGS_AT_HOME = [
  'paper',
  'tape',
  'box',
  'clothes-pegs',
  'kitchen-tongs',
  'marker',
  'clear-floor',
  'zip-vest',
  'short-crayon',
  'card',
  'glue-stick',
  'bottle-caps',
  'lidded-box',
  'cup',
  'bowl',
  'tray',
  'towel',
  'newspaper',
  'pencil',
  'crayon',
  'coat',
  'boots',
  'gloves',
  'small-sponge',
  'water',
  'paper-rolls',
  'cloth',
  'spoon',
  'fork',
  'button-vest',
  'lace',
  'ball',
  'sock-ball',
  'plastic-jars',
  'buttons-big',
];

/** Children of one therapist do not all follow one school of thought. */
const SETTINGS_OF_SCHOOLS: readonly TaskSettings[] = [
  {},
  { helpBy: 'wrist' },
  { hands: 'bothInTurn' },
  { shapeOrder: 'circleFirst', markOrder: 'imitateFirst' },
  { promptFading: 'leastToMost' },
];

const MINUTES = [15, 20, 12, 20];
const HELPERS = ['mother', 'father and grandmother', 'grandfather', 'mother and big sister', 'aunt'];
const LIKES = [
  { likes: 'trucks, counting aloud', endsWell: 'chooses the next song' },
  { likes: 'being the foreman', dislikes: 'loud rooms', endsWell: 'a turn with the crane' },
  { likes: 'water, anything that opens', endsWell: 'draws a brick on the chart' },
];
const TEACHERS = ['Room 4', 'Room 7', 'Room 2'];
const PRECAUTIONS: Readonly<Record<number, Precaution[]>> = {
  9: [{ words: 'loose joints', asks: ['weightOnHands'] }],
  21: [{ words: 'seizures, last one in spring', asks: [] }],
  34: [{ words: 'sore skin on the hands', asks: ['onSkin'] }],
};

const contactsOf = ({ language }: DemoChild, index: number): Contact[] => [
  {
    name: HELPERS[index % HELPERS.length]!.split(' and ')[0]!,
    relation: '',
    language: language === 'es' ? 'es' : 'en',
    way: 'text',
    reach: '',
    quiet: { from: '20:00', to: '07:00' },
    mayBeSent: 'practice',
  },
];

const DAYS_PER_MONTH = 30.44;

/** A child of the demo as the program keeps one. */
export function childOf(demo: DemoChild, index: number, schoolId: number, today: CalendarDay): NewChild {
  return {
    ...EMPTY_RECORD,
    ...LIKES[index % LIKES.length]!,
    precautions: PRECAUTIONS[index] ?? [],
    contacts: contactsOf(demo, index),
    teacher: `${TEACHERS[index % TEACHERS.length]}, a page in the bag`,
    calledName: demo.name,
    initial: demo.initial,
    schoolId,
    bornOn: addDays(today, -Math.round(demo.ageMonths * DAYS_PER_MONTH) - (index % 23)),
    hand: demo.hand,
    mouthsThings: demo.mouthsThings ?? false,
    scissorsAllowed: !demo.noScissors,
    hasPrinter: !demo.noPrinter,
    minutesPerDay: MINUTES[index % MINUTES.length]!,
    familyLanguage: demo.language === 'es' ? 'es' : 'en',
    homeLanguages: demo.language === 'en' ? ['en'] : [demo.language, ...(index % 2 ? ['en'] : [])],
    allergies: [...(demo.allergies ?? [])],
    texturesAvoided: [...(demo.avoids ?? [])],
    materialsAtHome: THINGS_AT_HOME.filter((_, place) => (place + index) % 7 !== 0),
    taskSettings: SETTINGS_OF_SCHOOLS[index % SETTINGS_OF_SCHOOLS.length]!,
    helpers: HELPERS[index % HELPERS.length]!,
    reportWay: WAY_OF[demo.kind],
    timeZone: DEMO_TIME_ZONE,
  };
}
