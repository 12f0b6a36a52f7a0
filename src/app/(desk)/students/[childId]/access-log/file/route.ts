import { answerWith } from '@/app/screen';
import { accessLogForFile } from '@/server/audit/viewAccessLog';
import { words } from '@/ui/shared/deskWords';

/** Returns the access log of a student as a file, row by row. */
export async function GET(_request: Request, { params }: { params: Promise<{ childId: string }> }): Promise<Response> {
  const childId = Number((await params).childId);
  const headers = { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': `attachment; filename="who-looked-${childId}.csv"` };
  return answerWith(
    (actor, context) => accessLogForFile(context, actor, childId, ({ action, numbers }) => words(`audit.${action}`, numbers)),
    (file) => new Response(file, { headers }),
  );
}
