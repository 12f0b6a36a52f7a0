import type { CaseloadColumn } from '@/core/caseload';

export const COLUMN_WORDS: Readonly<Record<CaseloadColumn, string>> = {
  steps: 'steps now',
  days: 'days of practice',
  dose: 'of the dose',
  skills: 'dose by skill',
  practiced: 'practiced',
  word: 'last report',
  ends: 'ends on',
  review: 'next review',
  contact: 'contact',
};
