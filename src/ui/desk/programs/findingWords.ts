import type { ProgramFinding } from '@/core/programs';
import { WEEKDAYS } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { safetyWords } from '../parts/taskWords';

export function findingWords(finding: ProgramFinding): string {
  switch (finding.code) {
    case 'overBudget':
      return words('findings.overBudget', { day: WEEKDAYS[finding.weekday - 1]!, minutes: finding.minutes, budget: finding.budget });
    case 'heavyGripOverCap':
      return words('findings.heavyGripOverCap', {
        day: WEEKDAYS[finding.weekday - 1]!,
        repetitions: finding.repetitions,
        cap: finding.cap,
      });
    case 'notAFamilyDay':
    case 'heavyGripNoRest':
      return words(`findings.${finding.code}`, { day: WEEKDAYS[finding.weekday - 1]! });
    case 'safety':
      return `${safetyWords(finding.finding)} ${words(`supervision.${finding.finding.supervision}`).replace(/^a/, 'A')}.`;
    case 'missingAtHome':
      return words('findings.missingAtHome', {
        things: finding.materials
          .map(({ name, substitutes }) => (substitutes[0] ? `${name.en} (or ${substitutes[0].en})` : name.en))
          .join('; '),
      });
    case 'replaced':
      return words('findings.replaced', {
        things: finding.replaced
          .map(({ material, by, count }) => `${count > 1 ? `${count} ` : ''}${by.en} for ${material.name.en}`)
          .join('; '),
      });
    case 'sameFamily':
      return words('findings.sameFamily', { task: finding.as.en });
    case 'substituteLevels':
      return words('findings.substituteLevels', { steps: finding.steps.length, list: finding.steps.join(', ') });
    default:
      return words(`findings.${finding.code}`);
  }
}
