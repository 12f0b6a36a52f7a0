import { answerWith } from '@/app/screen';
import { reportsTemplate } from '@/server/reports/importReports';

/** The published template of a list of reports. */
export async function GET(): Promise<Response> {
  const headers = { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="reports.csv"' };
  return answerWith(
    async (actor) => reportsTemplate(actor),
    (template) => new Response(template, { headers }),
  );
}
