'use server';

import { faultOrNull } from '@/app/faultOrNull';
import { act } from '@/app/screen';
import { deleteCaseloadView, saveCaseloadView } from '@/server/caseload/savedViews';

export async function saveViewAction(_before: string | null, form: FormData): Promise<string | null> {
  return faultOrNull(await act((actor, context) => saveCaseloadView(context, actor, Object.fromEntries(form))), '/caseload');
}

export async function deleteViewAction(_before: string | null, form: FormData): Promise<string | null> {
  return faultOrNull(await act((actor, context) => deleteCaseloadView(context, actor, Object.fromEntries(form))), '/caseload');
}
