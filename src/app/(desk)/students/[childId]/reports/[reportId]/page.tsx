import { screen } from '@/app/screen';
import { viewReport } from '@/server/reports/viewReport';
import { Shell } from '@/ui/desk/frame/Shell';
import { ReportScreen } from '@/ui/desk/reports/ReportScreen';
import { correctReportAction } from './actions';

export default async function ReportPage({ params }: { params: Promise<{ childId: string; reportId: string }> }) {
  const { childId, reportId } = await params;
  return screen(async (actor, context) => (
    <Shell here="/caseload" actor={actor}>
      <ReportScreen view={await viewReport(context, actor, Number(childId), Number(reportId))} correct={correctReportAction} />
    </Shell>
  ));
}
