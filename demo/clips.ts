import { readFileSync } from 'node:fs';
import path from 'node:path';
import { randomUUID } from 'node:crypto';
import { captionsFrom } from '@/core/videos';
import { callChild, linesAt } from '@/core/tasks';
import { textOf } from '@/core/text';
import type { TaskVersion } from '@/db';
import type { PersonActor } from '@/server/actor';
import type { Context } from '@/server/context';
import { sendBack } from '@/server/videos/sendBack';
import { takeClip } from '@/server/videos/takeClip';

/** Tasks that a drawn clip shows, with the step that is drawn. */
const SHOWN = [
  { slug: 'crane-lift', step: 2 },
  { slug: 'pocket-the-washers', step: 1 },
] as const;
const SECONDS = 8;

const drawn = (slug: string) => readFileSync(path.join('demo', 'clips', `${slug}.mp4`));

/** The clips that the therapist has, by the slug of the task that they show. */
export async function filmClips(context: Context, therapist: PersonActor, library: readonly TaskVersion[]): Promise<Map<string, number>> {
  const clips = new Map<string, number>();
  for (const { slug, step } of SHOWN) {
    const { content } = library.find((task) => task.content.slug === slug)!;
    const lines = callChild(linesAt(content, 'childSteps', step).map(textOf), { en: 'your child', es: 'su niña o niño' });
    const facts = {
      hand: 'right',
      mayMirror: true,
      consent: 'nobody',
      consentWords: '',
      keptDays: 180,
      captions: captionsFrom(lines, SECONDS),
      fromSeconds: 0,
      toSeconds: null,
      isMuted: true,
    };
    clips.set(slug, await takeClip(context, therapist, { childId: null, slug, step, idempotencyKey: randomUUID(), facts }, [drawn(slug)]));
  }
  return clips;
}

/** A family shows how it goes. */
export async function showBack(context: Context, token: string, versionTaskId: number, step: number): Promise<void> {
  const options = { versionTaskId, step, idempotencyKey: randomUUID(), agreed: 'yes', saidBy: 'Grandma' };
  await sendBack(context, token, options, drawn('crane-lift'));
}
