import { reckonDose, type Dose } from '@/core/dose';
import type { SaidToday } from '@/server/reports/viewFamily';
import type { FamilyWords } from '../../shared/familyWords';

/** How many, to be typed: by hand or foot where each has its own turn, else in all. The pad counts into these boxes. */
export function Amounts({ said, dose, words: { t } }: { said: SaidToday | null; dose: Dose; words: FamilyWords }) {
  const { unit, handTurns, perHand, perDay } = reckonDose(dose, 1);
  const isFoot = dose.limb === 'foot';
  const fields =
    handTurns === 2
      ? [
          { name: 'left', label: t(isFoot ? 'leftFoot' : 'leftHand'), asked: perHand, start: said?.left },
          { name: 'right', label: t(isFoot ? 'rightFoot' : 'rightHand'), asked: perHand, start: said?.right },
        ]
      : [
          {
            name: 'amount',
            label: t(({ minutes: 'minutes', pieces: 'pieces', holds: 'holds', repetitions: 'count' } as const)[unit]),
            asked: perDay,
            start: said?.plainAmount,
          },
        ];
  return (
    <details className="typed mt-2" open>
      <summary className="only-scripted">{t('flow.typeIt')}</summary>
      <div className={`grid gap-3 ${fields.length > 1 ? 'grid-cols-2' : ''}`}>
        {fields.map(({ name, label, asked, start }) => (
          <label key={name} className="block">
            {label} <span className="text-soft">{asked > 0 ? t('ofTarget', { target: asked }) : ''}</span>
            <input
              name={name}
              inputMode={unit === 'minutes' ? 'decimal' : 'numeric'}
              autoComplete="off"
              defaultValue={start ?? ''}
              className="box"
              data-field={name}
            />
          </label>
        ))}
      </div>
    </details>
  );
}
