import { clipAnswer } from '@/app/clipAnswer';
import { languageOf } from '@/core/text';
import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { clipFileForFamily } from '@/server/videos/clipFile';
import { familyFaultWords } from '@/ui/family/report/faultForFamily';
import { familyWords } from '@/ui/shared/familyWords';

export const dynamic = 'force-dynamic';

type Params = Promise<{ token: string; clipId: string; part: string }>;

/** A file of a clip that this family may see, or its captions in a language. */
export async function GET(request: Request, { params }: { params: Params }): Promise<Response> {
  const { token, clipId, part } = await params;
  const language = languageOf(new URL(request.url).searchParams.get('lang'));
  const answered = await answer(() => clipFileForFamily(appContext(), token, { clipId: Number(clipId), part, language }));
  if (answered.ok) return clipAnswer(request, answered.value);
  return new Response(familyFaultWords(answered.fault, await familyWords(language)), { status: STATUS_OF[answered.fault.code] });
}
