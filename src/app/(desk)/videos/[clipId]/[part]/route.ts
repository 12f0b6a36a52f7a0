import { clipAnswer } from '@/app/clipAnswer';
import { answerWith } from '@/app/screen';
import { clipFileForDesk } from '@/server/videos/clipFile';

/** A file of a clip, for who works here. */
export async function GET(request: Request, { params }: { params: Promise<{ clipId: string; part: string }> }): Promise<Response> {
  const { clipId, part } = await params;
  return answerWith(
    (actor, context) => clipFileForDesk(context, actor, Number(clipId), part),
    (file) => clipAnswer(request, file),
  );
}
