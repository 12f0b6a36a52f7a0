import type { ReportIssue } from '@/core/sessions';
import { familyWords, type Language } from '../shared/words';

export interface FamilyFault {
  /** What is wrong as a whole. */
  readonly words: string;
  /** What is wrong by field. */
  readonly fields: Readonly<Record<string, string>>;
  /** True where sending the same once more may well succeed. */
  readonly again: boolean;
}

/** A fault in the family's language, field by field where it speaks of fields. */
export function faultForFamily(
  fault: { readonly code: string; readonly detail: unknown; readonly logId: string | null },
  language: Language,
): FamilyFault {
  const t = familyWords(language);
  const issues = (fault.detail as { issues?: readonly ReportIssue[] } | null)?.issues ?? [];
  const fields = Object.fromEntries(issues.map((issue) => [issue.path, t(`reportIssues.${issue.code}`, { ...issue } as never)]));
  const again = fault.code === 'databaseAway' || fault.code === 'unexpected';
  if (Object.keys(fields).length) return { words: t('family.mend'), fields, again };
  if (fault.code === 'databaseAway') return { words: t('family.notSaved'), fields, again };
  return { words: t(`faults.${fault.code}` as 'faults.unexpected', { logId: fault.logId ?? '', minutes: 0 } as never), fields, again };
}
