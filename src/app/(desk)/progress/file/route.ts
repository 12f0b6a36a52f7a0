import { answerWith } from '@/app/screen';
import { progressForFile } from '@/server/progress/progressForFile';
import { progressFile } from '@/ui/desk/progress/progressFile';

/** Returns the verdict of every goal of the caseload, as CSV. */
export async function GET(): Promise<Response> {
  const headers = { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="progress.csv"' };
  return answerWith(
    (actor, context) => progressForFile(context, actor, progressFile),
    (file) => new Response(file, { headers }),
  );
}
