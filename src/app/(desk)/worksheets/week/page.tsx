import { screen } from '@/app/screen';
import { viewPapers } from '@/server/programs/viewPapers';
import { viewSheets } from '@/server/worksheets/viewSheets';
import { Shell } from '@/ui/desk/frame/Shell';
import { WeekSheetsScreen } from '@/ui/desk/worksheets/WeekSheetsScreen';

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function WeekSheetsPage({ searchParams }: { searchParams: Search }) {
  const { child } = await searchParams;
  return screen(async (actor, context) => {
    const own = (await viewSheets(context, actor, {})).children.find(({ childId }) => childId === Number(child)) ?? null;
    return (
      <Shell here="/worksheets" actor={actor}>
        <WeekSheetsScreen view={await viewPapers(context, actor)} child={own} />
      </Shell>
    );
  });
}
