import { answerWith } from '@/app/screen';
import { composeSheet } from '@/app/sheetWords';
import { sheetOfStep } from '@/server/worksheets/makeSheets';

const respond = (file: Uint8Array) =>
  new Response(Buffer.from(file), {
    headers: { 'content-type': 'application/pdf', 'content-disposition': 'inline; filename="sheet.pdf"' },
  });

/** The sheet of a step: `?slug=wheel&step=3&childId=4&size=a4`. */
export async function GET(request: Request): Promise<Response> {
  const wish = Object.fromEntries(new URL(request.url).searchParams);
  return answerWith((actor, context) => sheetOfStep(context, actor, wish, composeSheet), respond);
}

/** The sheet that stands in the Sheet maker, kept or not. */
export async function POST(request: Request): Promise<Response> {
  const wish = parsed((await request.formData().catch(() => null))?.get('wish'));
  return answerWith((actor, context) => sheetOfStep(context, actor, wish, composeSheet), respond);
}

function parsed(wish: unknown): unknown {
  try {
    return typeof wish === 'string' ? JSON.parse(wish) : null;
  } catch {
    return null;
  }
}
