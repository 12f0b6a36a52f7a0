'use server';

import { faultOrNull } from '@/app/faultOrNull';
import { act, type Job } from '@/app/screen';
import { askBack, changeClip, putClip } from '@/server/videos/putClip';
import { removeClip } from '@/server/videos/removeClip';

async function told(job: Job<void>): Promise<string | null> {
  return faultOrNull(await act(job), '/videos');
}

export async function putClipAction(_before: string | null, form: FormData): Promise<string | null> {
  const options = { ...placeOf(form), clipId: Number(form.get('clipId')), isIn: form.get('isIn') === 'yes' };
  return told((actor, context) => putClip(context, actor, options));
}

export async function askBackAction(_before: string | null, form: FormData): Promise<string | null> {
  return told((actor, context) => askBack(context, actor, { ...placeOf(form), asks: form.get('asks') === 'yes' }));
}

export async function removeClipAction(_before: string | null, form: FormData): Promise<string | null> {
  return told((actor, context) => removeClip(context, actor, Number(form.get('clipId'))));
}

export async function changeClipAction(given: object): Promise<string | null> {
  return told((actor, context) => changeClip(context, actor, given));
}

const placeOf = (form: FormData) => ({ childId: Number(form.get('childId')), slug: String(form.get('slug') ?? '') });
