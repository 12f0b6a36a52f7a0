import type { RawReport } from '@/core/reports';
import { answer } from '@/server/answer';
import type { Context } from '@/server/context';
import { STATUS_OF } from '@/server/errors';
import { submitReport } from '@/server/reports/submitReport';
import { faultForFamily } from '@/ui/family/report/faultForFamily';
import { mendPage } from '@/ui/family/report/mendPage';
import { languageOf } from '@/core/text';
import { familyWords } from '@/ui/shared/familyWords';

export interface ReportAnswer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string;
}

/** Takes a report from a plain form (answers with a page) or from the page's script (answers with JSON). */
export async function reportAnswer(context: Context, token: string, raw: RawReport, wantsJson: boolean): Promise<ReportAnswer> {
  const language = languageOf(typeof raw.lang === 'string' ? raw.lang : null);
  const answered = await answer(() => submitReport(context, token, raw));
  if (answered.ok) {
    const { safetyWord, replaced, repeated } = answered.value;
    const said = safetyWord ? 'safety' : replaced ? 'replaced' : repeated ? 'repeated' : 'saved';
    const next = `/f/${token}?said=${said}&lang=${language}`;
    return wantsJson ? json(200, { next }) : { status: 303, headers: { location: next }, body: '' };
  }
  const words = await familyWords(language);
  const status = STATUS_OF[answered.fault.code];
  const fault = faultForFamily(answered.fault, words);
  if (wantsJson) return json(status, fault);
  return {
    status,
    headers: { 'content-type': 'text/html; charset=utf-8' },
    body: mendPage({ entries: Object.entries(raw), fault, words, address: `/f/${token}/report`, page: `/f/${token}` }),
  };
}

function json(status: number, value: object): ReportAnswer {
  return { status, headers: { 'content-type': 'application/json' }, body: JSON.stringify(value) };
}
