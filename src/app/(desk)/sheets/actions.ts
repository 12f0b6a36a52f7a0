'use server';

import { revalidatePath } from 'next/cache';
import { act } from '@/app/screen';
import { outlineFromFile, putSheetForChild, putSheetOnBench, type ReadOutline } from '@/server/sheets/putSheet';
import { faultWords } from '@/ui/desk/frame/Trouble';

export async function putSheetAction(given: object): Promise<string | null> {
  const answered = await act((actor, context) => ('childId' in given ? putSheetForChild : putSheetOnBench)(context, actor, given));
  if (answered.ok) revalidatePath('/sheets');
  return answered.ok ? null : faultWords(answered.fault);
}

export async function readOutlineAction(file: string, sizeMm: number): Promise<ReadOutline | string> {
  const answered = await act((actor, context) => outlineFromFile(context, actor, { file, sizeMm }));
  return answered.ok ? answered.value : faultWords(answered.fault);
}
