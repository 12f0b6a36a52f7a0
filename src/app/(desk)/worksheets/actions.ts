'use server';

import { revalidatePath } from 'next/cache';
import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import type { Answer } from '@/server/answer';
import { outlineFromFile, putSheetForChild, addSheetToDraft, type ReadOutline } from '@/server/worksheets/putSheet';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function putSheetForChildAction(given: object): Promise<string | null> {
  return told(await act((actor, context) => putSheetForChild(context, actor, given)));
}

export async function addSheetToDraftAction(given: object): Promise<string | null> {
  return told(await act((actor, context) => addSheetToDraft(context, actor, given)));
}

function told(answered: Answer<void>): string | null {
  if (answered.ok) revalidatePath('/worksheets');
  return faultOrNull(answered);
}

export async function readOutlineAction(file: string, sizeMm: number): Promise<ReadOutline | string> {
  const answered = await act((actor, context) => outlineFromFile(context, actor, { file, sizeMm }));
  return answered.ok ? answered.value : faultWords(answered.fault);
}
