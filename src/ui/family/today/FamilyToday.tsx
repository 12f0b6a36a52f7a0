import { directionOf, LANGUAGES, type Language } from '@/core/text';
import { doseAt, minutesOf } from '@/core/dose';
import { languagesOf } from '@/core/library';
import { isActiveOn, restOf } from '@/core/programs';
import { dayLocale, longDay, weekdayName } from '../../shared/days';
import type { FamilyWords } from '../../shared/familyWords';
import { pageWords } from '../frame/pageWords';
import { ReadsOn } from '../frame/ReadsOn';
import { Waiting } from '../frame/Waiting';
import type { PageData } from '../script/page';
import { HurtWords } from '../hurt/HurtWords';
import { Described } from '../task/Described';
import { Notes } from './Notes';
import { GetReady } from './GetReady';
import { FridgeWeek } from './FridgeWeek';
import { Stones } from './Stones';
import { TaskPicture } from './TaskPicture';
import { Week } from './Week';
import { targetWords } from '../../task/targetWords';
import type { FamilyTask as FamilyTaskView, FamilyView, SaidToday } from '@/server/reports/viewFamily';

interface Props {
  readonly view: FamilyView;
  readonly token: string;
  readonly words: FamilyWords;
  readonly said: string | null;
}

/** Today, one thing at a time: the parts in order, each task crossed off when there is word of it. */
export function FamilyToday({ view, token, words, said }: Props) {
  const { t, language } = words;
  const { child, tasks, otherTasks, version, today } = view;
  const written = languagesOf(version?.tasks.map(({ content }) => content) ?? []);
  // A language in which the cautions are not written is offered to nobody but whose own it is.
  const own = [child.familyLanguage, ...child.homeLanguages];
  const offered = LANGUAGES.filter((each) => each !== language && (written.includes(each) || own.includes(each)));
  // A task that hurt is no stone of the way: it is neither next nor done.
  const path = tasks.filter(({ closed }) => closed === null);
  const locale = dayLocale(language);
  const over = version !== null && version.endsOn < today;
  const rest = version && restOf(version, today);
  const isAhead = version !== null && version.startsOn > today;
  const isAsked = !over && !rest && !isAhead;
  const open = path.filter(({ reportedToday }) => reportedToday === null);
  const minutes = Math.ceil(open.reduce((sum, { task }) => sum + minutesOf(doseAt(task.dose, task.step)), 0));
  return (
    <main className="mx-auto max-w-[30rem] px-[1.06rem] pt-3 pb-10">
      <header className="flex flex-wrap items-baseline justify-between gap-x-4">
        <strong className="font-title">
          {child.calledName} · {weekdayName(today, locale)}
        </strong>
        <details className="languages text-end">
          <summary className="touch text-soft underline underline-offset-4">{ownName(language)}</summary>
          {offered.map((each) => (
            <a
              key={each}
              className="block min-h-11 py-2 underline underline-offset-4"
              href={`/f/${token}?lang=${each}`}
              lang={each}
              hrefLang={each}
              dir={directionOf(each)}
            >
              {ownName(each)}
            </a>
          ))}
        </details>
      </header>
      {!written.includes(language) && (
        <p className="mt-2 rounded-[6px] bg-brick-tint px-3 py-2 font-bold" data-in-english="">
          {t('safetyInEnglish')}
        </p>
      )}
      <Said said={said} view={view} words={words} />
      <Waiting />
      <Stones tasks={path} here={null} language={language} label={`${path.length - open.length} / ${path.length}`} />
      <h1 className="mt-2 text-[1.55rem]">{headline(view, words)}</h1>
      {isAsked && open.length > 0 && <p className="font-bold">{t('flow.inAll', { things: open.length, minutes })}</p>}
      {version === null && <p className="mt-2">{t('noProgram')}</p>}
      {over && !rest && <p className="mt-2">{t('ended', { day: longDay(version.endsOn, locale) })}</p>}
      {rest?.kind === 'ended' && <p className="mt-2">{t('endedByPerson', { day: longDay(version!.endsOn, locale) })}</p>}
      {rest?.kind === 'until' && <p className="mt-2">{t('rests', { day: longDay(rest.day, locale) })}</p>}
      {isAhead && <p className="mt-2">{t('begins', { day: longDay(version.startsOn, locale) })}</p>}
      {version !== null && tasks.length === 0 && <p className="mt-2">{t('nothingToday')}</p>}
      <Notes view={view} words={words} />
      <ReadsOn view={view} words={words} />
      {version?.note && (
        <p className="sheet mt-3" dir="auto">
          {version.note}
        </p>
      )}
      {!isAsked && tasks.length > 0 && <h2 className="mt-6 text-[1.06rem]">{t(isAhead ? 'comingUp' : 'mayStill')}</h2>}
      {isAsked && <GetReady tasks={open} child={child} today={today} words={words} />}
      {isAsked && <FridgeWeek view={view} words={words} />}
      <ol className="mt-3">
        {tasks.map((each) => (
          <TaskLine key={each.task.versionTaskId} each={each} isAsked={isAsked} token={token} words={words} />
        ))}
      </ol>
      {otherTasks.length > 0 && (
        <>
          <h2 className="mt-6 text-[1.06rem]">{t('otherDays')}</h2>
          <ol>
            {otherTasks.map((each) => (
              <TaskLine key={each.task.versionTaskId} each={each} isAsked={isAsked} token={token} words={words} />
            ))}
          </ol>
        </>
      )}
      <HurtToday view={view} token={token} words={words} />
      <Week view={view} token={token} words={words} />
      <p className="mt-4">
        <a className="touch underline underline-offset-4" href={`/f/${token}/reminders?lang=${language}`}>
          {t('reminders.link')}
        </a>
      </p>
      <p className="mt-8 text-[0.85rem] text-soft">{t('care')}</p>
    </main>
  );
}

