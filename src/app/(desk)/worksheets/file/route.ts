import { answerWith } from '@/app/screen';
import { composeSheet } from '@/app/sheetWords';
import { sheetOfStep } from '@/server/worksheets/makeSheets';

const respond = (file: Uint8Array) =>
  new Response(Buffer.from(file), {
    headers: { 'content-type': 'application/pdf', 'content-disposition': 'inline; filename="sheet.pdf"' },
  });

/** The sheet of a step: `?slug=wheel&step=3&childId=4&size=a4`. */
export async function GET(request: Request): Promise<Response> {
  const options = Object.fromEntries(new URL(request.url).searchParams);
  return answerWith((actor, context) => sheetOfStep(context, actor, options, composeSheet), respond);
}

/** The sheet that stands in the Sheet maker, kept or not. */
export async function POST(request: Request): Promise<Response> {
  const options = parsed((await request.formData().catch(() => null))?.get('wish'));
  return answerWith((actor, context) => sheetOfStep(context, actor, options, composeSheet), respond);
}

function parsed(options: unknown): unknown {
  try {
    return typeof options === 'string' ? JSON.parse(options) : null;
  } catch {
    return null;
  }
}
