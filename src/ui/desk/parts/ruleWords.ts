import type { Suggestion } from '@/core/stepRules';

export const times = (count: number, what: string) => `${count} ${what}${count === 1 ? '' : 's'}`;
const percent = (share: number) => `${Math.round(share * 100)}%`;

const STRUGGLED = 'Struggled means under half the target, “too hard”, or stopped upset.';

/** Names the counts of a suggestion's rule: "In a row: 3 sessions reached, on 2 days". */
export function ruleCounted({ rule, evidence, move }: Suggestion): string {
  const { last, struggledInARow, struggledOnDays, reachedInARow, reachedOnDays } = evidence;
  const isDown = move === 'down';
  switch (rule.name) {
    case 'streak':
      if (!isDown) return `Met the target in ${times(reachedInARow, 'session')} in a row, on ${times(reachedOnDays, 'day')}`;
      return `Had difficulty in ${times(struggledInARow, 'session')} in a row${struggledOnDays ? `, on ${times(struggledOnDays, 'day')}` : ''}`;
    case 'mOfN':
      return isDown
        ? `Had difficulty in ${last?.struggled ?? 0} of the last ${times(last?.sessions ?? 0, 'session')}`
        : `Met the target in ${last?.reached ?? 0} of the last ${times(last?.sessions ?? 0, 'session')}, on ${times(last?.onDays ?? 0, 'day')}`;
    case 'band':
      return `Average success: ${percent(last?.meanSuccess ?? 0)} of the target over ${times(last?.sessions ?? 0, 'session')}, on ${times(last?.onDays ?? 0, 'day')}`;
  }
}

/**
 * Explains a suggestion up or down: its evidence, what its rule asks for, and what would have changed it. Every number is in the
 * evidence.
 */
export function ruleWords(suggestion: Suggestion): { readonly why: string; readonly otherwise: string } {
  const { rule, move } = suggestion;
  const isDown = move === 'down';
  const told = (asks: string, otherwise: string) => ({
    why: `${ruleCounted(suggestion)}. The rule ${asks}.${isDown && rule.name !== 'band' ? ` ${STRUGGLED}` : ''}`,
    otherwise,
  });
  switch (rule.name) {
    case 'streak': {
      const { reachedInARow, struggledInARow, onDays } = rule.settings;
      return isDown
        ? told(
            `asks for ${struggledInARow} on ${onDays} days`,
            'If the last session had met or partly met the target, the rule would suggest staying at this step.',
          )
        : told(
            `asks for ${reachedInARow} on ${onDays} days`,
            `If one of the last ${reachedInARow} sessions had missed the target, the rule would suggest staying at this step.`,
          );
    }
    case 'mOfN': {
      const { reached, struggled, lastSessions } = rule.settings;
      return isDown
        ? told(
            `asks for ${struggled} of ${lastSessions}`,
            `With fewer than ${struggled} difficult sessions, the rule would suggest staying at this step.`,
          )
        : told(
            `asks for ${reached} of ${lastSessions}`,
            `With fewer than ${reached} sessions on target, the rule would suggest staying at this step.`,
          );
    }
    case 'band': {
      const { below, above } = rule.settings;
      const asks = isDown ? `goes down under ${percent(below)}` : `goes up above ${percent(above)}`;
      return told(asks, `Between ${percent(below)} and ${percent(above)}, the rule would suggest staying at this step.`);
    }
  }
}
