import type { DayWord } from '@/core/adherence';
import type { Outcome } from '@/core/reports';

export type PipKind = Outcome | 'noWord' | 'here';

/**
 * The marks of sessions, drawn once a page and used by name. Shape carries the meaning, colour only repeats it: full disc
 * reached, half disc partly, hollow ring struggled, cross refused or upset, hollow square not counted (no amount, or something hurt), short bar reported not done, tiny dot no word.
 */
export function PipSymbols() {
  return (
    <svg width="0" height="0" className="absolute" aria-hidden="true">
      <symbol id="pip-reached" width="12" height="12" viewBox="-6 -6 12 12" overflow="visible">
        <circle r="4.5" fill="var(--color-green)" />
      </symbol>
      <symbol id="pip-partly" width="12" height="12" viewBox="-6 -6 12 12" overflow="visible">
        <circle r="4" fill="var(--color-sheet)" stroke="var(--color-green)" strokeWidth="1.2" />
        <path d="M-4 0A4 4 0 0 0 4 0Z" fill="var(--color-green)" />
      </symbol>
      <symbol id="pip-struggled" width="12" height="12" viewBox="-6 -6 12 12" overflow="visible">
        <circle r="3.8" fill="none" stroke="var(--color-brick)" strokeWidth="1.7" />
      </symbol>
      <symbol id="pip-saidNotDone" width="12" height="12" viewBox="-6 -6 12 12" overflow="visible">
        <path d="M-3.5 0H3.5" stroke="var(--color-brick)" strokeWidth="2.2" />
      </symbol>
      <symbol id="pip-refused" width="12" height="12" viewBox="-6 -6 12 12" overflow="visible">
        <path d="M-3.4 -3.4L3.4 3.4M-3.4 3.4L3.4 -3.4" stroke="var(--color-brick)" strokeWidth="1.8" />
      </symbol>
      <symbol id="pip-uncounted" width="12" height="12" viewBox="-6 -6 12 12" overflow="visible">
        <rect x="-3.6" y="-3.6" width="7.2" height="7.2" fill="none" stroke="var(--color-soft)" strokeWidth="1.5" />
      </symbol>
      <symbol id="pip-noWord" width="12" height="12" viewBox="-6 -6 12 12" overflow="visible">
        <circle r="1.1" fill="var(--color-soft)" opacity="0.55" />
      </symbol>
    </svg>
  );
}

export function Pip({ kind, size = 12 }: { kind: PipKind; size?: number }) {
  return (
    <svg width={size} height={size} className="inline-block shrink-0 align-[-1px]" aria-hidden="true">
      <use href={`#pip-${kind}`} width={size} height={size} />
    </svg>
  );
}

export const OUTCOME_WORDS: Record<Outcome, string> = {
  reached: 'reached',
  partly: 'partly',
  struggled: 'struggled',
  refused: 'would not, or was upset',
  saidNotDone: 'reported not done',
  uncounted: 'not counted',
};

const DAY_PIPS: Record<DayWord, PipKind | null> = {
  done: 'reached',
  partly: 'partly',
  saidNotDone: 'saidNotDone',
  noWord: 'noWord',
  free: null,
  open: null,
};
export const DAY_WORDS: Record<DayWord, string> = {
  done: 'all done',
  partly: 'partly done',
  saidNotDone: 'reported not done',
  noWord: 'no report',
  free: 'nothing planned',
  open: 'still open',
};

const PITCH = 12;

/** A fortnight of practice, a mark a day. */
export function PracticeDots({ days }: { days: readonly { readonly word: DayWord }[] }) {
  const counts = (['done', 'partly', 'saidNotDone', 'noWord'] as const).map(
    (word) => `${days.filter((day) => day.word === word).length} ${DAY_WORDS[word]}`,
  );
  return (
    <svg width={days.length * PITCH} height={PITCH} role="img" aria-label={`Last ${days.length} days: ${counts.join(', ')}`}>
      {days.map((day, index) => {
        const kind = DAY_PIPS[day.word];
        return kind && <use key={index} href={`#pip-${kind}`} x={index * PITCH} />;
      })}
    </svg>
  );
}
