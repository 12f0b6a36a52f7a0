import type { CalendarDay } from '@/core/calendar';
import { factsOf } from '@/core/child';
import { doseAt, minutesOf, reckonDose } from '@/core/dose';
import { callChild, type TaskContent } from '@/core/tasks';
import { EFFORTS, HELP_LEVELS } from '@/core/sessions';
import { WATCH_ANSWERS } from '@/core/vocabulary';
import type { FamilyTask as FamilyTaskView, FamilyView, SaidToday } from '@/server/reports/viewFamily';
import { dayLocale, longDay } from '../../shared/days';
import type { FamilyWords } from '../../shared/familyWords';
import { Doing, LooksRight, MOST_WATCHED, Needed, Standing, Table, WatchOut } from '../../task/TaskInstructions';
import { targetWords } from '../../task/targetWords';
import { Waiting } from '../frame/Waiting';
import { HurtLink, HurtSection } from '../hurt/HurtSection';
import { HurtWords } from '../hurt/HurtWords';
import { Stones } from '../today/Stones';
import { Amounts } from './Amounts';
import { Choices, Tick } from './Choices';

export interface FamilyTaskProps {
  readonly view: FamilyView;
  readonly found: FamilyTaskView;
  readonly place: { readonly index: number; readonly count: number };
  readonly token: string;
  readonly words: FamilyWords;
  readonly wishedStep: number;
  /** The day that is told of, where it is another than today. */
  readonly day: string | null;
  /** True where the task was done once more today: a report of its own. */
  readonly isAgain: boolean;
  /** A new report's own key for each step that may be done, so that a repeat makes no second one. */
  readonly keys: ReadonlyMap<number, string>;
  /** The key of what *Something hurt* sends. */
  readonly hurtKey: string;
}

/** Why it was stopped in the middle. Pain has a place of its own, within reach all the time. */
const FAMILY_STOPS = ['tired', 'upset', 'refused', 'time', 'other'] as const;
/** Why it was not done, a tap each. */
const NOT_DONE_REASONS = ['time', 'ill', 'refused', 'missing', 'tooHard', 'other'] as const;

/** The step that is shown, and those that may be swapped to. */
export function stepsOf({ found, wishedStep, isAgain }: Pick<FamilyTaskProps, 'found' | 'wishedStep' | 'isAgain'>) {
  const { task } = found;
  // What was said under an earlier version stays as it is: a new version asks anew. So does one more time on the same day.
  const said = !isAgain && found.reportedToday?.versionTaskId === task.versionTaskId ? found.reportedToday : null;
  const steps = Array.from({ length: task.chooseTo - task.chooseFrom + 1 }, (_, index) => task.chooseFrom + index);
  const step = steps.includes(wishedStep) ? wishedStep : (said?.step ?? task.step);
  return { said, step, steps: steps.includes(step) ? steps : [step] };
}

/**
 * One task on the family's phone, screen by screen: get ready, look, do, how was it, saved. One plain form, which works without scripts:
 * then the screens stand below each other.
 */
