import { callHands, doseAt, calculateDose, type Dose, type PlannedDose } from '@/core/dose';
import { seededRandom } from '@/core/random';
import type { FamilyWords } from '../../shared/familyWords';
import type { PadData } from '../script/page';

const MOST_CALLS_EACH = 15;
const LONGEST_RUN = 3;

/** How a step is counted: its boxes with what is asked of each, and the kind of pad that suits it. @param seed the same all day, another tomorrow */
export function padOf(planned: PlannedDose, step: number, seed: number, { t }: FamilyWords): PadData {
  const dose = doseAt(planned, step);
  const { target, rounds, restSeconds, limb } = dose;
  const { unit, handTurns, perRound } = calculateDose(dose, 1);
  const mayMix = handTurns === 2 && limb !== 'foot' && unit === 'repetitions' && perRound > 0 && perRound <= MOST_CALLS_EACH;
  return {
    kind: kindOf(dose, handTurns),
    boxes: boxesOf(dose, t),
    rounds,
    restSeconds,
    mixed: mayMix ? callHands(perRound, LONGEST_RUN, seededRandom(seed)).map((hand) => (hand === 'left' ? 0 : 1)) : [],
    holdSeconds: target.kind === 'hold' ? target.seconds : 0,
  };
}

export interface AmountBox {
  readonly name: 'left' | 'right' | 'amount';
  readonly label: string;
  /** Target of the step; null where it asks for no amount. */
  readonly target: number | null;
}

/** Returns the boxes of an amount: by hand or foot where each has its own turn, else in all. */
export function boxesOf(dose: Dose, t: FamilyWords['t']): AmountBox[] {
  const { unit, handTurns, perHand, perDay } = calculateDose(dose, 1);
  const asked = (amount: number) => (amount > 0 ? amount : null);
  if (handTurns === 2) {
    const limb = dose.limb === 'foot' ? 'Foot' : 'Hand';
    return (['left', 'right'] as const).map((side) => ({ name: side, label: t(`${side}${limb}`), target: asked(perHand) }));
  }
  const label = t(({ minutes: 'minutes', pieces: 'pieces', holds: 'holds', repetitions: 'count' } as const)[unit]);
  return [{ name: 'amount', label, target: asked(perDay) }];
}

function kindOf({ target }: Dose, handTurns: 1 | 2): PadData['kind'] {
  if (target.kind === 'watch') return 'watch';
  if (target.kind === 'time') return 'time';
  if (target.kind === 'hold') return 'hold';
  if (target.kind === 'untilDone') return handTurns === 2 ? 'hands' : 'untilDone';
  return handTurns === 2 ? 'hands' : 'count';
}
