import type { Fault } from '@/server/answer';
import { familyFaultWords } from './report/faultForFamily';
import type { FamilyWords } from '../shared/familyWords';

interface Props {
  readonly fault: Fault;
  /** In each language that it is told in. */
  readonly words: readonly FamilyWords[];
  /** Person who can be asked for another link. */
  readonly ask?: string | null;
}

export function FamilyTrouble({ fault, words, ask = null }: Props) {
  return (
    <main className="mx-auto max-w-[30rem] px-[1.06rem] pt-[12vh]">
      <svg width="56" height="42" viewBox="0 0 25 19" aria-hidden="true">
        <path d="M0 19V13H8V7H16V0H25V19Z" fill="var(--color-green)" />
      </svg>
      <h1 className="mt-3 text-[1.41rem]">Yard Steps</h1>
      {words.map((each) => (
        <p key={each.language} role="alert" className="mt-3" lang={each.language}>
          {familyFaultWords(fault, each)}
          {ask && ` ${each.t('askWho', { name: ask })}`}
        </p>
      ))}
    </main>
  );
}
