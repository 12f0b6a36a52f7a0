import type { SilenceAction } from '@/core/review';

export interface ReviewFault {
  readonly words: string;
  /** The answer that a reason would let pass; null where none is asked for. */
  readonly reasonFor: string | null;
  readonly stale: boolean;
}
export type ActionOf = (before: ReviewFault | null, form: FormData) => Promise<ReviewFault | null>;

export type Decide = (form: FormData) => Promise<{ ok: true; decisionId: number } | { ok: false; fault: ReviewFault }>;

export interface ReviewAct {
  readonly key: string;
  readonly answer: 'up' | 'down' | 'hold' | 'read' | 'seen' | 'lifted';
  readonly words: string;
  /** Follows the suggestion: needs no reason. */
  readonly followed: boolean;
  /** The reason that is kept with it, where the act itself is one. */
  readonly reason?: string;
  /** What is done about silence: asks until when, and a call what was said. */
  readonly deed?: SilenceAction;
}

/** What can be done about a closed task. */
export interface StopChoices {
  readonly mayLift: boolean;
  /** Names of the steps at which it may go on, the present one last. */
  readonly steps: readonly string[];
}

/** Whom words go to: the family's language, what was said in it before, and what is asked. */
export interface ToFamily {
  readonly language: string;
  readonly languageName: string;
  /** False where the family reads what the desk is written in. */
  readonly isOther: boolean;
  readonly phrases: readonly { readonly id: number; readonly own: string; readonly said: string }[];
  /** The question that the card is about, in the family's words; null where it is about none. */
  readonly asked: string | null;
}

/** What a person is being asked before an act; null where nothing is asked. */
export type Asking = ReviewAct | 'write' | 'later' | 'lift' | 'keepClosed' | 'takeOut' | null;
