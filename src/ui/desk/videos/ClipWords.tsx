'use client';

import { useState } from 'react';
import { CLIP_LIMITS, KEPT_DAYS } from '@/core/videos';
import { languageOf } from '@/core/text';
import type { ClipRow } from '@/server/videos/viewClips';
import { CaptionRows } from './CaptionRows';

interface Props {
  readonly clip: ClipRow;
  readonly language: string;
  /** Null where it was changed; else why not. */
  readonly change: (given: object) => Promise<string | null>;
}

/** A clip's captions, written anew, and how long it is kept from today on. */
export function ClipWords({ clip, language, change }: Props) {
  const [captions, setCaptions] = useState([...clip.captions]);
  const [keptDays, setKeptDays] = useState<number | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const keep = async () => {
    const given = { clipId: clip.id, captions: captions.filter(({ text }) => text.en.trim() !== ''), keptDays };
    setSaid((await change(given)) ?? 'Saved.');
  };
  return (
    <details className="mt-1 text-[14px]">
      <summary className="link inline">Captions and deletion date</summary>
      <CaptionRows
        captions={captions}
        seconds={clip.seconds ?? CLIP_LIMITS.mostSeconds}
        isTimed={clip.kind === 'clip'}
        language={languageOf(language)}
        now={() => (captions.at(-1)?.atSeconds ?? -1) + 1}
        onChange={setCaptions}
      />
      <p className="mt-2 flex flex-wrap items-baseline gap-3">
        <label>
          deleted{' '}
          <select
            className="field"
            value={keptDays ?? ''}
            onChange={(event) => setKeptDays(event.target.value === '' ? null : Number(event.target.value))}
          >
            <option value="">Not turned</option>
            {KEPT_DAYS.map((days) => (
              <option key={days} value={days}>
                {days} days from today
              </option>
            ))}
          </select>
        </label>
        <button type="button" className="act" onClick={keep}>
          Change it
        </button>
        <span role="status">{said}</span>
      </p>
    </details>
  );
}
