import { factsOf } from '@/core/child';
import { doseAt, reckonDose } from '@/core/dose';
import { callChild } from '@/core/tasks';
import { EFFORTS, HELP_LEVELS, STOP_REASONS } from '@/core/sessions';
import type { FamilyWords } from '../../shared/familyWords';
import { Amounts, Caller } from './Amounts';
import { ReportForm } from '../report/ReportForm.client';
import { HurtLink, HurtSection } from '../hurt/HurtSection';
import { HurtWords } from '../hurt/HurtWords';
import { dayLocale, longDay } from '../../shared/days';
import { keptPageWords, reportFormWords } from '../outbox/outboxWords';
import { KeptPage } from '../offline/KeptPage.client';
import { Stones } from '../today/Stones';
import { targetWords } from '../../task/targetWords';
import { TaskInstructions } from '../../task/TaskInstructions';
import type { FamilyTask as FamilyTaskView, FamilyView, SaidToday } from '@/server/reports/viewFamily';

interface Props {
  readonly view: FamilyView;
  readonly found: FamilyTaskView;
  readonly place: { readonly index: number; readonly count: number };
  readonly token: string;
  readonly words: FamilyWords;
  readonly wishedStep: number;
  /** True where the task was done once more today: a report of its own. */
  readonly isAgain: boolean;
  /** A new report's own key, so that a repeat makes no second one. */
  readonly newKey: string;
  /** The key of what *Something hurt* sends. */
  readonly hurtKey: string;
}

/** Pain has a place of its own, within reach all the time. */
const FAMILY_STOPS = STOP_REASONS.filter((reason) => reason !== 'pain');
/** Why it was not done, a tap each. */
const NOT_DONE_REASONS = ['time', 'tired', 'refused', 'upset', 'other'] as const;

