import { addDays } from '@/core/calendar';
import type { FamilyView } from '@/server/reports/viewFamily';
import { briefWeekday, dayLocale, weekdayName } from '../../shared/days';
import type { FamilyWords } from '../../shared/familyWords';

/** The last seven days at a glance, without blame: what was done, and where there is no report; what is missing of yesterday leads to its activity. */
export function Week({ view, token, words }: { view: FamilyView; token: string; words: FamilyWords }) {
  const { t, local, language } = words;
  const { week, today, untoldYesterday } = view;
  if (week.length === 0) return null;
  const locale = dayLocale(language);
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
      {untoldYesterday.length > 0 && (
        <details className="mt-1">
          <summary className="touch underline underline-offset-4">{t('flow.yesterdayNone')}</summary>
          <ul>
            {untoldYesterday.map(({ task }) => (
              <li key={task.taskId}>
                <a
                  className="touch underline underline-offset-4"
                  href={`/f/${token}/task/${task.versionTaskId}?lang=${language}&day=${addDays(today, -1)}`}
                >
                  {local(task.content.title)}
                </a>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
