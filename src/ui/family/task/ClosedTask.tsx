import type { FamilyTask } from '@/server/reports/viewFamily';
import { dayLocale, longDay } from '../../shared/days';
import type { FamilyWords } from '../../shared/familyWords';
import { HurtWords } from '../hurt/HurtWords';

/** A closed task: the fixed words, and nothing to do. */
export function ClosedTask({
  closed,
  task,
  emergencyNumber,
  words,
}: {
  closed: NonNullable<FamilyTask['closed']>;
  task: string;
  emergencyNumber: string;
  words: FamilyWords;
}) {
  const { t, language } = words;
  if (closed.kind === 'until') {
    return (
      <p className="watch mt-3">
        <strong>{t('closedTitle', { task })}.</strong> {t('closedUntil', { day: longDay(closed.day, dayLocale(language)) })}
      </p>
    );
  }
  return <HurtWords task={task} emergencyNumber={emergencyNumber} words={words} title={t('closedTitle', { task })} />;
}
