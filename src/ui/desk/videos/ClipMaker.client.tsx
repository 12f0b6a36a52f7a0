'use client';

import { useEffect, useRef, useState } from 'react';
import { useRouter } from 'next/navigation';
import { captionAt, captionsFrom, CLIP_LIMITS, KEPT_DAYS, type Caption, type ClipFacts } from '@/core/videos';
import { callChild, linesAt } from '@/core/tasks';
import { languageOf, say, textOf } from '@/core/text';
import type { OpenTask } from '@/server/videos/viewClips';
import { KeyCap } from '../parts/KeyCap';
import { CaptionRows } from './CaptionRows';
import { FactFields } from './FactFields';
import { FilmBox } from './FilmBox';
import { sendClip } from './sendClip';
import { TrimHandles } from './TrimHandles';

/** Files that were filmed or chosen, and are not stored yet. */
interface Taken {
  readonly files: readonly File[];
  readonly url: string;
  readonly kind: 'clip' | 'pictures';
  /** 0 till the browser has told. */
  readonly seconds: number;
  readonly key: string;
}

/** A clip names nobody: it may be shown to several families. */
const ANY_CHILD = { en: 'your child', es: 'su niña o niño', fr: 'votre enfant', pt: 'a sua criança', ar: 'طفلكم' };

type Facts = Pick<ClipFacts, 'hand' | 'mayMirror' | 'consent' | 'consentWords' | 'keptDays' | 'isMuted'>;

/** Films a step, or takes clip or pictures from a file; trimmed, captioned and told who agreed, it is kept. */
export function ClipMaker({ open }: { open: OpenTask }) {
  const { content, step, child } = open;
  const router = useRouter();
  const [taken, setTaken] = useState<Taken | null>(null);
  const [span, setSpan] = useState({ from: 0, to: 0 });
  const [captions, setCaptions] = useState<Caption[]>([]);
  const [isForAll, setForAll] = useState(child === null);
  const [facts, setFacts] = useState<Facts>({
    hand: child?.hand === 'left' ? 'left' : 'right',
    mayMirror: true,
    consent: 'nobody',
    consentWords: '',
    keptDays: KEPT_DAYS[2],
    isMuted: false,
  });
  const [said, setSaid] = useState<string | null>(null);
  const [percent, setPercent] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  const video = useRef<HTMLVideoElement>(null);
  const language = languageOf(child?.language ?? 'en');
  const seconds = span.to - span.from;

  useEffect(() => {
    if (!taken) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => {
      window.removeEventListener('beforeunload', ask);
      URL.revokeObjectURL(taken.url);
    };
  }, [taken]);

  const take = (files: readonly File[]) => {
    const [first] = files;
    if (!first) return;
    const kind = first.type.startsWith('image/') ? 'pictures' : 'clip';
    const url = URL.createObjectURL(first);
    setTaken({
      files: kind === 'clip' ? [first] : files.slice(0, CLIP_LIMITS.mostPictures),
      url,
      kind,
      seconds: 0,
      key: crypto.randomUUID(),
    });
    setSpan({ from: 0, to: 0 });
    setCaptions([]);
    setSaid(files.length > CLIP_LIMITS.mostPictures ? `The first ${CLIP_LIMITS.mostPictures} photos are used.` : null);
  };
  const learnLength = () => {
    const length = video.current!.duration;
    // A recording does not have a duration until its end has been looked for.
    if (!Number.isFinite(length)) return void (video.current!.currentTime = 1e6);
    if (!taken || taken.seconds > 0) return;
    setTaken({ ...taken, seconds: length });
    setSpan({ from: 0, to: Math.min(length, CLIP_LIMITS.mostSeconds) });
  };
  const follow = () => {
    const player = video.current!;
    setNow(player.currentTime - span.from);
    if (!player.paused && player.currentTime >= span.to) player.pause();
  };
  const moveSpan = (from: number, to: number) => {
    if (video.current) video.current.currentTime = from === span.from ? to : from;
    setSpan({ from, to });
  };
  const lines = () => {
    const of = (list: 'childSteps' | 'looksRight') => linesAt(content, list, step).map(textOf);
    const called = callChild(of('childSteps'), ANY_CHILD);
    return taken?.kind === 'clip' ? captionsFrom(called, seconds) : called.map((text, index) => ({ atSeconds: index, text }));
  };
  const keep = async () => {
    if (!taken) return;
    setSaid(null);
    setPercent(0);
    const isClip = taken.kind === 'clip';
    const sent = await sendClip(
      {
        childId: isForAll ? null : (child?.childId ?? null),
        slug: content.slug,
        step,
        idempotencyKey: taken.key,
        facts: {
          ...facts,
          captions: captions.filter(({ text }) => text.en.trim() !== ''),
          fromSeconds: isClip ? span.from : 0,
          toSeconds: isClip && span.to < taken.seconds ? span.to : null,
        },
      },
      taken.files,
      setPercent,
    );
    setPercent(null);
    if ('fault' in sent) return setSaid(sent.fault);
    setTaken(null);
    setSaid('Saved.');
    router.refresh();
  };
  if (!taken) return <FilmBox onTaken={take} said={said} />;
  return (
    <section aria-label="Your new video" className="grid gap-x-6 gap-y-3 min-[1000px]:grid-cols-[minmax(0,460px)_minmax(0,1fr)]">
      <div>
        {taken.kind === 'clip' ? (
          <TrimmedClip {...{ taken, video, facts, setFacts, captions, now, span, learnLength, follow, moveSpan }} />
        ) : (
          <Pictures files={taken.files} />
        )}
      </div>
      <div>
        <FactFields facts={facts} onChange={setFacts} isForAll={isForAll} onForAll={setForAll} childName={child?.name ?? null} />
        <h3 className="mt-4 text-[16px]">{taken.kind === 'clip' ? 'Captions' : 'Captions of the photos, in order'}</h3>
        {captions.length === 0 && (
          <button type="button" className="link" onClick={() => setCaptions(lines())}>
            Use the step’s instructions
          </button>
        )}
        <CaptionRows
          captions={captions}
          isTimed={taken.kind === 'clip'}
          seconds={taken.kind === 'clip' ? seconds : CLIP_LIMITS.mostSeconds}
          language={language}
          now={() => (taken.kind === 'clip' ? Math.max(0, Math.min(now, seconds - 0.1)) : captions.length)}
          onChange={setCaptions}
        />
        <p className="mt-4 flex flex-wrap items-baseline gap-4">
          <button type="button" className="act act-main" onClick={keep} disabled={percent !== null} data-key="s" data-key-says="Save">
            Save <KeyCap>S</KeyCap>
          </button>
          <button type="button" className="link" onClick={() => setTaken(null)}>
            Discard and film again
          </button>
        </p>
        <p role="status" className="mt-1">
          {percent !== null && (percent < 100 ? `${percent}% uploaded` : 'Checking the file…')}
        </p>
        {said && (
          <p role="alert" className="mt-1 border-l-4 border-brick bg-brick-tint px-3 py-1.5">
            {said}
          </p>
        )}
      </div>
    </section>
  );
}

