import { parseCalendarDay } from '@/core/calendar';
import { screen } from '@/app/screen';
import { viewKits } from '@/server/kits/viewKits';
import { Shell } from '@/ui/desk/frame/Shell';
import { KitsScreen } from '@/ui/desk/kits/KitsScreen';
import * as actions from './actions';

const ACTS = {
  pack: actions.packKitAction,
  unpack: actions.unpackKitAction,
  handOver: actions.handOverKitAction,
  cameBack: actions.kitCameBackAction,
  count: actions.countStockAction,
};

export default async function KitsPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const { school, child, week } = await searchParams;
  const childId = typeof child === 'string' && /^\d{1,15}$/.test(child) ? Number(child) : null;
  return screen(async (actor, context) => {
    const view = await viewKits(context, actor, typeof school === 'string' ? school : '', parseCalendarDay(String(week)));
    return (
      <Shell here="/kits" actor={actor}>
        <KitsScreen view={view} childId={childId} acts={ACTS} />
      </Shell>
    );
  });
}
