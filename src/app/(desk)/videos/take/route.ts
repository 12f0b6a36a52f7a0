import { act, answerWith } from '@/app/screen';
import { STATUS_OF } from '@/server/errors';
import { takeClip } from '@/server/videos/takeClip';
import { faultWords } from '@/ui/desk/frame/Trouble';

/** Takes in what a therapist filmed, or pictures: what is said of it as JSON under `options`, the files under `file`. */
export async function POST(request: Request): Promise<Response> {
  // Nobody's megabytes are read before it is known whose they are.
  const known = await act(async () => true);
  if (!known.ok) return new Response(faultWords(known.fault), { status: STATUS_OF[known.fault.code] });
  const form = await request.formData().catch(() => new FormData());
  const files = form.getAll('file').filter((file) => file instanceof File);
  const contents = await Promise.all(files.map(async (file) => new Uint8Array(await file.arrayBuffer())));
  return answerWith(
    (actor, context) => takeClip(context, actor, parsed(form.get('wish')), contents),
    (clipId) => Response.json({ clipId }),
  );
}

function parsed(options: unknown): unknown {
  try {
    return typeof options === 'string' ? JSON.parse(options) : null;
  } catch {
    return null;
  }
}
