import type { ChildForSafety } from '@/core/safety';
import type { Hand, TaskContent } from '@/core/tasks';
import type { FamilyWords } from '../shared/familyWords';

export interface InstructionProps {
  readonly content: TaskContent;
  readonly step: number;
  readonly child: { readonly calledName: string; readonly hand: Hand; readonly care: ChildForSafety | null };
  readonly words: FamilyWords;
  /** Pieces to get ready for the day; 0 where there are none. */
  readonly pieces: number;
}
