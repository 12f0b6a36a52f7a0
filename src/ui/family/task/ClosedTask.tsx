import type { FamilyTask } from '@/server/reports/viewFamily';
import { dayLocale, longDay } from '../../shared/days';
import type { FamilyWords } from '../../shared/familyWords';
import { HurtWords } from '../hurt/HurtWords';

/** A task on hold: the fixed words, the box for what happened, and nothing to do. */
export function ClosedTask({
  closed,
  task,
  emergencyNumber,
  words,
  children,
}: {
  closed: NonNullable<FamilyTask['closed']>;
  task: string;
  emergencyNumber: string;
  words: FamilyWords;
  /** The box for what happened. */
  children: React.ReactNode;
}) {
  const { t, language } = words;
  if (closed.kind === 'review') {
    return (
      <p className="watch mt-3">
        <strong>{t('closedTitle', { task })}.</strong> {t('closedReview')}
      </p>
    );
  }
  if (closed.kind === 'until') {
    return (
      <p className="watch mt-3">
        <strong>{t('closedTitle', { task })}.</strong> {t('closedUntil', { day: longDay(closed.day, dayLocale(language)) })}
      </p>
    );
  }
  return (
    <>
      {closed.fromSchool !== null && (
        <p className="said-straw">
          {t('fromSchool')} <q dir="auto">{closed.fromSchool}</q>
        </p>
      )}
      <HurtWords task={task} emergencyNumber={emergencyNumber} words={words} title={t('closedTitle', { task })} />
      {children}
    </>
  );
}
