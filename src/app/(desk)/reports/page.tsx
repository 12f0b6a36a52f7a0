import { screen } from '@/app/screen';
import { reportsQuery } from '@/ui/desk/reports/reportsQuery';
import { viewReports } from '@/server/reports/viewReports';
import { ReportsScreen } from '@/ui/desk/reports/ReportsScreen';
import { Shell } from '@/ui/desk/frame/Shell';

export default async function ReportsPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const options = reportsQuery(await searchParams);
  return screen(async (actor, context) => {
    const view = await viewReports(context, actor, options);
    return (
      <Shell here="/reports" actor={actor}>
        <ReportsScreen view={view} options={options} />
      </Shell>
    );
  });
}
