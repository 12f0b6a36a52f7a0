import { reckonDose, type Dose } from '@/core/dose';
import { familyWords, type Language } from '../shared/words';

/** What is asked for today, said so that it can be counted: "5 with each hand: 10 in all". */
export function targetWords(dose: Dose, language: Language): string {
  const t = familyWords(language);
  const { unit, handTurns, perHand, perDay } = reckonDose(dose, 1);
  return handTurns === 2 ? t('family.target.each', { each: perHand, total: perDay }) : t(`family.target.${unit}`, { total: perDay });
}
