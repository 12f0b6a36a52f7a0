import { cautionsFor, type SafetyFinding } from '@/core/safety';
import { linesAt } from '@/core/tasks';
import { say } from '@/core/text';
import type { FamilyWords } from '../shared/familyWords';
import type { InstructionProps } from './instructionProps';

/**
 * Lists the cautions of a step: first how near an adult stays, empty where near is enough; then the rules' findings, the task's own
 * cautions and when to stop.
 */
export function cautionLines({ content, step, child, words }: InstructionProps): [string, ...string[]] {
  const { t, local } = words;
  const { findings, supervision } = cautionsFor(content, step, child.care);
  return [
    supervision === 'near' ? '' : t(`supervision.${supervision}`),
    ...findings.map((finding) => cautionWords(finding, words)),
    ...linesAt(content, 'cautions', step).map(local),
    local(content.stopRule),
  ];
}

function cautionWords({ rule, thing, of }: SafetyFinding, words: FamilyWords): string {
  const { t, language } = words;
  const kind = rule === 'allergen' ? t(`allergens.${of as 'wheat'}`) : '';
  const name = thing ? say(thing, language) : '';
  return t(`safetyRules.${rule}`, { thing: name.charAt(0).toUpperCase() + name.slice(1), of: kind });
}
