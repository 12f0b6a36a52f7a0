import type { CalendarDay } from '@/core/calendar';
import { callChild } from '@/core/tasks';
import { dayLocale, longDay } from '../../shared/days';
import { Waiting } from '../frame/Waiting';
import { HurtForm, HurtLink, HurtSection } from '../hurt/HurtSection';
import { Stones } from '../today/Stones';
import { ClosedTask } from './ClosedTask';
import { Described } from './Described';
import { DoPart, DoScreen } from './DoScreen';
import { HowScreen } from './HowScreen';
import { LookPart, LookScreen } from './LookScreen';
import { ReadyPart, ReadyScreen, ToldAlready } from './ReadyScreen';
import { SavedScreen } from './SavedScreen';
import { stepsOf, type FamilyTaskProps } from './taskProps';

/**
 * A task on the family's phone, screen by screen: get ready, look, do, how was it, saved. One plain form, which works without
 * scripts: then the screens are shown below each other.
 */
export function FamilyTask(props: FamilyTaskProps) {
  const { view, found, place, token, words, keys, hurtKey } = props;
  const { t, local, language } = words;
  const { task } = found;
  const { said, step, steps } = stepsOf(props);
  const content = callChild(task.content, { en: view.child.calledName });
  return (
    <main className="mx-auto max-w-[30rem] px-[1.06rem] pt-3 pb-10">
      <header className="flex flex-wrap items-baseline justify-between gap-x-4">
        <a href={`/f/${token}?lang=${language}`} className="touch underline underline-offset-4">
          {t('back')}
        </a>
        <strong className="font-title">{view.child.calledName}</strong>
        {!found.closed && <HurtLink words={words} />}
      </header>
      <Waiting />
      {said && !found.closed && (
        <ToldAlready said={said} words={words} again={`/f/${token}/task/${task.versionTaskId}?lang=${language}&again=1`} />
      )}
      {props.day && <p className="said-straw">{t('flow.ofAnotherDay', { day: longDay(props.day as CalendarDay, dayLocale(language)) })}</p>}
      <div className="about">
        <Stones tasks={view.tasks} here={task.versionTaskId} language={words.language} label={`${place.index} / ${place.count}`} />
      </div>
      <h1 className="mt-1 text-[1.6rem] leading-tight">{local(content.title)}</h1>
      <Described content={content} words={words} />
      <p className="about text-soft">{t('stepOf', { step, part: t(`parts.${task.part}`), index: place.index, count: place.count })}</p>
      {found.closed ? (
        <ClosedTask closed={found.closed} task={local(content.title)} emergencyNumber={view.emergencyNumber} words={words}>
          <HurtForm task={task} step={step} token={token} words={words} newKey={hurtKey} kind="more" />
        </ClosedTask>
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
      {((task.choices.asksBack && !found.closed) || found.sentBack.length > 0) && (
        <p className={found.sentBack.length > 0 ? 'mt-4' : 'not-scripted mt-4'}>
          <a className="touch underline underline-offset-4" href={`/f/${token}/show-back/${task.versionTaskId}?lang=${language}`}>
            {t('showBack.link')}
          </a>
        </p>
      )}
      <p className="mt-8 text-[0.85rem] text-soft">{t('care')}</p>
    </main>
  );
}
