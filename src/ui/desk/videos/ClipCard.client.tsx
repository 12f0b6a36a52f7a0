'use client';

import { useState } from 'react';
import { clipFileOf, stillsOf } from '@/core/videos';
import type { ClipRow, OpenTask } from '@/server/videos/viewClips';
import { dayAndMonth } from '../../shared/days';
import { ClipWords } from './ClipWords';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';

interface Props {
  readonly clip: ClipRow;
  readonly open: OpenTask | null;
  readonly put: WordedAction;
  readonly remove: WordedAction;
  readonly change: (given: object) => Promise<string | null>;
  readonly mayPut: boolean;
}

const FORMS = {
  waiting: 'A compressed copy for slow connections is being made.',
  made: null,
  without: 'This server cannot compress videos. Families load the full file.',
  failed: 'It could not be compressed. Families load the full file.',
} as const;

/** A video, or a row of pictures: what it shows, for whom, until when, and its actions. */
export function ClipCard({ clip, open, put, remove, change, mayPut }: Props) {
  const [isSure, setSure] = useState(false);
  const isIn = open?.placed?.clips.includes(clip.id) ?? false;
  const file = clip.kind === 'clip' ? clipFileOf(clip.files) : null;
  return (
    <article
      id={`clip-${clip.id}`}
      className="grid gap-x-5 gap-y-2 border-b border-line py-3 min-[800px]:grid-cols-[220px_minmax(0,1fr)]"
      aria-label={`${clip.title.en}, step ${clip.step}`}
    >
      <ClipFiles clip={clip} />
      <div>
        <p>
          <strong>{clip.title.en}</strong>, step {clip.step}
          {clip.stepName && ` (${clip.stepName.en})`}
          {clip.childName && `, ${clip.childName}`}
        </p>
        <p className="text-[14px] text-soft">
          {whose(clip)} · {file ? `${(clip.seconds ?? 0).toFixed(0)} s, ${size(file.bytes)}` : `${clip.files.length} pictures`}
          {clip.kind === 'clip' && !clip.hasSound && ', without sound'} · deleted after {dayAndMonth(clip.expiresOn)}
          {FORMS[clip.form] && ` · ${FORMS[clip.form]}`}
        </p>
        {clip.captions.length > 0 && (
          <ol className="list-decimal pl-5 text-[14px]">
            {clip.captions.map(({ atSeconds, text }) => (
              <li key={atSeconds}>{text.en}</li>
            ))}
          </ol>
        )}
        {clip.origin === 'shown' && clip.mayRemove && <ClipWords clip={clip} language={open?.child?.language ?? 'es'} change={change} />}
        <div className="mt-2 flex flex-wrap items-baseline gap-4">
          {mayPut && open?.child && open.placed && clip.origin === 'shown' && (
            <ActionForm
              action={put}
              hidden={{ childId: open.child.childId, slug: open.content.slug, clipId: clip.id, isIn: isIn ? 'no' : 'yes' }}
            >
              <button className="act">{isIn ? 'Remove from this program' : `Show it to ${open.child.name}’s family`}</button>
            </ActionForm>
          )}
          {mayPut && open?.child && !open.placed && (
            <span className="text-[14px] text-soft">{open.child.name}’s program does not have this task yet. Add it first.</span>
          )}
          {clip.mayRemove &&
            (isSure ? (
              <ActionForm action={remove} hidden={{ clipId: clip.id }} className="flex items-baseline gap-3">
                <span>This deletes the video for every family. You cannot undo this.</span>
                <button className="act">Delete the video</button>
                <button type="button" className="link" onClick={() => setSure(false)}>
                  Cancel
                </button>
              </ActionForm>
            ) : (
              <button type="button" className="link" onClick={() => setSure(true)}>
                Delete
              </button>
            ))}
        </div>
        {isIn && <p className="text-[14px]">It is in your draft program. The family gets it when you send the program.</p>}
      </div>
    </article>
  );
}

/** The clip itself, or its pictures; nothing is loaded before it is wished. */
export function ClipFiles({ clip }: { clip: Pick<ClipRow, 'id' | 'kind' | 'files' | 'captions' | 'fromSeconds' | 'seconds'> }) {
  const file = clip.kind === 'clip' ? clipFileOf(clip.files) : null;
  const poster = clip.files.find(({ part }) => part === 'poster');
  if (!file)
    return (
      <div className="flex flex-wrap gap-1">
        {stillsOf(clip.files).map(({ part }, index) => (
          <a key={part} href={`/videos/${clip.id}/${part}`}>
            {/* eslint-disable-next-line @next/next/no-img-element -- a file for signed-in eyes alone: no optimizer may keep it */}
            <img
              src={`/videos/${clip.id}/${part}`}
              alt={clip.captions[index]?.text.en ?? `Picture ${index + 1}`}
              loading="lazy"
              className="h-[96px] rounded-[3px] border border-line"
            />
          </a>
        ))}
      </div>
    );
  const span = file.part === 'original' ? `#t=${clip.fromSeconds},${clip.fromSeconds + (clip.seconds ?? 0)}` : '';
  return (
    <video
      src={`/videos/${clip.id}/${file.part}${span}`}
      poster={poster && `/videos/${clip.id}/poster`}
      preload={poster ? 'none' : 'metadata'}
      controls
      playsInline
      className="max-h-[180px] w-full rounded-[3px] bg-ink"
      aria-label="Video"
    />
  );
}

function whose({ origin, madeByName, saidBy, hand, consent, consentWords }: ClipRow): string {
  if (origin === 'sentBack') return `sent by ${saidBy || 'the family'}`;
  const filmed = hand === 'both' ? 'both hands' : `${hand} hand`;
  return `${madeByName ?? 'unknown'}, ${filmed}, ${consent === 'nobody' ? 'no one can be recognized' : `agreed: ${consentWords}`}`;
}

/** @example size(38_000) // '38 kB' */
function size(bytes: number): string {
  return bytes < 1_000_000 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`;
}
