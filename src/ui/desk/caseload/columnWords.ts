import type { CaseloadColumn } from '@/core/caseload';

export const COLUMN_WORDS: Readonly<Record<CaseloadColumn, string>> = {
  steps: 'current steps',
  days: 'days of practice',
  dose: 'share of target',
  skills: 'share by skill',
  practiced: 'practiced',
  word: 'last report',
  ends: 'ends on',
  review: 'next review',
  contact: 'contact',
};
