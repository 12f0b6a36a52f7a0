import type { FamilyWords } from '../../shared/familyWords';
import { HurtLink } from '../hurt/HurtSection';

/** The one main button of a screen, and what to do when something hurts: always within reach. */
export function Onward({ to, words, children }: { to: string; words: FamilyWords; children: React.ReactNode }) {
  return (
    <p className="onward only-scripted">
      <a className="press press-main" href={`#${to}`}>
        {children}
      </a>
      <HurtLink words={words} />
    </p>
  );
}
