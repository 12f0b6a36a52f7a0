import { clipFileOf, isMirroredFor, stillsOf } from '@/core/videos';
import type { FamilyTask } from '@/server/reports/viewFamily';
import type { FamilyWords } from '../../shared/familyWords';

interface Props {
  readonly clips: FamilyTask['shown'];
  readonly child: { readonly calledName: string; readonly hand: 'left' | 'right' | 'unsettled' };
  readonly token: string;
  readonly words: FamilyWords;
}

type Clip = Props['clips'][number];

/**
 * How it is done, as the therapist filmed it. Folded it weighs nothing: pictures are asked for where it is opened, with their bytes said
 * before, and the clip at a touch of its own. Nothing starts by itself.
 */
export function ShownClips({ clips, child, token, words }: Props) {
  return clips.map((clip) => <ShownClip key={clip.id} {...{ clip, child, token, words }} />);
}

function ShownClip({ clip, child, token, words }: Omit<Props, 'clips'> & { readonly clip: Clip }) {
  const { t, language } = words;
  const stills = stillsOf(clip.files);
  const file = clip.kind === 'clip' ? clipFileOf(clip.files) : null;
  const isTurned = isMirroredFor(clip, child.hand);
  const addressOf = (part: string) => `/f/${token}/shown/${clip.id}/${part}?lang=${language}`;
  const heavy = [
    ...(stills.length
      ? [
          t('shown.stills', {
            count: stills.length,
            size: sizeOf(
              stills.reduce((sum, { bytes }) => sum + bytes, 0),
              language,
            ),
          }),
        ]
      : []),
    ...(file ? [t('shown.clip', { seconds: Math.round(clip.seconds ?? 0), size: sizeOf(file.bytes, language) })] : []),
  ];
  return (
    <details className="shown mt-3" data-clip={clip.id} data-turned={isTurned ? '' : undefined}>
      <summary className="touch inline-block font-bold underline underline-offset-4">
        {t('shown.title')} <span className="block font-normal text-soft">{heavy.join(' · ')}</span>
      </summary>
      <p className="text-[0.94rem] text-soft">
        {t(`shown.hand.${clip.hand}`)} {t('shown.atStep', { step: clip.step })} {isTurned && t('shown.turned', { name: child.calledName })}
      </p>
      {stills.map(({ part }, index) => {
        const said = clip.captions[index] && words.local(clip.captions[index].text);
        return (
          <figure key={part}>
            {/* eslint-disable-next-line @next/next/no-img-element -- a page of its own, drawn without the frame */}
            <img className="shown-picture" src={addressOf(part)} loading="lazy" alt={said || t('shown.saysStill', { number: index + 1 })} />
            {said && <figcaption aria-hidden="true">{said}</figcaption>}
          </figure>
        );
      })}
      {file && (
        <div
          className="shown-clip"
          data-plays={addressOf(file.part)}
          data-from={file.part === 'original' ? clip.fromSeconds : 0}
          data-until={file.part === 'original' ? clip.fromSeconds + (clip.seconds ?? 0) : undefined}
          data-says={JSON.stringify(clip.captions.map(({ atSeconds, text }) => [atSeconds, words.local(text)]))}
          data-size={sizeOf(file.bytes, language)}
          data-mirrors={clip.mayMirror ? '' : undefined}
        >
          <video
            className="shown-picture"
            controls
            playsInline
            preload="none"
            src={`${addressOf(file.part)}${file.part === 'original' ? `#t=${clip.fromSeconds},${clip.fromSeconds + (clip.seconds ?? 0)}` : ''}`}
            aria-label={t('shown.title')}
          >
            {clip.captions.length > 0 && <track kind="captions" src={addressOf('captions')} srcLang={language} label={language} default />}
          </video>
        </div>
      )}
    </details>
  );
}

/** @example sizeOf(38_000, 'en') // '38 kB' */
function sizeOf(bytes: number, language: string): string {
  const [value, unit] = bytes < 1_000_000 ? [Math.ceil(bytes / 1000), 'kilobyte'] : [Math.round(bytes / 100_000) / 10, 'megabyte'];
  return new Intl.NumberFormat(language, { style: 'unit', unit }).format(value);
}
