import { reportAnswer } from '@/app/reportAnswer';
import { appContext } from '@/server/context';

/** The intake of reports under the development server, and for forms that are not URL-encoded; else scripts/server.ts takes them in. */
export async function POST(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const raw = Object.fromEntries(await request.formData().catch(() => new FormData()));
  const { status, headers, body } = await reportAnswer(
    appContext(),
    token,
    raw,
    request.headers.get('accept')?.includes('application/json') ?? false,
  );
  return new Response(body || null, { status, headers });
}
