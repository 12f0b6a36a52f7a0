import { answerWith } from '@/app/screen';
import { yardForFile } from '@/server/caseload/caseloadForFile';
import { yardFile } from '@/ui/desk/caseload/caseloadFile';
import { caseloadQuery } from '@/ui/desk/caseload/caseloadQuery';

/** The yard as it is looked at, a row a child, as CSV. */
export async function GET(request: Request): Promise<Response> {
  const wish = caseloadQuery(Object.fromEntries(new URL(request.url).searchParams));
  const headers = { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="yard.csv"' };
  return answerWith(
    (actor, context) => yardForFile(context, actor, wish, yardFile),
    (file) => new Response(file, { headers }),
  );
}
