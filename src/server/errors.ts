import type { TaskFinding } from '@/core/library';
import type { ProgramFinding } from '@/core/programs';
import type { SessionIssue } from '@/core/reports';

/** Something in what was given that cannot be taken, by its place. */
export interface InputIssue {
  readonly path: string;
  readonly code: string;
}

/** Why what was given is not taken: what stands wrong by field, what the checks found, or cautions that were not read. */
export type InvalidDetail =
  | { readonly issues: readonly (InputIssue | SessionIssue)[] }
  | { readonly findings: readonly (ProgramFinding | TaskFinding)[] }
  | { readonly cautionsUnread: true };

/** Every fault that a person may be told of, with what is told beside it. The words live in messages/, by these codes. */
export interface FaultDetails {
  signInNeeded: null;
  signInFailed: null;
  factorNeeded: null;
  codeWrong: null;
  confirmNeeded: null;
  tooManyReports: null;
  tooManyTries: { readonly minutes: number };
  notFound: null;
  notAllowed: null;
  invalid: InvalidDetail;
  staleVersion: { readonly expected: number; readonly current: number };
  staleTask: { readonly expected: number | null; readonly current: number };
  staleDecision: null;
  staleRecord: null;
  stillLeads: { readonly children: number };
  goneOn: null;
  /** `takesReason`: a reason lets it pass; where it does not, the rule blocks. */
  unsafeStep: { readonly step: number; readonly things: string; readonly takesReason: boolean };
  reasonNeeded: null;
  noPaper: null;
  underWay: null;
  noSheet: null;
  keyUnknown: null;
  linkUnknown: null;
  linkExpired: null;
  linkRevoked: null;
  databaseAway: null;
  unexpected: null;
}
export type AppErrorCode = keyof FaultDetails;

export const STATUS_OF: Record<AppErrorCode, number> = {
  signInNeeded: 401,
  signInFailed: 401,
  factorNeeded: 401,
  codeWrong: 401,
  confirmNeeded: 403,
  tooManyReports: 429,
  tooManyTries: 429,
  notFound: 404,
  notAllowed: 403,
  invalid: 422,
  staleVersion: 409,
  staleTask: 409,
  staleDecision: 409,
  staleRecord: 409,
  stillLeads: 409,
  goneOn: 409,
  unsafeStep: 422,
  reasonNeeded: 422,
  noPaper: 409,
  underWay: 409,
  noSheet: 409,
  keyUnknown: 401,
  linkUnknown: 404,
  linkExpired: 410,
  linkRevoked: 410,
  databaseAway: 503,
  unexpected: 500,
};

type DetailArguments<Code extends AppErrorCode> = null extends FaultDetails[Code] ? [] : [detail: FaultDetails[Code]];

/** A fault with a code for people. Its detail is safe to show. What is not an AppError keeps its cause for the log. */
export class AppError<Code extends AppErrorCode = AppErrorCode> extends Error {
  readonly detail: FaultDetails[Code] | null;

  constructor(
    readonly code: Code,
    ...[detail]: DetailArguments<Code>
  ) {
    super(code);
    this.name = 'AppError';
    this.detail = detail ?? null;
  }
}
