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
  /** Action on silence: asks until when, and a call for its content. */
  readonly silenceAction?: SilenceAction;
}

/** Choices for a task on hold. */
export interface StopChoices {
  readonly mayLift: boolean;
  /** Names of the steps at which it may go on, the present one last. */
  readonly steps: readonly string[];
}

/** Reader of a message: the family's language, earlier phrases in it, and the question. */
export interface ToFamily {
  readonly language: string;
  readonly languageName: string;
  /** False where the family reads what the desk is written in. */
  readonly isOther: boolean;
  readonly phrases: readonly { readonly id: number; readonly own: string; readonly said: string }[];
  /** The question that the card is about, in the family's words; null where it is about none. */
  readonly asked: string | null;
}

/** Question that is open before an act; null where none is. */
export type Asking = ReviewAct | 'write' | 'later' | 'lift' | 'keepClosed' | 'takeOut' | null;
