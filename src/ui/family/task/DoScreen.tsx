import { doseAt } from '@/core/dose';
import { targetWords } from '../../task/targetWords';
import { Onward } from '../frame/Onward';
import { Amounts } from './Amounts';
import { How } from './How';
import type { PartProps, SaidProps } from './taskProps';

/** The pad, with the boxes that it counts into, and the ways to an easier or harder step. */
export function DoScreen(props: PartProps & SaidProps) {
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
    <section id="do" className={`screen ${props.said ? 'first' : ''}`} aria-labelledby="do-title">
      <h2 id="do-title" data-heading="" tabIndex={-1} className="mt-4 text-[1.2rem]">
        {t('howMany')}
      </h2>
      <p data-swapped="" role="status" className="font-bold">
        {step !== task.step && t('swapped', { step, name: local(content.ladder.steps[step - 1]!.name) })}
      </p>
      <DoPart {...props} />
      <div className="pairs mt-3 gap-2.5">
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

/** Parts that depend on the step. */
export function DoPart(props: PartProps & SaidProps) {
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
