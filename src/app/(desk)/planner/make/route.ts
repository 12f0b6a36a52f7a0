import { answerByLines } from '@/app/byLines';
import { planCaseload } from '@/server/planner/planCaseload';

/** Plans the next week of a caseload, told child by child. */
export async function GET(request: Request): Promise<Response> {
  const options = Object.fromEntries(new URL(request.url).searchParams);
  return answerByLines(request, (actor, context, onChild) => planCaseload(context, actor, options, onChild));
}
