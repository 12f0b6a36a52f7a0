import { minutesOf } from '@/core/dose';
import type { LocalText } from '@/core/tasks';
import { longDay, weekdayName } from '../shared/days';
import { familyWords, type Language } from '../shared/words';
import { Outbox } from './Outbox.client';
import { SafetyNotice } from './SafetyNotice';
import { Stones } from './Stones';
import { targetWords } from './targetWords';
import type { FamilyDayView, FamilyTaskView } from './familyView';

interface Props {
  readonly view: FamilyDayView;
  readonly token: string;
  readonly language: Language;
  readonly said: string | null;
}

/** Today, one thing at a time: the parts in order, each task crossed off when there is word of it. */
export function FamilyToday({ view, token, language, said }: Props) {
  const t = familyWords(language);
  const { child, tasks, otherTasks, version, today } = view;
  const done = tasks.filter(({ reportedToday }) => reportedToday !== null).length;
  const locale = language === 'es' ? 'es' : 'en-GB';
  const over = version !== null && version.endsOn < today;
  return (
    <main className="mx-auto max-w-[30rem] px-[18px] pt-3 pb-10" lang={language}>
      <header className="flex items-baseline justify-between gap-4">
        <strong className="font-title">
          {child.calledName} · {weekdayName(today, locale)}
        </strong>
        <a
          className="text-soft underline underline-offset-4"
          href={`/f/${token}?lang=${t('family.languageCode')}`}
          lang={t('family.languageCode')}
        >
          {t('family.language')}
        </a>
      </header>
      <Said said={said} view={view} language={language} />
      <Outbox words={{ kept: t('family.kept'), sent: t('family.sent') }} />
      <Stones tasks={tasks} here={null} label={`${done} / ${tasks.length}`} />
      <h1 className="mt-2 text-[26px]">{tasks.length > 0 && done === tasks.length ? t('family.allDone') : t('family.today')}</h1>
      {version === null && <p className="mt-2">{t('family.noProgram')}</p>}
      {over && <p className="watch mt-2">{t('family.ended', { day: longDay(version.endsOn, locale) })}</p>}
      {version !== null && tasks.length === 0 && <p className="mt-2">{t('family.nothingToday')}</p>}
      {version?.note && (
        <p className="sheet mt-3" dir="auto">
          {version.note}
        </p>
      )}
      <ol className="mt-3">
        {tasks.map((each) => (
          <TaskLine key={each.task.versionTaskId} each={each} token={token} language={language} />
        ))}
      </ol>
      {otherTasks.length > 0 && (
        <>
          <h2 className="mt-6 text-[18px]">{t('family.otherDays')}</h2>
          <ol>
            {otherTasks.map((each) => (
              <TaskLine key={each.task.versionTaskId} each={each} token={token} language={language} />
            ))}
          </ol>
        </>
      )}
      <p className="mt-8 text-[14px] text-soft">{t('family.care')}</p>
    </main>
  );
}

function TaskLine({ each, token, language }: { each: FamilyTaskView; token: string; language: Language }) {
  const t = familyWords(language);
  const { task, reportedToday } = each;
  const local = (text: LocalText) => text[language];
  return (
    <li className="border-t border-line">
      <a href={`/f/${token}/task/${task.versionTaskId}?lang=${language}`} className="block min-h-[3.2rem] py-2.5">
        <span className="flex items-baseline justify-between gap-3">
          <strong className={`text-[19px] ${reportedToday?.done ? 'line-through decoration-green decoration-2' : ''}`}>
            {local(task.content.title)}
          </strong>
          <span className={`shrink-0 font-bold ${each.onHold ? 'text-brick' : 'text-green'}`}>
            {each.onHold
              ? t('family.onHold')
              : reportedToday
                ? reportedToday.done
                  ? t('family.done')
                  : t('family.notDone')
                : t('family.start')}
          </span>
        </span>
        <span className="block text-[15px] text-soft">
          {t(`family.parts.${task.part}`)} ·{' '}
          {reportedToday?.done
            ? `${t('family.amountAndHelp', { amount: reportedToday.amount, target: reportedToday.target })} · ${t('family.change')}`
            : `${targetWords(task.dose, language)} · ${t('family.minutesAbout', { minutes: Math.ceil(minutesOf(task.dose)) })}`}
        </span>
      </a>
    </li>
  );
}

function Said({ said, view, language }: Pick<Props, 'said' | 'view' | 'language'>) {
  const t = familyWords(language);
  const held = [...view.tasks, ...view.otherTasks].some((task) => task.onHold);
  if (said === 'safety' || held) return <SafetyNotice emergencyNumber={view.emergencyNumber} language={language} />;
  const words =
    said === 'saved' ? t('family.thanks') : said === 'repeated' ? t('family.repeated') : said === 'replaced' ? t('family.replaced') : null;
  return words ? (
    <p role="status" className="mt-3 rounded-[6px] bg-green-tint px-3 py-2 font-bold">
      {words}
    </p>
  ) : null;
}
