import { languageOf } from '@/core/text';
import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { practiceCalendar } from '@/server/programs/practiceCalendar';
import { familyFaultWords } from '@/ui/family/report/faultForFamily';
import { familyWords } from '@/ui/shared/familyWords';

export const dynamic = 'force-dynamic';

/** The practice days for a family's own calendar, which asks again by itself. */
export async function GET(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const words = await familyWords(languageOf(new URL(request.url).searchParams.get('lang')));
  const { t } = words;
  const summary = (things: number, minutes: number) => t('reminders.event', { what: t('flow.inAll', { things, minutes }) });
  const answered = await answer(() => practiceCalendar(appContext(), token, summary));
  if (!answered.ok) return new Response(familyFaultWords(answered.fault, words), { status: STATUS_OF[answered.fault.code] });
  return new Response(answered.value, {
    headers: { 'content-type': 'text/calendar; charset=utf-8', 'content-disposition': 'attachment; filename="practice.ics"' },
  });
}