export function FamilyTask(props: FamilyTaskProps) {
  const { view, found, place, token, words, keys, hurtKey } = props;
  const { t, local, language } = words;
  const { task } = found;
  const { said, step, steps } = stepsOf(props);
  const content = callChild(task.content, { en: view.child.calledName });
  return (
    <main className="mx-auto max-w-[30rem] px-[1.06rem] pt-3 pb-10">
      <header className="flex items-baseline justify-between gap-4">
        <a href={`/f/${token}?lang=${language}`} className="touch underline underline-offset-4">
          {t('back')}
        </a>
        <strong className="font-title">{view.child.calledName}</strong>
      </header>
      <Waiting />
      {props.day && <p className="said-straw">{t('flow.ofAnotherDay', { day: longDay(props.day as CalendarDay, dayLocale(language)) })}</p>}
      <div className="about">
        <Stones tasks={view.tasks} here={task.versionTaskId} label={`${place.index} / ${place.count}`} />
      </div>
      <h1 className="mt-1 text-[1.6rem] leading-tight">{local(content.title)}</h1>
      <p className="about text-soft">{t('stepOf', { step, part: t(`parts.${task.part}`), index: place.index, count: place.count })}</p>
      {found.closed ? (
        <ClosedTask closed={found.closed} task={local(content.title)} emergencyNumber={view.emergencyNumber} words={words} />
      ) : (
        <>
          <HurtSection task={task} step={step} token={token} emergencyNumber={view.emergencyNumber} words={words} newKey={hurtKey} />
          <div className="doing">
            <form id="report" method="post" action={`/f/${token}/report`}>
              {/* What the key of a keyboard sends is the first button of a form: never a reason for not having done it. */}
              <button className="sr-only" name="done" value="yes" tabIndex={-1} aria-hidden="true" data-by-key="" />
              <input type="hidden" name="lang" value={language} />
              <input type="hidden" name="idempotencyKey" value={keys.get(step)} />
              <input type="hidden" name="versionTaskId" value={task.versionTaskId} />
              <input type="hidden" name="corrects" value={said?.reportId ?? ''} />
              <input type="hidden" name="step" value={step} />
              <ReadyScreen {...props} content={content} said={said} step={step} />
              <LookScreen {...props} content={content} step={step} />
              <DoScreen {...props} content={content} said={said} step={step} />
              <HowScreen {...props} said={said} />
              <SavedScreen {...props} />
            </form>
            <div className="not-scripted sticky bottom-2 z-10 mt-4">
              <HurtLink words={words} />
            </div>
          </div>
          {steps
            .filter((each) => each !== step)
            .map((each) => (
              <template key={each} id={`step-${each}`}>
                <ReadyPart {...props} content={content} step={each} />
                <LookPart {...props} content={content} step={each} />
                <DoPart {...props} content={content} said={null} step={each} />
              </template>
            ))}
        </>
      )}
      <p className="mt-8 text-[0.85rem] text-soft">{t('care')}</p>
    </main>
  );
}

type PartProps = FamilyTaskProps & { readonly content: TaskContent; readonly step: number };
type SaidProps = { readonly said: SaidToday | null };

function instructions({ view, found: { task }, words, content, step }: PartProps) {
  const dose = doseAt(task.dose, step);
  return {
    content,
    step,
    child: { calledName: view.child.calledName, hand: view.child.hand, care: factsOf(view.child, view.today) },
    words,
    pieces: dose.piecesPerRepetition > 0 ? reckonDose(dose, 1).piecesPerDay : 0,
  };
}

function ReadyScreen(props: PartProps & SaidProps) {
  const { token, words, said, found } = props;
  const { t, language } = words;
  return (
    <section id="ready" className={`screen ${said ? '' : 'first'}`} aria-labelledby="ready-title">
      <h2 id="ready-title" data-heading="" tabIndex={-1} className="mt-4 text-[1.2rem]">
        {t('flow.ready')}
      </h2>
      {said && <ToldAlready said={said} words={words} again={`/f/${token}/task/${found.task.versionTaskId}?lang=${language}&again=1`} />}
      <ReadyPart {...props} />
      <p className="mt-2">
        <a className="touch underline underline-offset-4" href={`/f/${token}/home?lang=${language}`}>
          {t('flow.lacking')}
        </a>
      </p>
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
      <Onward to="look" words={words}>
        {t('flow.toLook')}
      </Onward>
    </section>
  );
}

function ReadyPart(props: PartProps) {
  const { found, words, step } = props;
  const { t } = words;
  const dose = doseAt(found.task.dose, step);
  const about = instructions(props);
  return (
    <div data-part="ready">
      <p className="mt-1 text-[1.1rem] font-bold">
        {targetWords(dose, words)} · {t('minutesAbout', { minutes: Math.max(1, Math.round(minutesOf(dose))) })}
      </p>
      <Needed {...about} />
      <WatchOut {...about} />
    </div>
  );
}

