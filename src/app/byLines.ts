import type { PersonActor } from '@/server/actor';
import type { Context } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { faultWords } from '@/ui/desk/frame/Trouble';
import { act } from './screen';

/** Result of a job: the file of all, where there is one, and the students without a part in it. */
interface MadeByLines {
  readonly file: Uint8Array | null;
  readonly left: readonly { readonly name: string; readonly why: string }[];
}

type OnChild = (done: number, of: number, own: { readonly name: string; readonly file: Uint8Array } | null) => Promise<boolean>;

/**
 * A file that takes a while, told line by line while it is made: `{"done":3,"of":48}`, with a child’s own file where one each is wished, and at last the file of all,
 * or what stood in the way. Whoever goes away, or stops it, ends it.
 */
export async function answerByLines(
  request: Request,
  job: (actor: PersonActor, context: Context, onChild: OnChild) => Promise<MadeByLines | null>,
): Promise<Response> {
  const open = await act(async () => true);
  if (!open.ok) return new Response(faultWords(open.fault), { status: STATUS_OF[open.fault.code] });
  const lines = new TransformStream<Uint8Array, Uint8Array>();
  const writer = lines.writable.getWriter();
  const tell = (line: object) => writer.write(new TextEncoder().encode(`${JSON.stringify(line)}\n`));
  void (async () => {
    const given = await act((actor, context) =>
      job(actor, context, async (done, of, own) => {
        // A closed connection cannot be written to: that is a stop, and no fault.
        await tell({ done, of, ...(own && { name: own.name, own: base64(own.file) }) }).catch(() => {});
        return !request.signal.aborted;
      }),
    );
    if (!given.ok) await tell({ fault: faultWords(given.fault) });
    else if (given.value) await tell({ pdf: given.value.file && base64(given.value.file), left: given.value.left });
    await writer.close();
  })().catch(() => writer.abort().catch(() => {}));
  return new Response(lines.readable, { headers: { 'content-type': 'application/x-ndjson; charset=utf-8' } });
}

const base64 = (file: Uint8Array) => Buffer.from(file).toString('base64');
