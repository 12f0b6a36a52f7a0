import type { ClipForm } from '@/core/videos';
import { addClipFiles, clipForJob, deleteOriginal, inTransaction, setClipForm, type KeptClip, type KeptFile } from '@/db';
import type { Context } from '../context';
import type { JobHandler } from '../jobs/jobHandler';
import type { PayloadOf } from '../jobs/jobs';
import type { RenditionOptions } from '../ports';
import { storeFile } from './storeFile';
import { deleteFiles } from './removeClip';

const MOST_STILLS = 4;
/** A caption is read before its moment is over: the still shows what it speaks of. */
const INTO_CAPTION_SECONDS = 0.4;

/** Makes a clip's small form, poster and stills; with them the original goes, and what was cut away of it. */
export const clipFormsHandler: JobHandler<PayloadOf<'clipForms'>, KeptClip> = {
  prepare: (context, { clipId }) => inTransaction(context.db, (work) => clipForJob(work, clipId)),
  async act(context, clip) {
    const original = clip.files.find(({ part }) => part === 'original');
    if (!original) return;
    const made = await context.workshop.makeForms(await context.media.whole(original.hash), {
      type: original.type as RenditionOptions['type'],
      fromSeconds: clip.fromSeconds,
      seconds: clip.seconds ?? 0,
      stillsAt: stillsAt(clip),
    });
    if (!made) return end(context, clip.id, 'without');
    const files: KeptFile[] = [];
    for (const { content, ...file } of made) files.push({ ...file, ...(await storeFile(context, content)) });
    await inTransaction(context.db, async (work) => {
      // Done once already, or the clip was taken away meanwhile: what was made goes by its own jobs.
      if (!(await setClipForm(work, clip.id, 'made'))) return;
      await addClipFiles(work, clip.id, files);
      const gone = await deleteOriginal(work, clip.id);
      if (gone) await deleteFiles(work, context, [gone]);
    });
  },
  settle: async () => {},
  giveUp: async (work, _context, { clipId }) => {
    await setClipForm(work, clipId, 'failed');
  },
};

async function end(context: Context, clipId: number, form: ClipForm): Promise<void> {
  await inTransaction(context.db, (work) => setClipForm(work, clipId, form));
}

/** A still for each caption; without captions, three in even steps. */
function stillsAt({ captions, seconds }: KeptClip): number[] {
  const length = seconds ?? 0;
  if (captions.length === 0) return [0, length / 3, (2 * length) / 3];
  return captions.slice(0, MOST_STILLS).map(({ atSeconds }) => Math.min(atSeconds + INTO_CAPTION_SECONDS, Math.max(0, length - 0.1)));
}
