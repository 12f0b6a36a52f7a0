import type { CalendarDay } from '@/core/calendar';
import { dayLocale, longDay } from '../../shared/days';
import type { FamilyWords } from '../../shared/familyWords';

/** Stands where the page's script fills in what it knows by then. */
const hole = (name: string) => `{${name}}`;

/** Everything that the script of a page says, in the family's language; holes stay in braces. */
export function pageWords(words: FamilyWords, day: CalendarDay, isFoot = false): Readonly<Record<string, string>> {
  const { t, language } = words;
  const onDay = { day: longDay(day, dayLocale(language)) };
  return {
    kept: t('kept'),
    notKept: t('notKept'),
    keptClosed: t('keptClosed'),
    keptHere: t('keptHere'),
    onHoldHere: t('onHold'),
    draftFound: t('draftFound', { day: hole('day') }),
    draftTake: t('draftTake'),
    draftDrop: t('draftDrop'),
    olderFound: t('olderFound', { days: hole('days') }),
    olderSend: t('olderSend'),
    olderDrop: t('olderDrop'),
    hurtNotKept: t('hurtNotKept'),
    slipSent: t('slipSent'),
    slipKept: t('slipKept'),
    clockLong: t('clockLong'),
    sent: t('sent'),
    refused: t('refused', { why: hole('why') }),
    showDay: t('showDay'),
    keptPage: t('keptPage', { when: hole('when') }),
    sending: t('sending'),
    whichDay: t('whichDay', onDay),
    onDay: t('onDay', onDay),
    todayInstead: t('todayInstead'),
    hurtKept: t('hurtKept'),
    hurtSent: t('hurtSent'),
    hurtSlip: t('hurtSlip'),
    tapHint: t('tapHint'),
    tapUndo: t('tapUndo'),
    swap: t(isFoot ? 'swapFeet' : 'swapHands'),
    ofTarget: t('ofTarget', { target: hole('target') }),
    thanks: t('thanks'),
    repeated: t('repeated'),
    shownPlay: t('shown.play', { size: hole('size') }),
    shownPause: t('shown.pause'),
    shownAgain: t('shown.again'),
    shownTurn: t('shown.turn'),
    shownComing: t('shown.coming', { percent: hole('percent') }),
    shownCantPlay: t('shown.cantPlay'),
    shownAway: t('shown.away'),
    ...Object.fromEntries(FLOW.map((key) => [key, t(`flow.${key}`, HOLES)])),
  };
}

const FLOW = [
  'allTold',
  'mixed',
  'round',
  'rest',
  'goOn',
  'holdHint',
  'holdNow',
  'startClock',
  'pauseClock',
  'clockDone',
  'crossOff',
  'useful',
  'hardest',
  'swapped',
  'savedAmount',
  'notTodayThanks',
  'countAlong',
] as const;
const HOLES = Object.fromEntries(['count', 'round', 'rounds', 'seconds', 'step'].map((name) => [name, hole(name)]));