/** The clip with its caption, its ends, and whether it has sound. */
function TrimmedClip({
  taken,
  video,
  facts,
  setFacts,
  captions,
  now,
  span,
  learnLength,
  follow,
  moveSpan,
}: {
  taken: Taken;
  video: React.RefObject<HTMLVideoElement | null>;
  facts: Facts;
  setFacts: (facts: Facts) => void;
  captions: readonly Caption[];
  now: number;
  span: { readonly from: number; readonly to: number };
  learnLength: () => void;
  follow: () => void;
  moveSpan: (from: number, to: number) => void;
}) {
  return (
    <>
      <video
        ref={video}
        src={taken.url}
        muted={facts.isMuted}
        playsInline
        className="max-h-[50vh] w-full rounded-[4px] bg-ink"
        onLoadedMetadata={learnLength}
        onDurationChange={learnLength}
        onTimeUpdate={follow}
        aria-label="Video"
      />
      <p className="min-h-[1.5em] text-center font-bold">{say(captionAt(captions, now)?.text ?? { en: '' }, 'en')}</p>
      <TrimHandles seconds={taken.seconds} from={span.from} to={span.to} onChange={moveSpan} />
      <p className="flex flex-wrap items-baseline gap-x-4 text-[14px]">
        <button
          type="button"
          className="act"
          onClick={() => {
            video.current!.currentTime = span.from;
            void video.current!.play();
          }}
        >
          Play
        </button>
        <span>
          {span.from.toFixed(1)} to {span.to.toFixed(1)} s: {(span.to - span.from).toFixed(1)} s of {taken.seconds.toFixed(1)}
        </span>
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={facts.isMuted} onChange={(event) => setFacts({ ...facts, isMuted: event.target.checked })} />
          without sound
        </label>
      </p>
    </>
  );
}

function Pictures({ files }: { files: readonly File[] }) {
  const [urls, setUrls] = useState<readonly string[]>([]);
  useEffect(() => {
    const made = files.map((file) => URL.createObjectURL(file));
    // eslint-disable-next-line react-hooks/set-state-in-effect -- an address of a file is made, and given back, outside of React
    setUrls(made);
    return () => made.forEach((url) => URL.revokeObjectURL(url));
  }, [files]);
  return (
    <div className="grid grid-cols-3 gap-2">
      {urls.map((url, index) => (
        // eslint-disable-next-line @next/next/no-img-element -- a file of this machine, which no server has seen yet
        <img key={url} src={url} alt={`Picture ${index + 1}`} className="rounded-[4px] border border-line" />
      ))}
    </div>
  );
}
