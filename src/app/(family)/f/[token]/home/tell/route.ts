import { languageOf } from '@/core/text';
import { answer } from '@/server/answer';
import { reportHomeInventory } from '@/server/students/homeInventory';
import { appContext } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { faultForFamily } from '@/ui/family/report/faultForFamily';
import { mendPage } from '@/ui/family/report/mendPage';
import { familyWords } from '@/ui/shared/familyWords';

/** A page of boxes and a few words is far smaller. */
const MOST_BYTES = 32 * 1024;

/** Takes in what a family tells of its house, from a plain form. */
export async function POST(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  if (Number(request.headers.get('content-length') ?? MOST_BYTES + 1) > MOST_BYTES)
    return new Response('That is more than this page holds.', { status: 413, headers: { connection: 'close' } });
  const form = await request.formData().catch(() => new FormData());
  const text = (name: string) => String(form.get(name) ?? '');
  const language = languageOf(text('lang'));
  const answers = {
    materialsAtHome: form.getAll('thing').map(String),
    hasPrinter: text('printer') === 'yes',
    minutesPerDay: Number(text('minutes')),
    practiceWeekdays: form.getAll('day').map(Number),
    helpers: text('helpers'),
    homeLanguages: form.getAll('speaks').map(String),
    reportWay: text('way'),
    words: text('words'),
  };
  const answered = await answer(() => reportHomeInventory(appContext(), token, answers));
  if (answered.ok) return new Response(null, { status: 303, headers: { location: `/f/${token}/home?said=told&lang=${language}` } });
  const words = await familyWords(language);
  const body = mendPage({
    entries: form.entries(),
    fault: faultForFamily(answered.fault, words),
    words,
    address: `/f/${token}/home/tell`,
    page: `/f/${token}/home`,
  });
  return new Response(body, { status: STATUS_OF[answered.fault.code], headers: { 'content-type': 'text/html; charset=utf-8' } });
}
