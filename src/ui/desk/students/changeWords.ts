import type { ChildView } from '@/server/students/viewChild';
import { ruleCounted } from '../parts/ruleWords';
import { words } from '../../shared/deskWords';

type Change = Pick<ChildView['changes'][number], 'cause' | 'reason' | 'suggestion'>;

/** Why a step changed: what the rule had counted, what the person wrote, or where it was set. */
export function changeWhy({ cause, reason, suggestion }: Change): string {
  switch (cause) {
    case 'suggestion':
      return [suggestion ? ruleCounted(suggestion) : words('changes.suggestionGone'), ...(reason ? [`“${reason}”`] : [])].join('. ');
    case 'decided':
      return reason || words('changes.decided');
    default:
      return words(`changes.${cause}`);
  }
}
