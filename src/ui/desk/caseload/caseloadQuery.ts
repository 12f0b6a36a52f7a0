import {
  DEFAULT_CASELOAD_COLUMNS,
  CASELOAD_COLUMNS,
  CASELOAD_FILTERS,
  CASELOAD_SORTS,
  CASELOAD_SPANS,
  type CaseloadQuery,
} from '@/core/caseload';

/** Reads the caseload's query from the address; unknown values are ignored. */
export function caseloadQuery(address: Readonly<Record<string, string | string[] | undefined>>): CaseloadQuery {
  const text = (name: string) => (typeof address[name] === 'string' ? address[name] : '');
  return {
    search: text('search').slice(0, 80),
    filter: CASELOAD_FILTERS.find((filter) => filter === text('show')) ?? 'everyone',
    sort: CASELOAD_SORTS.find((sort) => sort === text('sort')) ?? 'name',
    school: text('school') || null,
    bySchool: text('group') !== 'none',
    columns: columnsIn(address.cols),
    span: CASELOAD_SPANS.find((span) => String(span) === text('days')) ?? 14,
  };
}

/** From "steps.word" or from boxes that were ticked; the usual ones where none is known. */
function columnsIn(told: string | string[] | undefined): CaseloadQuery['columns'] {
  const names = [told ?? []].flat().flatMap((each) => each.split('.'));
  const columns = CASELOAD_COLUMNS.filter((column) => names.includes(column));
  return columns.length > 0 ? columns : DEFAULT_CASELOAD_COLUMNS;
}

/** Builds the address of a view: only what differs from the default. */
export function caseloadAddress(options: CaseloadQuery): string {
  const { columns = DEFAULT_CASELOAD_COLUMNS, span = 14 } = options;
  const parts = {
    show: options.filter === 'everyone' ? '' : options.filter,
    sort: options.sort === 'name' ? '' : options.sort,
    school: options.school ?? '',
    group: options.bySchool ? '' : 'none',
    days: span === 14 ? '' : String(span),
    cols: columns.join() === DEFAULT_CASELOAD_COLUMNS.join() ? '' : columns.join('.'),
    search: options.search,
  };
  return String(new URLSearchParams(Object.entries(parts).filter(([, value]) => value !== '')));
}
