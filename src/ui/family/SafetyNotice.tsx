import { familyWords, type Language } from '../shared/words';

/** The fixed words for when something hurt: what to stop, and whom to call. */
export function SafetyNotice({ emergencyNumber, language }: { emergencyNumber: string; language: Language }) {
  const t = familyWords(language);
  return (
    <div role="alert" className="watch mt-3 border-2 border-brick">
      <strong className="block text-[19px]">{t('family.safetyTitle')}</strong>
      <p className="mt-1">{t('family.safety', { number: emergencyNumber })}</p>
    </div>
  );
}
