import { answerWith } from '@/app/screen';
import { caseloadForFile } from '@/server/caseload/caseloadForFile';
import { caseloadFile } from '@/ui/desk/caseload/caseloadFile';
import { caseloadQuery } from '@/ui/desk/caseload/caseloadQuery';

/** The yard as it is looked at, a row a child, as CSV. */
export async function GET(request: Request): Promise<Response> {
  const options = caseloadQuery(Object.fromEntries(new URL(request.url).searchParams));
  const headers = { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="yard.csv"' };
  return answerWith(
    (actor, context) => caseloadForFile(context, actor, options, caseloadFile),
    (file) => new Response(file, { headers }),
  );
}
