import { answerWith } from '@/app/screen';
import { viewFindables } from '@/server/caseload/viewFindables';

/** Returns the entries of the command box: this person's students, and the tasks of the library. */
export async function GET(): Promise<Response> {
  return answerWith(
    (actor, context) => viewFindables(context, actor),
    (found) => Response.json(found, { headers: { 'cache-control': 'no-store' } }),
  );
}
