import type { ModelRow, PlanModel } from './planModel';

/**
 * The model in the LP format that solvers read (objective, `Subject To`, `Bounds`, `Binaries`). A row without variables is told by a variable that is always 0.
 * Source of the format: the LP file format of CPLEX, as HiGHS reads it.
 * @param isWhole false lets what is 0 or 1 be anything between: such a week is at least as good
 * @example "Maximize\n obj: 100 y_1 …"
 */
export function lpText({ variables, rows }: PlanModel, { isWhole } = { isWhole: true }): string {
  const sum = (terms: ModelRow['terms']) =>
    terms.length === 0 ? '0 nothing' : terms.map(([variable, factor]) => term(factor, variables[variable]!.name)).join(' ');
  const gains = variables.map(({ name, gain }) => term(gain, name)).join(' ');
  return [
    'Maximize',
    ` obj: ${gains || '0 nothing'}`,
    'Subject To',
    ...rows.map(({ name, terms, sense, bound }) => ` ${name}: ${sum(terms)} ${sense} ${bound}`),
    'Bounds',
    ' 0 <= nothing <= 0',
    ...variables.filter(({ isBinary }) => !isBinary || !isWhole).map(({ name, most }) => ` 0 <= ${name} <= ${most}`),
    ...(isWhole
      ? [
          'Binaries',
          ` ${variables
            .filter(({ isBinary }) => isBinary)
            .map(({ name }) => name)
            .join(' ')}`,
        ]
      : []),
    'End',
  ].join('\n');
}

const term = (factor: number, name: string) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`;
