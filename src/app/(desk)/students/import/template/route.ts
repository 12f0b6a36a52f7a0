import { answerWith } from '@/app/screen';
import { rosterTemplate } from '@/server/students/importRoster';

/** The published template of a caseload list. */
export async function GET(): Promise<Response> {
  const headers = { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="caseload.csv"' };
  return answerWith(
    async (actor) => rosterTemplate(actor),
    (template) => new Response(template, { headers }),
  );
}
