import { clipTrouble } from '@/app/clipTrouble';
import { languageOf } from '@/core/text';
import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { takeBackClip } from '@/server/videos/removeClip';
import { familyWords } from '@/ui/shared/familyWords';

/** A family takes back what it sent. */
export async function POST(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const form = await request.formData().catch(() => new FormData());
  const words = await familyWords(languageOf(String(form.get('lang') ?? '')));
  const back = `/f/${token}/show-back/${Number(form.get('versionTaskId')) || 0}?lang=${words.language}`;
  const answered = await answer(() => takeBackClip(appContext(), token, Number(form.get('clipId'))));
  if (answered.ok) return new Response(null, { status: 303, headers: { location: `${back}&said=takenBack` } });
  return clipTrouble(answered.fault, words, back);
}
