import { screen } from '@/app/screen';
import { viewLooks, type LooksWish } from '@/server/audit/viewLooks';
import { Shell } from '@/ui/desk/frame/Shell';
import { LooksScreen } from '@/ui/desk/looks/LooksScreen';

interface Props {
  readonly params: Promise<{ childId: string }>;
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function LooksPage({ params, searchParams }: Props) {
  const { childId } = await params;
  const asked = await searchParams;
  const kind = (['looks', 'changes'] as const).find((each) => each === asked.show) ?? 'all';
  const wish: LooksWish = { kind, who: typeof asked.who === 'string' ? asked.who.slice(0, 80) : '' };
  return screen(async (actor, context) => (
    <Shell here="/yard" actor={actor}>
      <LooksScreen view={await viewLooks(context, actor, Number(childId), wish)} wish={wish} />
    </Shell>
  ));
}
