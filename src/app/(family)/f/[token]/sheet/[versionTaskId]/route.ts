import { composeSheet } from '@/app/sheetWords';
import { languageOf } from '@/core/text';
import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { sheetForFamily } from '@/server/worksheets/makeSheets';
import { familyFaultWords } from '@/ui/family/report/faultForFamily';
import { familyWords } from '@/ui/shared/familyWords';

export const dynamic = 'force-dynamic';

type Params = Promise<{ token: string; versionTaskId: string }>;

/** A task's sheet for the family's own printer, at a step that it may choose. */
export async function GET(request: Request, { params }: { params: Params }): Promise<Response> {
  const { token, versionTaskId } = await params;
  const asked = new URL(request.url).searchParams;
  const options = { versionTaskId, step: asked.get('step') ?? undefined, size: asked.get('size') ?? undefined };
  const answered = await answer(() => sheetForFamily(appContext(), token, options, composeSheet));
  if (!answered.ok) {
    const words = await familyWords(languageOf(asked.get('lang')));
    return new Response(familyFaultWords(answered.fault, words), { status: STATUS_OF[answered.fault.code] });
  }
  return new Response(Buffer.from(answered.value), {
    headers: { 'content-type': 'application/pdf', 'content-disposition': 'inline; filename="sheet.pdf"' },
  });
}
