import { answerByLines } from '@/app/byLines';
import { reportsOfCaseload } from '@/server/progress/makeReports';
import { reportPage } from '@/ui/desk/progress/reportPage';

/** The reports on all goals of a caseload as one PDF. */
export async function GET(request: Request): Promise<Response> {
  const options = Object.fromEntries(new URL(request.url).searchParams);
  return answerByLines(request, (actor, context, onChild) => reportsOfCaseload(context, actor, options, reportPage, onChild));
}
