import { reckonDose, type Dose } from '@/core/dose';
import type { FamilyWords } from '../../shared/familyWords';

/** What is asked for today, said so that it can be counted: "5 with each hand: 10 in all". */
export function targetWords(dose: Dose, words: FamilyWords): string {
  const { t } = words;
  const { unit, handTurns, perHand, perDay } = reckonDose(dose, 1);
  return handTurns === 2 ? t('target.each', { each: perHand, total: perDay }) : t(`target.${unit}`, { total: perDay });
}
