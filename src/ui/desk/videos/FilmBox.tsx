import { useEffect, useRef } from 'react';
import { CLIP_LIMITS } from '@/core/videos';
import { KeyCap } from '../parts/KeyCap';
import { useRecorder } from './useRecorder';

const WHY_NOT = {
  refused: 'The browser may not use the camera. Allow it next to the address, or choose a file.',
  none: 'No camera was found, or another program is using it. Choose a file.',
  noRecorder: 'This browser cannot record. Choose a file.',
} as const;

/** Takes a video from the camera here, or from a file. */
export function FilmBox({ onTaken, said }: { onTaken: (files: readonly File[]) => void; said: string | null }) {
  const { state, stream, open, close, start, stop } = useRecorder((file) => onTaken([file]));
  const preview = useRef<HTMLVideoElement>(null);
  useEffect(() => {
    if (preview.current) preview.current.srcObject = stream;
  }, [stream]);
  return (
    <section aria-label="Film">
      {stream && (
        <div className="relative w-full max-w-[460px]">
          <video ref={preview} autoPlay muted playsInline className="w-full rounded-[4px] bg-ink" aria-label="Camera preview" />
          <p
            aria-live="assertive"
            className="absolute inset-0 grid place-items-center font-title text-[96px] text-sheet [text-shadow:0_0_8px_#000]"
          >
            {state.kind === 'counting' && state.count}
          </p>
        </div>
      )}
      <p className="mt-2 flex flex-wrap items-baseline gap-x-4 gap-y-2">
        {(state.kind === 'off' || state.kind === 'failed') && (
          <button type="button" className="act act-main" onClick={open} data-key="f" data-key-says="Open the camera">
            Open the camera <KeyCap>F</KeyCap>
          </button>
        )}
        {state.kind === 'ready' && (
          <button type="button" className="act act-main" onClick={start} data-key="r" data-key-says="Start after a countdown">
            Start after a countdown <KeyCap>R</KeyCap>
          </button>
        )}
        {state.kind === 'recording' && (
          <button type="button" className="act act-main" onClick={stop} data-key="e" data-key-says="End">
            End <KeyCap>E</KeyCap>
          </button>
        )}
        {state.kind === 'recording' && (
          <span role="timer">
            {Math.floor(state.seconds)} of {CLIP_LIMITS.mostSeconds} s
          </span>
        )}
        {stream && state.kind !== 'recording' && (
          <button type="button" className="link" onClick={close}>
            Close the camera
          </button>
        )}
        {!stream && (
          <label>
            Or choose a video or photos{' '}
            <input
              type="file"
              accept="video/mp4,video/quicktime,video/webm,image/jpeg,image/png,image/webp"
              multiple
              onChange={(event) => onTaken(Array.from(event.target.files ?? []))}
            />
          </label>
        )}
      </p>
      <p className="mt-1 text-[14px] text-soft">
        Up to one minute and 20 MB, or up to six photos. Location and device are removed from the file.
      </p>
      <p role="status">{state.kind === 'failed' ? WHY_NOT[state.why] : said}</p>
    </section>
  );
}
