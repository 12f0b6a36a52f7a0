import { languageOf } from '@/core/text';
import { answer } from '@/server/answer';
import { appContext } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { saveReminders } from '@/server/messages/reminders';
import { remindersForm } from '@/server/messages/remindersForm';
import { faultForFamily } from '@/ui/family/report/faultForFamily';
import { mendPage } from '@/ui/family/report/mendPage';
import { familyWords } from '@/ui/shared/familyWords';

/** Takes in when a family wishes to be reminded, from a plain form. */
export async function POST(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  const { token } = await params;
  const form = await request.formData().catch(() => new FormData());
  const language = languageOf(String(form.get('lang') ?? ''));
  const answered = await answer(() => saveReminders(appContext(), token, remindersForm(form)));
  if (answered.ok) return new Response(null, { status: 303, headers: { location: `/f/${token}/reminders?said=told&lang=${language}` } });
  const words = await familyWords(language);
  const body = mendPage({
    entries: form.entries(),
    fault: faultForFamily(answered.fault, words),
    words,
    address: `/f/${token}/reminders/tell`,
    page: `/f/${token}/reminders`,
  });
  return new Response(body, { status: STATUS_OF[answered.fault.code], headers: { 'content-type': 'text/html; charset=utf-8' } });
}