/** Pain is often noticed after the practice: the button stands on the day, too, and leads to the activity. */
function HurtToday({ view, token, words }: Pick<Props, 'view' | 'token' | 'words'>) {
  const { t, local, language } = words;
  const open = [...view.tasks, ...view.otherTasks].filter(({ closed }) => closed?.kind !== 'stop');
  if (open.length === 0) return null;
  return (
    <details className="hurt-day mt-6">
      <summary className="hurt-link">{t('hurtNow')}</summary>
      <p className="mt-2">
        <a className="press border-brick! text-brick!" href={`tel:${view.emergencyNumber}`}>
          {t('callEmergency', { number: view.emergencyNumber })}
        </a>
      </p>
      <p className="mt-2">{t('safety')}</p>
      <p className="mt-3 font-bold">{t('hurtWhich')}</p>
      {open.map(({ task }) => (
        <a key={task.versionTaskId} className="press mt-2" href={`/f/${token}/task/${task.versionTaskId}?lang=${language}&again=1#hurt`}>
          <span>
            {local(task.content.title)}
            <Described content={task.content} words={words} />
          </span>
        </a>
      ))}
    </details>
  );
}

/** Every page that can be gone to from the day; each task brings its other steps along. */
function pagesFrom({ tasks, otherTasks }: FamilyView, token: string, language: Language): string[] {
  const all = [...tasks, ...otherTasks].map(({ task }) => `/f/${token}/task/${task.versionTaskId}?lang=${language}`);
  return [`/f/${token}?lang=${language}`, ...all];
}

/** Builds the data of the day page's script. */
export function dataOfDay(view: FamilyView, token: string, words: FamilyWords): PageData {
  const { language } = words;
  return {
    link: `/f/${token}`,
    pages: pagesFrom(view, token, language),
    stamp: stampOf(view, language),
    locale: dayLocale(language),
    timeZone: view.child.timeZone,
    family: view.familyKey,
    now: view.now,
    day: view.today,
    words: pageWords(words, view.today),
  };
}

