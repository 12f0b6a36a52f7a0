'use server';

import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import type { TaskContent } from '@/core/tasks';
import { deleteDraft, storeDraft, shelveTask, startTask } from '@/server/tasks/taskDrafts';
import { setShelf } from '@/server/tasks/setShelf';
import { importPack } from '@/server/tasks/packs';
import { viewVersion } from '@/server/tasks/viewTaskEditor';
import type { ImportAnswer } from '@/ui/desk/tasks/LibraryActs.client';
import { packFaultWords } from '@/ui/desk/tasks/packWords';
import { faultWords } from '@/ui/desk/frame/Trouble';

type Made = { readonly ok: true; readonly slug: string } | { readonly ok: false; readonly words: string };

export async function startTaskAction(title: string): Promise<Made> {
  return made(null, title);
}

export async function copyTaskAction(from: string, title: string): Promise<Made> {
  return made(from, title);
}

async function made(from: string | null, title: string): Promise<Made> {
  const answered = await act((actor, context) => startTask(context, actor, { from, title }));
  return answered.ok ? { ok: true, slug: answered.value.slug } : { ok: false, words: faultWords(answered.fault) };
}

export async function saveTaskDraftAction(content: TaskContent): Promise<string | null> {
  return faultOrNull(await act((actor, context) => storeDraft(context, actor, content)));
}

export async function deleteDraftAction(slug: string): Promise<string | null> {
  return faultOrNull(await act((actor, context) => deleteDraft(context, actor, slug)));
}

export async function shelveTaskAction(content: TaskContent): Promise<{ ok: true; number: number } | { ok: false; words: string }> {
  const answered = await act((actor, context) => shelveTask(context, actor, content));
  return answered.ok ? { ok: true, number: answered.value.number } : { ok: false, words: faultWords(answered.fault) };
}

/** The people for whom a task is in the library. */
export async function setShelfAction(slug: string, shelf: string): Promise<string | null> {
  return faultOrNull(await act((actor, context) => setShelf(context, actor, { slug, shelf })));
}

export async function versionAction(slug: string, number: number): Promise<TaskContent | null> {
  const answered = await act((actor, context) => viewVersion(context, actor, { slug, number }));
  return answered.ok ? answered.value : null;
}

export async function importPackAction(text: string): Promise<ImportAnswer> {
  const answered = await act((actor, context) => importPack(context, actor, text));
  if (!answered.ok) return { ok: false, faults: [faultWords(answered.fault)] };
  return answered.value.ok ? answered.value : { ok: false, faults: packFaultWords(answered.value) };
}
