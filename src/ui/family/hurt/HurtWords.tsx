import type { FamilyWords } from '../../shared/familyWords';

interface Props {
  /** The task's name, in the family's language. */
  readonly task: string;
  readonly emergencyNumber: string;
  readonly words: FamilyWords;
  /** Heading: a stop at the touch, or that the task is on hold. */
  readonly title?: string;
  readonly headingId?: string;
}

/** The fixed words for when something hurt, most urgent first: stop, the emergency number, the child's doctor, who reads this. */
export function HurtWords({ task, emergencyNumber, words: { t }, title, headingId }: Props) {
  return (
    <div className="watch mt-3 border-2 border-brick">
      <h2 id={headingId} tabIndex={-1} className="text-[1.24rem]">
        {title ?? t('hurtTitle', { task })}
      </h2>
      <p className="mt-2">
        <a className="press border-brick! text-brick!" href={`tel:${emergencyNumber}`}>
          {t('callEmergency', { number: emergencyNumber })}
        </a>
      </p>
      <p className="mt-2">{t('safety')}</p>
      <p className="mt-2">{t('safetyLater')}</p>
    </div>
  );
}