/** Identifies a state of the pages: stored copies are true only while it is the same. */
function stampOf({ today, version, tasks, otherTasks, notes, lifts }: FamilyView, language: Language): string {
  const closed = [...tasks, ...otherTasks].filter((each) => each.closed !== null).map(({ task }) => task.versionTaskId);
  return [language, today, version?.number ?? 0, closed.join('+'), notes[0]?.id ?? 0, lifts.length].join('/');
}

/** Praise only where something was done today, nothing hurt, and nothing asks for more. */
function headline({ tasks, hurtToday, version, today }: FamilyView, { t }: FamilyWords): string {
  if (version !== null && !isActiveOn(version, today)) return t('today');
  const open = tasks.filter(({ closed }) => closed === null);
  if (tasks.length === 0 || open.some(({ reportedToday }) => reportedToday === null)) return t('today');
  const allDone = open.length > 0 && open.every(({ reportedToday }) => reportedToday?.done);
  return allDone && !hurtToday && open.length === tasks.length ? t('allDone') : t('enough');
}

/** How much was said to be done; no amount told is no 0. */
function saidAmount({ amount, target }: SaidToday, { t }: FamilyWords): string {
  if (amount === null) return t('notCounted');
  return target === null ? t('amountSeen', { amount }) : t('amountAndHelp', { amount, target });
}

/** Returns a language's own name. */
function ownName(language: Language): string {
  const name = new Intl.DisplayNames(language, { type: 'language' }).of(language) ?? language;
  return name.charAt(0).toLocaleUpperCase(language) + name.slice(1);
}

function TaskLine({ each, isAsked, token, words }: { each: FamilyTaskView; isAsked: boolean; token: string; words: FamilyWords }) {
  const { t, local, language } = words;
  const { task, reportedToday } = each;
  const dose = doseAt(task.dose, task.step);
  return (
    <li className="border-t border-line">
      <a
        href={`/f/${token}/task/${task.versionTaskId}?lang=${language}`}
        className="flex min-h-[3.2rem] flex-wrap items-center gap-x-3 py-2.5"
      >
        <TaskPicture content={task.content} step={reportedToday?.step ?? task.step} />
        <span className="min-w-0 flex-[1_1_9rem]">
          <span className="flex flex-wrap items-baseline justify-between gap-x-3">
            <strong className={`text-[1.12rem] ${reportedToday?.done && !each.closed ? 'line-through decoration-green decoration-2' : ''}`}>
              {local(task.content.title)}
            </strong>
            <span data-state-of={task.versionTaskId} className={`shrink-0 font-bold ${each.closed ? 'text-brick' : 'text-green'}`}>
              {each.closed ? t('onHold') : reportedToday ? (reportedToday.done ? t('done') : t('notDone')) : isAsked ? t('start') : ''}
            </span>
          </span>
          <Described content={task.content} words={words} />
          <span className="block text-[0.88rem] text-soft">
            {t(`parts.${task.part}`)}
            {!each.closed && ' · '}
            {each.closed
              ? null
              : reportedToday?.done
                ? `${[saidAmount(reportedToday, words), ...(each.timesToday > 1 ? [t('toldTwice', { times: each.timesToday })] : [])].join(' · ')} · ${t('change')}`
                : `${targetWords(dose, words)} · ${t('minutesAbout', { minutes: Math.ceil(minutesOf(dose)) })}`}
          </span>
        </span>
      </a>
    </li>
  );
}

function Said({ said, view, words }: Pick<Props, 'said' | 'view' | 'words'>) {
  const { t, local } = words;
  const held = [...view.tasks, ...view.otherTasks].filter(({ closed }) => closed?.kind === 'stop');
  if (held.length > 0) {
    const task = held.map((each) => local(each.task.content.title)).join(', ');
    return <HurtWords task={task} emergencyNumber={view.emergencyNumber} words={words} />;
  }
  const answer = said === 'saved' ? t('thanks') : said === 'repeated' ? t('repeated') : said === 'replaced' ? t('replaced') : null;
  return answer ? (
    <p role="status" className="mt-3 rounded-[6px] bg-green-tint px-3 py-2 font-bold">
      {answer}
    </p>
  ) : null;
}
