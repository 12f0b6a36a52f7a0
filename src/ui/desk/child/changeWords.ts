import type { ChildView } from '@/server/caseload/viewChild';
import { words } from '../../shared/deskWords';

type Change = Pick<ChildView['changes'][number], 'cause' | 'reason' | 'suggestion'>;

/** Why a step changed: what the rule had counted, what the person wrote, or where it was set. */
export function changeWhy({ cause, reason, suggestion }: Change): string {
  switch (cause) {
    case 'suggestion': {
      if (!suggestion) return words('changes.suggestionGone');
      const { reachedInARow, reachedOnDays, struggledInARow } = suggestion.evidence;
      return suggestion.move === 'down'
        ? words('changes.ruleDown', { struggled: struggledInARow })
        : words('changes.ruleUp', { reached: reachedInARow, days: reachedOnDays });
    }
    case 'decided':
      return reason || words('changes.decided');
    default:
      return words(`changes.${cause}`);
  }
}
