import { calculateDose, type Dose } from '@/core/dose';
import type { FamilyWords } from '../shared/familyWords';

/** Describes today's target so that it can be counted: "5 with each hand: 10 in all". */
export function targetWords(dose: Dose, words: FamilyWords): string {
  const { t } = words;
  const { unit, handTurns, perHand, perDay } = calculateDose(dose, 1);
  const foot = dose.limb === 'foot' ? 'Foot' : '';
  if (dose.target.kind === 'watch') return t('target.watch');
  if (dose.target.kind === 'hold') {
    return t(handTurns === 2 ? `target.holdsEach${foot}` : 'target.holds', { total: perHand, seconds: dose.target.seconds });
  }
  return handTurns === 2
    ? t(`target.each${foot}`, { each: perHand, total: perDay })
    : t(`target.${unit === 'holds' ? 'repetitions' : unit}`, { total: perDay });
}
