import { answerByLines } from '@/app/byLines';
import { composeSheet } from '@/app/sheetWords';
import { sheetsOfWeek } from '@/server/worksheets/makeSheets';

/** The sheets of a bag, a school or a caseload as one PDF. */
export async function GET(request: Request): Promise<Response> {
  const options = Object.fromEntries(new URL(request.url).searchParams);
  return answerByLines(request, (actor, context, onChild) => sheetsOfWeek(context, actor, options, composeSheet, onChild));
}
