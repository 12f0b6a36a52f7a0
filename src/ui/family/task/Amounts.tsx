import { calculateDose, type Dose } from '@/core/dose';
import type { SaidToday } from '@/server/reports/viewFamily';
import type { FamilyWords } from '../../shared/familyWords';
import { boxesOf } from './padOf';

/** How many, to be typed: by hand or foot where each has its own turn, else in all. The pad counts into these boxes. */
export function Amounts({ said, dose, words: { t } }: { said: SaidToday | null; dose: Dose; words: FamilyWords }) {
  const { unit } = calculateDose(dose, 1);
  const boxes = boxesOf(dose, t);
  const started = { left: said?.left, right: said?.right, amount: said?.plainAmount };
  return (
    <details className="typed mt-2" open>
      <summary className="only-scripted">{t('flow.typeIt')}</summary>
      <div className={`gap-3 ${boxes.length > 1 ? 'pairs' : 'grid'}`}>
        {boxes.map(({ name, label, target }) => (
          <label key={name} className="block">
            {label} <span className="text-soft">{target !== null && t('ofTarget', { target })}</span>
            <input
              name={name}
              inputMode={unit === 'minutes' ? 'decimal' : 'numeric'}
              autoComplete="off"
              defaultValue={started[name] ?? ''}
              className="box"
              data-field={name}
            />
          </label>
        ))}
      </div>
    </details>
  );
}
