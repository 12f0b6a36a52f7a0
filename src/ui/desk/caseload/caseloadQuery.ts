import { USUAL_YARD_COLUMNS, YARD_COLUMNS, YARD_FILTERS, YARD_SORTS, CASELOAD_SPANS, type CaseloadQuery } from '@/core/caseload';

/** What the address asks of the Yard; what it does not know is nothing that is asked. */
export function caseloadQuery(address: Readonly<Record<string, string | string[] | undefined>>): CaseloadQuery {
  const text = (name: string) => (typeof address[name] === 'string' ? address[name] : '');
  return {
    search: text('search').slice(0, 80),
    filter: YARD_FILTERS.find((filter) => filter === text('show')) ?? 'everyone',
    sort: YARD_SORTS.find((sort) => sort === text('sort')) ?? 'name',
    school: text('school') || null,
    bySchool: text('group') !== 'none',
    columns: columnsIn(address.cols),
    span: CASELOAD_SPANS.find((span) => String(span) === text('days')) ?? 14,
  };
}

/** From "steps.word" or from boxes that were ticked; the usual ones where none is known. */
function columnsIn(told: string | string[] | undefined): CaseloadQuery['columns'] {
  const names = [told ?? []].flat().flatMap((each) => each.split('.'));
  const columns = YARD_COLUMNS.filter((column) => names.includes(column));
  return columns.length > 0 ? columns : USUAL_YARD_COLUMNS;
}

/** What stands behind the question mark where one looks in this way: only what is not as usual. */
export function yardAddress(wish: CaseloadQuery): string {
  const { columns = USUAL_YARD_COLUMNS, span = 14 } = wish;
  const parts = {
    show: wish.filter === 'everyone' ? '' : wish.filter,
    sort: wish.sort === 'name' ? '' : wish.sort,
    school: wish.school ?? '',
    group: wish.bySchool ? '' : 'none',
    days: span === 14 ? '' : String(span),
    cols: columns.join() === USUAL_YARD_COLUMNS.join() ? '' : columns.join('.'),
    search: wish.search,
  };
  return String(new URLSearchParams(Object.entries(parts).filter(([, value]) => value !== '')));
}
