import { YARD_FILTERS, YARD_SORTS, type YardWish } from '@/core/yard';
import { screen } from '@/app/screen';
import { viewYard } from '@/server/caseload/viewYard';
import { Shell } from '@/ui/desk/frame/Shell';
import { YardScreen } from '@/ui/desk/yard/YardScreen';

type Address = Promise<Record<string, string | string[] | undefined>>;

export default async function YardPage({ searchParams }: { searchParams: Address }) {
  const wish = wishFrom(await searchParams);
  return screen(async (actor, context) => {
    const view = await viewYard(context, actor, wish);
    return (
      <Shell here="/yard" actor={actor}>
        <YardScreen view={view} wish={wish} />
      </Shell>
    );
  });
}

function wishFrom(address: Awaited<Address>): YardWish {
  const text = (name: string) => (typeof address[name] === 'string' ? address[name] : '');
  return {
    search: text('search').slice(0, 80),
    filter: YARD_FILTERS.find((filter) => filter === text('show')) ?? 'everyone',
    sort: YARD_SORTS.find((sort) => sort === text('sort')) ?? 'name',
    school: text('school') || null,
    bySchool: text('group') !== 'none',
  };
}
