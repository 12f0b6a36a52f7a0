import { parseCalendarDay } from '@/core/calendar';
import { screen } from '@/app/screen';
import { viewEntry } from '@/server/logbook/viewEntry';
import { EntryScreen } from '@/ui/desk/logbook/EntryScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import { enterSlipAction } from './actions';

export default async function EntryPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const { child, week, stored, of, closed, way } = await searchParams;
  const textOf = (value: typeof child) => (typeof value === 'string' ? value : '');
  const wish = { childId: /^\d+$/.test(textOf(child)) ? Number(child) : null, monday: parseCalendarDay(textOf(week)) };
  const saved = Number(stored) > 0 ? { stored: Number(stored), childId: Number(of), closed: closed === '1' } : null;
  return screen(async (actor, context) => {
    const view = await viewEntry(context, actor, wish);
    return (
      <Shell here="/logbook" actor={actor}>
        <EntryScreen view={view} way={textOf(way)} saved={saved} enterSlip={enterSlipAction} />
      </Shell>
    );
  });
}
