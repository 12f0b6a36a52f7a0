'use server';

import { revalidatePath } from 'next/cache';
import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import type { Answer } from '@/server/answer';
import { countStock, handOverKit, kitCameBack, packKit, unpackKit } from '@/server/kits/packKit';

function told(answered: Answer<void>): string | null {
  if (answered.ok) revalidatePath('/kits');
  return faultOrNull(answered);
}

export async function packKitAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => packKit(context, actor, Object.fromEntries(form))));
}

export async function unpackKitAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => unpackKit(context, actor, Object.fromEntries(form))));
}

export async function handOverKitAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => handOverKit(context, actor, Object.fromEntries(form))));
}

export async function kitCameBackAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => kitCameBack(context, actor, Object.fromEntries(form))));
}

export async function countStockAction(_before: string | null, form: FormData): Promise<string | null> {
  return told(await act((actor, context) => countStock(context, actor, Object.fromEntries(form))));
}