function LookScreen(props: PartProps) {
  const { t } = props.words;
  return (
    <section id="look" className="screen" aria-labelledby="look-title">
      <h2 id="look-title" data-heading="" tabIndex={-1} className="mt-4 text-[1.2rem]">
        {t('flow.look')}
      </h2>
      <LookPart {...props} />
      <button type="button" className="press mt-3" data-reads="look-text" hidden>
        {t('flow.readAloud')}
      </button>
      <Onward to="do" words={props.words}>
        {t('flow.toDo')}
      </Onward>
    </section>
  );
}

function LookPart(props: PartProps) {
  const { content, step, words } = props;
  const about = instructions(props);
  return (
    <div data-part="look" id="look-text">
      {content.story && <p className="mt-1">{words.local(content.story)}</p>}
      <How content={content} step={step} words={words} />
      <Standing {...about} />
      <Table {...about} />
      <Doing {...about} />
      <LooksRight {...about} />
    </div>
  );
}

/** What is done at a step, in its own words. */
function How({ content, step, words }: Pick<PartProps, 'content' | 'step' | 'words'>) {
  const here = content.ladder.steps[step - 1];
  return here ? <p className="sheet mt-3 text-[1.06rem] font-bold">{words.local(here.how)}</p> : null;
}

function DoScreen(props: PartProps & SaidProps) {
  const { found, token, words, step } = props;
  const { t, local, language } = words;
  const {
    task,
    task: { content },
  } = found;
  const address = `/f/${token}/task/${task.versionTaskId}?lang=${language}`;
  const swap = (why: 'tooHard' | 'tooEasy', to: number) => {
    const isOpen = to >= task.chooseFrom && to <= task.chooseTo;
    // At the end of what was left open there is nothing to go to without scripts.
    return isOpen ? (
      <a className="press" data-swap={why} href={`${address}&step=${to}`}>
        {t(why)}
      </a>
    ) : (
      <button type="button" className="press only-scripted" data-swap={why}>
        {t(why)}
      </button>
    );
  };
  return (
    <section id="do" className="screen" aria-labelledby="do-title">
      <h2 id="do-title" data-heading="" tabIndex={-1} className="mt-4 text-[1.2rem]">
        {t('howMany')}
      </h2>
      <p data-swapped="" role="status" className="font-bold">
        {step !== task.step && t('swapped', { step, name: local(content.ladder.steps[step - 1]!.name) })}
      </p>
      <DoPart {...props} />
      <div className="mt-3 grid grid-cols-2 gap-2.5">
        {swap('tooHard', step - 1)}
        {swap('tooEasy', step + 1)}
      </div>
      <label className="only-scripted mt-3 text-[0.9rem]">
        {t('flow.countAlong')}{' '}
        <select data-along="" className="box w-auto!" defaultValue="off">
          {(['off', 'voice', 'click'] as const).map((way) => (
            <option key={way} value={way}>
              {t(`flow.along.${way}`)}
            </option>
          ))}
        </select>
      </label>
      <Onward to="how" words={words}>
        {t('flow.toHow')}
      </Onward>
    </section>
  );
}

function DoPart(props: PartProps & SaidProps) {
  const { found, words, said, content, step } = props;
  const { t, local } = words;
  const dose = doseAt(found.task.dose, step);
  return (
    <div data-part="do">
      <p className="not-scripted text-soft">{targetWords(dose, words)}</p>
      <How content={content} step={step} words={words} />
      {dose.goodOne && <p className="mt-1 text-soft">{t('goodOne', { what: local(dose.goodOne) })}</p>}
      <div data-pad="" className="mt-2" />
      <Amounts said={said?.step === step ? said : null} dose={dose} words={words} />
    </div>
  );
}

