import type { ProgramFinding } from '@/core/program';
import { WEEKDAYS } from '../../shared/days';
import { words } from '../../shared/words';
import type { LibraryTask } from './draftEdits';

export function findingWords(finding: ProgramFinding, task: LibraryTask | undefined): string {
  switch (finding.code) {
    case 'overBudget':
      return words('findings.overBudget', { day: WEEKDAYS[finding.weekday - 1]!, minutes: finding.minutes, budget: finding.budget });
    case 'hazard':
      return words(`findings.hazards.${finding.hazard}`);
    case 'age':
      return words('findings.age', { fromYears: finding.fromYears, toYears: finding.toYears });
    case 'missingAtHome':
      return words('findings.missingAtHome', { things: finding.materials.map((index) => missing(task, index)).join('; ') });
    default:
      return words(`findings.${finding.code}`);
  }
}

function missing(task: LibraryTask | undefined, index: number): string {
  const material = task?.content.materials[index];
  if (!material) return '?';
  const instead = material.substitutes[0]?.en;
  return instead ? `${material.name.en} (or ${instead})` : material.name.en;
}
