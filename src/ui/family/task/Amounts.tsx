import { callHands, reckonDose, type Dose } from '@/core/dose';
import { seededRandom } from '@/core/random';
import type { SaidToday } from '@/server/reports/viewFamily';
import type { FamilyWords } from '../../shared/familyWords';
import { Counter } from './Counter.client';

const MOST_CALLS_EACH = 15;
const LONGEST_RUN = 3;

/** How many: by hand or foot where each has its own turn, else in all. */
export function Amounts({ said, dose, words }: { said: SaidToday | null; dose: Dose; words: FamilyWords }) {
  const { t } = words;
  const { unit, handTurns, perHand, perDay } = reckonDose(dose, 1);
  const isFoot = dose.limb === 'foot';
  const tap = { hint: t('tapHint'), less: t('tapUndo'), swap: t(isFoot ? 'swapFeet' : 'swapHands') };
  const asked = (amount: number) => (amount > 0 ? { target: amount, of: t('ofTarget', { target: amount }) } : { target: null, of: '' });
  if (handTurns === 2) {
    return (
      <Counter
        tap={tap}
        fields={[
          { name: 'left', label: t(isFoot ? 'leftFoot' : 'leftHand'), ...asked(perHand), start: said?.left ?? null },
          { name: 'right', label: t(isFoot ? 'rightFoot' : 'rightHand'), ...asked(perHand), start: said?.right ?? null },
        ]}
      />
    );
  }
  const label = { minutes: t('minutes'), pieces: t('pieces'), holds: t('holds'), repetitions: t('count') }[unit];
  // Minutes are read off a clock, not tapped.
  return (
    <Counter
      tap={unit === 'minutes' ? null : tap}
      fields={[{ name: 'amount', label, ...asked(perDay), start: said?.plainAmount ?? null }]}
    />
  );
}

/** A fair order of left and right for those who like to call it; the same all day, another tomorrow. */
export function Caller({ dose, seed, words }: { dose: Dose; seed: number; words: FamilyWords }) {
  const { t } = words;
  const { unit, handTurns, perHand } = reckonDose(dose, 1);
  if (handTurns !== 2 || unit === 'minutes' || dose.limb === 'foot' || perHand === 0 || perHand > MOST_CALLS_EACH) return null;
  const calls = callHands(perHand, LONGEST_RUN, seededRandom(seed));
  return (
    <details className="mt-2">
      <summary className="min-h-[2.6rem] py-1.5">{t('callHands')}</summary>
      <p className="sheet">{calls.map((hand) => t(`calls.${hand}`)).join(' · ')}</p>
    </details>
  );
}
