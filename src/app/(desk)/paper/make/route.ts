import { compose } from '@/app/paperWords';
import { act } from '@/app/screen';
import { STATUS_OF } from '@/server/errors';
import { paperOfCaseload } from '@/server/programs/makePaper';
import { faultWords } from '@/ui/desk/frame/Trouble';

/**
 * The programs of a caseload as one PDF, told line by line while it is made: `{"done":3,"of":48}`, with the child’s own file where one each is wished, and at last the file of all, or what stood in
 * the way. Whoever goes away, or stops it, ends it.
 */
export async function GET(request: Request): Promise<Response> {
  const wish = Object.fromEntries(new URL(request.url).searchParams);
  const open = await act(async () => true);
  if (!open.ok) return new Response(faultWords(open.fault), { status: STATUS_OF[open.fault.code] });
  const lines = new TransformStream<Uint8Array, Uint8Array>();
  const writer = lines.writable.getWriter();
  const tell = (line: object) => writer.write(new TextEncoder().encode(`${JSON.stringify(line)}\n`));
  const isGone = () => request.signal.aborted;
  void (async () => {
    const given = await act((actor, context) =>
      paperOfCaseload(context, actor, wish, compose, async (done, of, own) => {
        // Who went away can't be told: that is a stop, and no fault.
        await tell({ done, of, ...(own && { name: own.name, own: base64(own.file) }) }).catch(() => {});
        return !isGone();
      }),
    );
    if (!given.ok) await tell({ fault: faultWords(given.fault) });
    else if (given.value) await tell({ pdf: given.value.file && base64(given.value.file), left: given.value.left });
    await writer.close();
  })().catch(() => writer.abort().catch(() => {}));
  return new Response(lines.readable, { headers: { 'content-type': 'application/x-ndjson; charset=utf-8' } });
}

const base64 = (file: Uint8Array) => Buffer.from(file).toString('base64');
