'use server';

import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { act } from '@/app/screen';
import { decideTogether } from '@/server/review/decideTogether';
import { faultWords } from '@/ui/desk/frame/Trouble';

/** Each chosen line is `child:version:key`, as its checkbox carries it. */
export async function togetherAction(_before: string | null, form: FormData): Promise<string | null> {
  const chosen = form.getAll('line').map((line) => {
    const [childId, version, ...key] = String(line).split(':');
    return { childId, version, key: key.join(':') };
  });
  const kind = form.get('kind');
  const answered = await act((actor, context) => decideTogether(context, actor, { kind, chosen }));
  if (!answered.ok) return answered.fault.code === 'invalid' ? 'Check at least one line.' : faultWords(answered.fault);
  revalidatePath('/review', 'layout');
  const { settled, left } = answered.value;
  if (left.length > 0)
    return `${settled} settled. ${left.length} stayed open: ${[...new Set(left.map(({ fault }) => faultWords(fault)))].join(' ')}`;
  redirect(`/review/together?kind=${String(kind)}&settled=${settled}`);
}
