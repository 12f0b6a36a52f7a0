import { clipTrouble } from '@/app/clipTrouble';
import { languageOf } from '@/core/text';
import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { sendBack } from '@/server/videos/sendBack';
import { familyWords } from '@/ui/shared/familyWords';

/** Takes in what a family filmed, from a plain form; its script asks for words alone. */
export async function POST(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const form = await request.formData().catch(() => new FormData());
  const text = (name: string) => String(form.get(name) ?? '');
  const file = form.get('file');
  const content = file instanceof File ? new Uint8Array(await file.arrayBuffer()) : new Uint8Array();
  const options = Object.fromEntries(['versionTaskId', 'step', 'idempotencyKey', 'agreed', 'saidBy'].map((name) => [name, text(name)]));
  const words = await familyWords(languageOf(text('lang')));
  const back = `/f/${token}/show-back/${Number(text('versionTaskId')) || 0}?lang=${words.language}`;
  const answered = await answer(() => sendBack(appContext(), token, options, content));
  if (answered.ok) return new Response(null, { status: 303, headers: { location: `${back}&said=sent` } });
  return clipTrouble(answered.fault, words, back);
}
