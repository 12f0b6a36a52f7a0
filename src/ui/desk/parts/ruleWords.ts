import type { Suggestion } from '@/core/stepRules';

export const times = (count: number, what: string) => `${count} ${what}${count === 1 ? '' : 's'}`;
const percent = (share: number) => `${Math.round(share * 100)} %`;

const STRUGGLED = 'Struggled means under half the target, “too hard”, or stopped upset.';

/** Names the counts of a suggestion's rule: "In a row: 3 sessions reached, on 2 days". */
export function ruleCounted({ rule, evidence, move }: Suggestion): string {
  const { last, struggledInARow, struggledOnDays, reachedInARow, reachedOnDays } = evidence;
  const isDown = move === 'down';
  switch (rule.name) {
    case 'streak':
      if (!isDown) return `In a row: ${times(reachedInARow, 'session')} reached, on ${times(reachedOnDays, 'day')}`;
      return `In a row: ${times(struggledInARow, 'session')} struggled${struggledOnDays ? `, on ${times(struggledOnDays, 'day')}` : ''}`;
    case 'mOfN':
      return isDown
        ? `So many of the last: ${last?.struggled ?? 0} of ${times(last?.sessions ?? 0, 'session')} struggled`
        : `So many of the last: ${last?.reached ?? 0} of ${times(last?.sessions ?? 0, 'session')} reached, on ${times(last?.onDays ?? 0, 'day')}`;
    case 'band':
      return `Mean success: ${percent(last?.meanSuccess ?? 0)} of the target over ${times(last?.sessions ?? 0, 'session')}, on ${times(last?.onDays ?? 0, 'day')}`;
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
    why: `${ruleCounted(suggestion)}; the rule ${asks}.${isDown && rule.name !== 'band' ? ` ${STRUGGLED}` : ''}`,
    otherwise,
  });
  switch (rule.name) {
    case 'streak': {
      const { reachedInARow, struggledInARow, onDays } = rule.settings;
      return isDown
        ? told(`asks for ${struggledInARow} on ${onDays} days`, 'Would hold if the last one had been reached or partly reached.')
        : told(`asks for ${reachedInARow} on ${onDays} days`, `Would hold if one of the last ${reachedInARow} had not been reached.`);
    }
    case 'mOfN': {
      const { reached, struggled, lastSessions } = rule.settings;
      return isDown
        ? told(`asks for ${struggled} of ${lastSessions}`, `Would hold with fewer than ${struggled} struggled.`)
        : told(`asks for ${reached} of ${lastSessions}`, `Would hold with fewer than ${reached} reached.`);
    }
    case 'band': {
      const { below, above } = rule.settings;
      const asks = isDown ? `goes down under ${percent(below)}` : `goes up above ${percent(above)}`;
      return told(asks, `Would hold between ${percent(below)} and ${percent(above)}.`);
    }
  }
}
