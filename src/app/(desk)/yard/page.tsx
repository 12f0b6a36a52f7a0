import { screen } from '@/app/screen';
import { viewYard } from '@/server/caseload/viewYard';
import { Shell } from '@/ui/desk/frame/Shell';
import { YardScreen } from '@/ui/desk/yard/YardScreen';
import { dropViewAction, keepViewAction } from './actions';
import { yardWish } from '@/ui/desk/yard/yardWish';

export default async function YardPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const wish = yardWish(await searchParams);
  return screen(async (actor, context) => {
    const view = await viewYard(context, actor, wish);
    return (
      <Shell here="/yard" actor={actor}>
        <YardScreen view={view} wish={wish} keep={keepViewAction} drop={dropViewAction} />
      </Shell>
    );
  });
}
