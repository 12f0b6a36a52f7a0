import { addDays, weekdayOf } from '@/core/calendar';
import type { FamilyView } from '@/server/reports/viewFamily';
import { briefWeekday, dayLocale, weekdayName } from '../../shared/days';
import type { FamilyWords } from '../../shared/familyWords';

/** The last seven days at a glance, without blame: what was done, and where there is no word; yesterday can be told of. */
export function Week({ view, token, words }: { view: FamilyView; token: string; words: FamilyWords }) {
  const { t, language } = words;
  const { week, today, version } = view;
  if (week.length === 0) return null;
  const locale = dayLocale(language);
  const yesterday = week.find(({ day }) => day === addDays(today, -1));
  const forgotten = yesterday?.state === 'none' && version?.tasks.find((task) => task.weekdays.includes(weekdayOf(yesterday.day)));
  return (
    <section className="mt-6" aria-labelledby="week-title">
      <h2 id="week-title" className="text-[1.06rem]">
        {t('flow.week')}
      </h2>
      <ol className="mt-1 grid grid-cols-7 text-center text-[min(0.85rem,3.4vw)]">
        {week.map(({ day, state }) => (
          <li key={day}>
            <span aria-hidden="true">
              <span className="block">{briefWeekday(day, locale)}</span>
              <span className="block text-[1.2rem] text-green">{{ done: '●', none: '○', off: '·' }[state]}</span>
            </span>
            <span className="sr-only">
              {weekdayName(day, locale)}: {t(`flow.ofDay.${state}`)}
            </span>
          </li>
        ))}
      </ol>
      {forgotten && (
        <p className="mt-1">
          {t('flow.yesterdayNone')}{' '}
          <a
            className="touch underline underline-offset-4"
            href={`/f/${token}/task/${forgotten.versionTaskId}?lang=${language}&day=${yesterday.day}`}
          >
            {t('flow.tellYesterday')}
          </a>
        </p>
      )}
    </section>
  );
}