function HowScreen({ view, found: { task }, words, said, day }: FamilyTaskProps & SaidProps) {
  const { t } = words;
  const { dose } = task;
  return (
    <section id="how" className={`screen ${said ? 'first' : ''}`} aria-labelledby="how-title">
      <h2 id="how-title" data-heading="" tabIndex={-1} className="mt-4 text-[1.2rem]">
        {t('flow.how')}
      </h2>
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
      {(task.content.watchFor ?? []).slice(0, MOST_WATCHED).map((item) => (
        <Choices
          key={item}
          name={`watch_${item}`}
          title={t('lookFor', { what: t(`watchItems.${item}`) })}
          chosen={said?.watched[item] ?? null}
          options={WATCH_ANSWERS[item].map((seen) => [seen, t(`watchAnswers.${seen}`)])}
        />
      ))}
      <details className="mt-4" open={Boolean(said?.words || said?.stopReason)}>
        <summary className="min-h-[2.75rem] py-1.5 text-[1.06rem] font-bold">{t('more')}</summary>
        <Choices
          name="stopReason"
          title={t('stopped')}
          chosen={said?.stopReason ?? ''}
          options={[['', t('stops.none')], ...FAMILY_STOPS.map((reason): [string, string] => [reason, t(`stops.${reason}`)])]}
        />
        <label className="mt-3 block">
          <span className="sr-only">{t('more')}</span>
          <textarea name="words" rows={3} className="box" dir="auto" defaultValue={said?.words} data-field="words" aria-label={t('more')} />
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
      <label className="mt-4 block">
        {t('when')} <span className="text-[0.88rem] text-soft">{t('yesterdayOrEarlier')}</span>
        <input
          type="date"
          name="doneOn"
          max={view.today}
          defaultValue={day ?? said?.doneOn ?? view.today}
          className="box"
          data-field="doneOn"
        />
      </label>
      <div data-asks="" />
      <p data-sending="" role="status" className="mt-2 text-center font-bold" />
      <p className="onward">
        <button className="press press-main" name="done" value="yes">
          {said ? t('sendChange') : t('send')}
        </button>
        <span className="only-scripted">
          <HurtLink words={words} />
        </span>
      </p>
    </section>
  );
}

/** Shown by the script alone, in place: without one, the day says that it was saved. */
function SavedScreen({ view, found, token, words }: FamilyTaskProps) {
  const { t, local, language } = words;
  const next = view.tasks.find((each) => each.task.taskId !== found.task.taskId && each.reportedToday === null && each.closed === null);
  return (
    <section id="saved" className="screen only-scripted" aria-labelledby="saved-title">
      <h2 id="saved-title" data-heading="" tabIndex={-1} className="sr-only">
        {t('flow.saved')}
      </h2>
      <div data-said="" role="status" className="mt-3 text-[1.1rem]" />
      <div data-outbox="" />
      <p className="mt-3">
        <a className="touch underline underline-offset-4" href={`/f/${token}/task/${found.task.versionTaskId}?lang=${language}#how`}>
          {t('change')}
        </a>
      </p>
      <p className="onward">
        {next ? (
          <a className="press press-main" href={`/f/${token}/task/${next.task.versionTaskId}?lang=${language}`}>
            {t('flow.next', { task: local(next.task.content.title) })}
          </a>
        ) : (
          <a className="press press-main" href={`/f/${token}?lang=${language}`}>
            {t('flow.dayEnds')}
          </a>
        )}
      </p>
    </section>
  );
}

/** The one main button of a screen, and what to do when something hurts: always within reach. */
function Onward({ to, words, children }: { to: string; words: FamilyWords; children: React.ReactNode }) {
  return (
    <p className="onward only-scripted">
      <a className="press press-main" href={`#${to}`}>
        {children}
      </a>
      <HurtLink words={words} />
    </p>
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