/** One task on the family's phone: what it is, how many, and how it went. Works as a plain form. */
export function FamilyTask({ view, found, place, token, words, wishedStep, isAgain, newKey, hurtKey }: Props) {
  const { t, local, language } = words;
  const { task } = found;
  // What was said under an earlier version stays as it is: a new version asks anew. So does one more time on the same day.
  const said = !isAgain && found.reportedToday?.versionTaskId === task.versionTaskId ? found.reportedToday : null;
  const content = callChild(task.content, { en: view.child.calledName });
  const mayChoose = (step: number) => step >= task.chooseFrom && step <= task.chooseTo;
  const step = mayChoose(wishedStep) ? wishedStep : (said?.step ?? task.step);
  const dose = doseAt(task.dose, step);
  const here = content.ladder.steps[step - 1] ?? content.ladder.steps[task.step - 1]!;
  const address = `/f/${token}/task/${task.versionTaskId}?lang=${language}`;
  return (
    <main className="mx-auto max-w-[30rem] px-[18px] pt-3 pb-10" lang={language}>
      <header className="flex items-baseline justify-between gap-4">
        <a href={`/f/${token}?lang=${language}`} className="underline underline-offset-4">
          {t('back')}
        </a>
        <strong className="font-title">{view.child.calledName}</strong>
      </header>
      <Stones tasks={view.tasks} here={task.versionTaskId} label={`${place.index} / ${place.count}`} />
      <h1 className="mt-1 text-[27px] leading-tight">{local(content.title)}</h1>
      <p className="text-soft">{t('stepOf', { step, part: t(`parts.${task.part}`), index: place.index, count: place.count })}</p>

      <KeptPage
        link={`/f/${token}`}
        pages={[]}
        stamp=""
        language={dayLocale(language)}
        timeZone={view.child.timeZone}
        words={keptPageWords(words)}
      />
      {found.closed && (
        <ClosedTask closed={found.closed} task={local(content.title)} emergencyNumber={view.emergencyNumber} words={words} />
      )}
      {!found.closed && (
        <>
          <HurtSection task={task} step={step} token={token} emergencyNumber={view.emergencyNumber} words={words} newKey={hurtKey} />
          <div className="doing">
            {content.story && <p className="mt-1">{local(content.story)}</p>}
            <p className="sheet mt-3 text-[19px] font-bold">{local(here.how)}</p>
            {step !== task.step && <p className="mt-2">{t('swapped', { step, name: local(here.name) })}</p>}
            <div className="mt-2 grid grid-cols-2 gap-2.5">
              {mayChoose(step - 1) ? (
                <a className="press" href={`${address}&step=${step - 1}`}>
                  {t('tooHard')}
                </a>
              ) : (
                <span />
              )}
              {mayChoose(step + 1) && (
                <a className="press" href={`${address}&step=${step + 1}`}>
                  {t('tooEasy')}
                </a>
              )}
            </div>

            <TaskInstructions
              content={content}
              step={step}
              child={{ calledName: view.child.calledName, hand: view.child.hand, care: factsOf(view.child, view.today) }}
              words={words}
              pieces={dose.piecesPerRepetition > 0 ? reckonDose(dose, 1).piecesPerDay : 0}
            />

            <ReportForm
              action={`/f/${token}/report`}
              words={reportFormWords(words, view.today)}
              versionTaskId={task.versionTaskId}
              step={step}
              day={view.today}
              timeZone={view.child.timeZone}
            >
              <input type="hidden" name="lang" value={language} />
              <input type="hidden" name="idempotencyKey" value={newKey} />
              <input type="hidden" name="versionTaskId" value={task.versionTaskId} />
              <input type="hidden" name="corrects" value={said?.reportId ?? ''} />
              <input type="hidden" name="step" value={step} />
              {said && <ToldAlready said={said} words={words} again={`${address}&again=1`} />}
              <label className="mt-4 block">
                {t('when')} <span className="text-[15px] text-soft">{t('yesterdayOrEarlier')}</span>
                <input
                  type="date"
                  name="doneOn"
                  max={view.today}
                  defaultValue={said?.doneOn ?? view.today}
                  className="box"
                  data-field="doneOn"
                />
              </label>
              <h2 className="mt-6 text-[20px]">
                {t('howMany')} <span className="font-text text-[16px] font-normal text-soft">{targetWords(dose, words)}</span>
              </h2>
              {dose.goodOne && <p className="text-soft">{t('goodOne', { what: local(dose.goodOne) })}</p>}
              <Amounts said={said?.step === step ? said : null} dose={dose} words={words} />
              <Caller dose={dose} seed={Number(view.today.replaceAll('-', '')) + task.versionTaskId} words={words} />
              <Choices
                name="help"
                title={t('help')}
                chosen={said?.help ?? null}
                options={[...HELP_LEVELS].reverse().map((level) => [level, t(`helps.${level}`)])}
              />
              <Choices
                name="effort"
                title={t('felt')}
                chosen={said?.effort ?? null}
                options={EFFORTS.map((effort) => [effort, t(`felts.${effort}`)])}
              />
              <details className="mt-4" open={Boolean(said?.words || said?.stopReason)}>
                <summary className="min-h-[2.6rem] py-1.5 text-[18px] font-bold">{t('more')}</summary>
                <Choices
                  name="stopReason"
                  title={t('stopped')}
                  chosen={said?.stopReason ?? ''}
                  options={[['', t('stops.none')], ...FAMILY_STOPS.map((reason): [string, string] => [reason, t(`stops.${reason}`)])]}
                />
                <label className="mt-3 block">
                  <span className="sr-only">{t('more')}</span>
                  <textarea
                    name="words"
                    rows={3}
                    className="box"
                    dir="auto"
                    defaultValue={said?.words}
                    data-field="words"
                    aria-label={t('more')}
                  />
                </label>
                <div className="mt-2 grid gap-2">
                  <Tick name="question" label={t('question')} ticked={said?.isQuestion} />
                </div>
                {dose.target.kind !== 'time' && (
                  <label className="mt-3 block">
                    {t('took')}
                    <input name="minutes" inputMode="numeric" className="box" defaultValue={said?.minutes ?? ''} data-field="minutes" />
                  </label>
                )}
                <label className="mt-3 block">
                  {t('who')}
                  <input name="saidBy" maxLength={40} className="box" dir="auto" defaultValue={said?.saidBy} data-field="saidBy" />
                </label>
              </details>
              <button className="press press-main mt-4" name="done" value="yes">
                {said ? t('sendChange') : t('send')}
              </button>
              <details className="mt-2.5">
                <summary className="press">{t('sayNotDone')}</summary>
                <p className="mt-2 font-bold">{t('whyNotDone')}</p>
                <div className="mt-1 grid grid-cols-2 gap-2">
                  {NOT_DONE_REASONS.map((reason) => (
                    <button key={reason} className="press" name="notDone" value={reason}>
                      {t(`stops.${reason}`)}
                    </button>
                  ))}
                </div>
              </details>
            </ReportForm>
            <HurtLink words={words} />
          </div>
        </>
      )}
      <p className="mt-8 text-[14px] text-soft">{t('care')}</p>
    </main>
  );
}

/** A closed task: the fixed words, and nothing to do. */
function ClosedTask({
  closed,
  task,
  emergencyNumber,
  words,
}: {
  closed: NonNullable<FamilyTaskView['closed']>;
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

/** Somebody has told of it today, perhaps on another phone: this changes that word, unless it was done once more. */
function ToldAlready({ said, words, again }: { said: SaidToday; words: FamilyWords; again: string }) {
  const { t } = words;
  const amount = said.amount === null ? t('notCounted') : String(said.amount);
  return (
    <p className="watch mt-4">
      {said.saidBy ? t('toldBy', { amount, who: said.saidBy }) : t('toldAlready', { amount })}{' '}
      <a className="underline underline-offset-4" href={again}>
        {t('tellAgain')}
      </a>
    </p>
  );
}

function Choices({
  name,
  title,
  chosen,
  options,
}: {
  name: string;
  title: string;
  chosen: string | null;
  options: readonly (readonly [string, string])[];
}) {
  return (
    <fieldset className="mt-4">
      <legend className="mb-1.5 text-[18px] font-bold">{title}</legend>
      <div className={`grid gap-2 ${options.length > 3 ? 'grid-cols-2' : 'grid-cols-1'}`}>
        {options.map(([value, label]) => (
          <label key={value} className="choice">
            <input type="radio" name={name} value={value} defaultChecked={chosen === value} />
            {label}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

function Tick({ name, label, ticked }: { name: string; label: string; ticked: boolean | undefined }) {
  return (
    <label className="choice">
      <input type="checkbox" name={name} defaultChecked={ticked} />
      {label}
    </label>
  );
}
