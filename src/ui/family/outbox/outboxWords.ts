import type { FamilyWords } from '../../shared/familyWords';
import type { CalendarDay } from '@/core/calendar';
import { dayLocale, longDay } from '../../shared/days';
import type { ReportFormWords } from '../report/ReportForm.client';
import type { OutboxWords } from './Outbox.client';

const HOLE = '\u0000';

/** What the outbox says, ready for the page's script. */
export function outboxWords({ t }: FamilyWords): OutboxWords {
  return { kept: t('kept'), sent: t('sent'), refused: around(t('refused', { why: HOLE })), showDay: t('showDay') };
}

/** What a kept page says of itself, before and after the time. */
export function keptPageWords({ t }: FamilyWords): readonly [string, string] {
  return around(t('keptPage', { when: HOLE }));
}

function around(said: string): readonly [string, string] {
  const [before = '', after = ''] = said.split(HOLE);
  return [before, after];
}

/** What the report's form says beside, with the day on which the page was made. */
export function reportFormWords(words: FamilyWords, day: CalendarDay): ReportFormWords {
  const { t, language } = words;
  const said = { day: longDay(day, dayLocale(language)) };
  return {
    ...outboxWords(words),
    sending: t('sending'),
    whichDay: t('whichDay', said),
    onDay: t('onDay', said),
    todayInstead: t('todayInstead'),
  };
}
