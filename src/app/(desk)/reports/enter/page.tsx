import { parseCalendarDay } from '@/core/calendar';
import { screen } from '@/app/screen';
import { viewEntry } from '@/server/reports/viewEntry';
import { EntryScreen } from '@/ui/desk/reports/EntryScreen';
import { Shell } from '@/ui/desk/frame/Shell';
import { enterPaperLogAction } from './actions';

export default async function EntryPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const { child, week, stored, of, closed, way, log } = await searchParams;
  const textOf = (value: typeof child) => (typeof value === 'string' ? value : '');
  const numberOf = (value: typeof child) => (/^\d{1,9}$/.test(textOf(value)) ? Number(value) : null);
  const isPaper = textOf(way) !== 'call' && textOf(way) !== 'teacher';
  const options = { childId: numberOf(child), monday: parseCalendarDay(textOf(week)), isPaper, log: numberOf(log) };
  const saved = Number(stored) > 0 ? { stored: Number(stored), childId: Number(of), closed: closed === '1' } : null;
  return screen(async (actor, context) => {
    const view = await viewEntry(context, actor, options);
    return (
      <Shell here="/reports" actor={actor}>
        <EntryScreen view={view} way={textOf(way)} saved={saved} enterPaperLog={enterPaperLogAction} />
      </Shell>
    );
  });
}
