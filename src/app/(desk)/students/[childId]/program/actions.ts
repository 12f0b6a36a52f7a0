'use server';

import type { ProgramDraft } from '@/core/programs';
import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import { saveDraft } from '@/server/programs/saveDraft';
import { sendProgram } from '@/server/programs/sendProgram';
import { faultWords } from '@/ui/desk/frame/Trouble';

export type SendAnswer = { readonly ok: true; readonly versionNumber: number } | { readonly ok: false; readonly words: string };

export async function saveDraftAction(childId: number, draft: ProgramDraft): Promise<string | null> {
  return faultOrNull(await act((actor, context) => saveDraft(context, actor, childId, draft)));
}

export async function sendProgramAction(input: {
  childId: number;
  expectedVersion: number;
  draft: ProgramDraft;
  cautionsRead: boolean;
}): Promise<SendAnswer> {
  const answered = await act((actor, context) => sendProgram(context, actor, input));
  return answered.ok ? { ok: true, versionNumber: answered.value.versionNumber } : { ok: false, words: faultWords(answered.fault) };
}
