import type { Fault } from '@/server/answer';
import { STATUS_OF } from '@/server/errors';
import { familyFaultWords } from '@/ui/family/report/faultForFamily';
import type { FamilyWords } from '@/ui/shared/familyWords';
import { familyHtml } from './familyHtml';

const KNOWN = [
  'notAClip',
  'clipTooLarge',
  'clipTooLong',
  'clipTooShort',
  'clipHasNoPicture',
  'clipHasTooManyPixels',
  'consentUnread',
] as const;

/** Why what a family filmed was not taken, with the way back to where it is sent. */
export function clipTrouble(fault: Fault, words: FamilyWords, back: string): Promise<Response> {
  const { t, language } = words;
  const codes = fault.code === 'invalid' && fault.detail && 'issues' in fault.detail ? fault.detail.issues.map(({ code }) => code) : [];
  const known = KNOWN.find((code) => codes.some((each) => each === code || (each === 'notAPicture' && code === 'notAClip')));
  const body = (
    <main className="mx-auto max-w-[30rem] px-[1.06rem] pt-[12vh]">
      <h1 className="text-[1.41rem]">{t('notSavedTitle')}</h1>
      <p role="alert" className="mt-3">
        {fault.code === 'invalid' ? t(`showBack.faults.${known ?? 'other'}`) : familyFaultWords(fault, words)}
      </p>
      <p className="mt-4">
        <a className="press press-main" href={back}>
          {t('tryAgain')}
        </a>
      </p>
    </main>
  );
  return familyHtml(STATUS_OF[fault.code], language, { about: '', body, data: null });
}
