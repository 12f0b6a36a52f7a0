import { parseCalendarDay } from '@/core/calendar';
import { screen } from '@/app/screen';
import { viewSlips } from '@/server/kits/viewSlips';
import { Shell } from '@/ui/desk/frame/Shell';
import { SlipsScreen } from '@/ui/desk/kits/SlipsScreen';

export default async function SlipsPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const { school, week } = await searchParams;
  const name = typeof school === 'string' ? school : '';
  return screen(async (actor, context) => (
    <Shell here="/kits" actor={actor}>
      <SlipsScreen school={name} slips={await viewSlips(context, actor, name, parseCalendarDay(String(week)))} />
    </Shell>
  ));
}
