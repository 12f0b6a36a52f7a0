import { EFFORTS } from '@/core/reports';
import { HELP_LEVELS } from '@/core/vocabulary';
import { WATCH_ANSWERS } from '@/core/vocabulary';
import { MOST_WATCHED } from '../../task/TaskInstructions';
import { HurtLink } from '../hurt/HurtSection';
import { Choices, Tick } from './Choices';
import type { FamilyTaskProps, SaidProps } from './taskProps';

/** Why it was stopped in the middle. Pain has a place of its own, within reach all the time. */
const FAMILY_STOPS = ['tired', 'upset', 'refused', 'time', 'other'] as const;
/** Help, how it felt, what was seen, and words: none chosen before, all may be left. */
export function HowScreen({ view, found: { task }, words, said, day }: FamilyTaskProps & SaidProps) {
  const { t } = words;
  const { dose } = task;
  return (
    <section id="how" className="screen" aria-labelledby="how-title">
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
        <HurtLink words={words} isScripted />
      </p>
    </section>
  );
}
