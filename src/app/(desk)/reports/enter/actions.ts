'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/screen';
import { enterPaperLog } from '@/server/reports/enterPaperLog';
import { faultWords, issueWords } from '@/ui/desk/frame/Trouble';
import type { EnterPaperLog } from '@/ui/desk/reports/entry';

/** Takes a typed slip in; what is wrong is told by box, and nothing of it is kept then. */
export async function enterPaperLogAction(...[slip]: Parameters<EnterPaperLog>): ReturnType<EnterPaperLog> {
  const answered = await act((actor, context) => enterPaperLog(context, actor, slip));
  if (answered.ok) {
    revalidatePath('/review', 'layout');
    return { ok: true, ...answered.value };
  }
  const { fault } = answered;
  const issues = fault.code === 'invalid' && fault.detail && 'issues' in fault.detail ? fault.detail.issues : [];
  return {
    ok: false,
    words: faultWords(fault),
    boxes: Object.fromEntries(issues.map(({ path, code }) => [path, issueWords(code) ?? code])),
  };
}
