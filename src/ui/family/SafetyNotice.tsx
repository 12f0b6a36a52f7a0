import type { FamilyWords } from '../shared/familyWords';

/** The fixed words for when something hurt: what to stop, and whom to call. */
export function SafetyNotice({ emergencyNumber, words }: { emergencyNumber: string; words: FamilyWords }) {
  const { t } = words;
  return (
    <div role="alert" className="watch mt-3 border-2 border-brick">
      <strong className="block text-[19px]">{t('safetyTitle')}</strong>
      <p className="mt-1">{t('safety', { number: emergencyNumber })}</p>
    </div>
  );
}
