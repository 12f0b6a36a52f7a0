import { YARD_FILTERS, YARD_SORTS, YARD_SPANS, type YardWish } from '@/core/yard';

/** What the address asks of the Yard; what it does not know is nothing that is asked. */
export function yardWish(address: Readonly<Record<string, string | string[] | undefined>>): YardWish {
  const text = (name: string) => (typeof address[name] === 'string' ? address[name] : '');
  return {
    search: text('search').slice(0, 80),
    filter: YARD_FILTERS.find((filter) => filter === text('show')) ?? 'everyone',
    sort: YARD_SORTS.find((sort) => sort === text('sort')) ?? 'name',
    school: text('school') || null,
    bySchool: text('group') !== 'none',
    span: YARD_SPANS.find((span) => String(span) === text('days')) ?? 14,
  };
}
