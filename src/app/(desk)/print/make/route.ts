import { answerByLines } from '@/app/byLines';
import { compose } from '@/app/paperWords';
import { paperOfCaseload } from '@/server/programs/makePaper';

/** The programs of a caseload as one PDF, or one each. */
export async function GET(request: Request): Promise<Response> {
  const options = Object.fromEntries(new URL(request.url).searchParams);
  return answerByLines(request, (actor, context, onChild) => paperOfCaseload(context, actor, options, compose, onChild));
}
