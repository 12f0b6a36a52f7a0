import { OUTCOME_WORDS, Pip, type PipKind } from './pips';

const MARKS: readonly (readonly [PipKind, string])[] = [
  ...(Object.entries(OUTCOME_WORDS) as [PipKind, string][]),
  ['noWord', 'no word: not the same as not done'],
];

/** Explains each mark of a step timeline and of a row of days. */
export function MarkList() {
  return (
    <ul className="space-y-1">
      {MARKS.map(([kind, says]) => (
        <li key={kind} className="flex items-center gap-3">
          <Pip kind={kind} size={14} /> {says}
        </li>
      ))}
      <li className="flex items-center gap-3">
        <svg width="44" height="20" viewBox="0 0 44 20" aria-hidden="true" className="flight shrink-0">
          <path className="edge" d="M1 18h14v-6h14" />
          <path className="here" d="M15 12h14" />
          <path className="coming" d="M29 12V5h14" />
          <path className="peg" d="M22 12V4" />
          <circle className="peg" cx="22" cy="4" r="1.6" />
        </svg>
        one tread a step: its rise is how much harder it is, its width the days spent there; the peg stands on today’s step, broken lines
        are still ahead
      </li>
      <li className="flex items-center gap-3">
        <svg width="44" height="10" viewBox="0 0 44 10" aria-hidden="true" className="shrink-0">
          <path d="M2 1v6h40V1" fill="none" stroke="var(--color-ink)" />
        </svg>
        the steps that the family may choose between
      </li>
    </ul>
  );
}
