import { compose } from '@/app/paperWords';
import { answerWith } from '@/app/screen';
import { paperOfChild } from '@/server/programs/makePaper';

/** Returns a student's program and slip as a PDF: `?size=a4&large=on&part=slip&from=2026-11-30`. */
export async function GET(request: Request, { params }: { params: Promise<{ childId: string }> }): Promise<Response> {
  const childId = Number((await params).childId);
  const options = Object.fromEntries(new URL(request.url).searchParams);
  return answerWith(
    (actor, context) => paperOfChild(context, actor, childId, options, compose),
    ({ file }) =>
      new Response(Buffer.from(file), {
        headers: { 'content-type': 'application/pdf', 'content-disposition': `attachment; filename="practice-${childId}.pdf"` },
      }),
  );
}
