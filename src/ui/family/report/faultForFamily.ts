import type { SessionIssue } from '@/core/reports';
import type { Fault } from '@/server/answer';
import type { FamilyWords } from '../../shared/familyWords';

export interface FamilyFault {
  /** Description of the fault as a whole. */
  readonly words: string;
  /** Faults by field. */
  readonly fields: Readonly<Record<string, string>>;
  /** True where sending the same once more may well succeed. */
  readonly again: boolean;
}

/** The faults that a family can meet; any other is told as the general one. */
const FAMILY_FAULTS = [
  'notFound',
  'invalid',
  'linkUnknown',
  'linkExpired',
  'linkRevoked',
  'tooManyReports',
  'databaseAway',
  'unexpected',
] as const;

export function familyFaultWords({ code, logId }: Pick<Fault, 'code' | 'logId'>, { t }: FamilyWords): string {
  const known = FAMILY_FAULTS.find((each) => each === code) ?? 'unexpected';
  return t(`faults.${known}`, { logId: logId ?? '' });
}

/** A fault in the family's language, field by field where it speaks of fields. */
export function faultForFamily(fault: Fault, words: FamilyWords): FamilyFault {
  const { t } = words;
  const issues = fault.code === 'invalid' && fault.detail && 'issues' in fault.detail ? fault.detail.issues.filter(isOfForm) : [];
  const fields = Object.fromEntries(issues.map((issue) => [issue.path, t(`reportIssues.${issue.code}`, { ...issue })]));
  const again = fault.code === 'databaseAway' || fault.code === 'unexpected';
  if (Object.keys(fields).length) return { words: t('mend'), fields, again };
  if (fault.code === 'databaseAway') return { words: t('notSaved'), fields, again };
  return { words: familyFaultWords(fault, words), fields, again };
}

/** Issues of the form's own fields; others (a key that is none) no family can mend. */
function isOfForm(issue: { readonly code: string }): issue is SessionIssue {
  return REPORT_ISSUES.some((code) => code === issue.code);
}

const REPORT_ISSUES = [
  'notWhole',
  'negative',
  'tooMany',
  'countedNotDone',
  'notADay',
  'futureDay',
  'tooLongAgo',
  'tooLong',
  'notAChoice',
  'notAllowedStep',
] as const satisfies readonly SessionIssue['code'][];
