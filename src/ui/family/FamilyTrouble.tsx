import type { Fault } from '@/server/answer';
import { familyFaultWords } from './report/faultForFamily';
import type { FamilyWords } from '../shared/familyWords';

interface Props {
  readonly fault: Fault;
  readonly words: FamilyWords;
}

export function FamilyTrouble({ fault, words }: Props) {
  const { language } = words;
  return (
    <main className="mx-auto max-w-[30rem] px-[18px] pt-[12vh]" lang={language}>
      {fault.code === 'databaseAway' && <meta httpEquiv="refresh" content="3" />}
      <svg width="56" height="42" viewBox="0 0 25 19" aria-hidden="true">
        <path d="M0 19V13H8V7H16V0H25V19Z" fill="var(--color-green)" />
      </svg>
      <h1 className="mt-3 text-[24px]">Yard Steps</h1>
      <p role="alert" className="mt-3">
        {familyFaultWords(fault, words)}
      </p>
    </main>
  );
}
