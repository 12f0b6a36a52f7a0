import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { submitReport } from '@/server/reports/submitReport';
import { faultForFamily } from '@/ui/family/faultForFamily';
import { mendPage } from '@/ui/family/mendPage';
import { languageFor } from '@/ui/shared/words';

/** Takes a report from a plain form (answers with a page) or from the page's script (answers with JSON). */
export async function POST(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const raw = Object.fromEntries(await request.formData().catch(() => new FormData()));
  const language = languageFor(typeof raw.lang === 'string' ? raw.lang : null);
  const answered = await answer(() => submitReport(appContext(), token, raw));
  const wantsJson = request.headers.get('accept')?.includes('application/json');
  if (answered.ok) {
    const { safetyWord, replaced, repeated } = answered.value;
    const said = safetyWord ? 'safety' : replaced ? 'replaced' : repeated ? 'repeated' : 'saved';
    const next = `/f/${token}?${new URLSearchParams({ said, lang: language })}`;
    if (wantsJson) return Response.json({ next });
    return new Response(null, { status: 303, headers: { location: next } });
  }
  const status = STATUS_OF[answered.fault.code];
  const fault = faultForFamily(answered.fault, language);
  if (wantsJson) return Response.json(fault, { status });
  return new Response(mendPage({ raw, fault, language, address: `/f/${token}/report` }), { status, headers: { 'content-type': 'text/html; charset=utf-8' } });
}
