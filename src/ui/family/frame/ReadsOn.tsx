import type { FamilyView } from '@/server/reports/viewFamily';
import { dayLocale, weekdaysInWords } from '../../shared/days';
import type { FamilyWords } from '../../shared/familyWords';

/** Says who reads the reports, on which days, and where the answer appears: shown where the days are known. */
export function ReadsOn({ view: { reader }, words: { t, language } }: { view: Pick<FamilyView, 'reader'>; words: FamilyWords }) {
  if (!reader || reader.days.length === 0) return null;
  return (
    <p className="mt-2 text-[0.94rem] text-soft">
      {t('readsOn', { who: reader.name, days: weekdaysInWords(reader.days, dayLocale(language)) })}
    </p>
  );
}
