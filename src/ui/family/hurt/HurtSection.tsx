import type { FamilyWords } from '../../shared/familyWords';
import type { FamilyTask } from '@/server/reports/viewFamily';
import { HurtWords } from './HurtWords';

interface Props {
  readonly task: FamilyTask['task'];
  readonly step: number;
  readonly token: string;
  readonly emergencyNumber: string;
  readonly words: FamilyWords;
  readonly newKey: string;
}

/**
 * Stands before what is done, hidden till its address is gone to: then the style sheet shows it and hides all that comes
 * after. So it needs no network and no script.
 */
export function HurtSection({ task, step, token, emergencyNumber, words, newKey }: Props) {
  const { local } = words;
  return (
    <section id="hurt" aria-labelledby="hurt-title">
      <HurtWords task={local(task.content.title)} emergencyNumber={emergencyNumber} words={words} headingId="hurt-title" />
      <HurtForm task={task} step={step} token={token} words={words} newKey={newKey} kind="press" />
    </section>
  );
}

/** Within reach on every screen of a task. @param isScripted where the page without scripts has one of its own beside it */
export function HurtLink({ words: { t }, isScripted = false }: { words: FamilyWords; isScripted?: boolean }) {
  return (
    <a href="#hurt" className={`hurt-link ${isScripted ? 'only-scripted' : ''}`}>
      {t('hurtNow')}
    </a>
  );
}

/** The box for what happened: it stays for as long as the task is on hold. */
export function HurtForm({ task, step, token, words, newKey, kind }: Omit<Props, 'emergencyNumber'> & { readonly kind: 'press' | 'more' }) {
  const { t, language } = words;
  return (
    <form method="post" action={`/f/${token}/report`} data-hurt-form={kind}>
      <input type="hidden" name="lang" value={language} />
      <input type="hidden" name="idempotencyKey" value={newKey} />
      <input type="hidden" name="versionTaskId" value={task.versionTaskId} />
      <input type="hidden" name="step" value={step} />
      <input type="hidden" name="done" value="yes" />
      <input type="hidden" name="hurt" value="on" />
      <label className="mt-3 block">
        {t('hurtWhat')}
        <textarea name="words" rows={3} className="box" dir="auto" maxLength={2000} required={kind === 'more'} />
      </label>
      <button className="press press-main mt-3">{t('hurtTell')}</button>
      {kind === 'press' && (
        <a className="press mt-2.5" href="#top" data-slip="">
          {t('hurtSlip')}
        </a>
      )}
    </form>
  );
}
