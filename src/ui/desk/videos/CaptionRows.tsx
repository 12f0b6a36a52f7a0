import { captionIssues, CLIP_LIMITS, type Caption } from '@/core/videos';
import { isTranslated, type Language } from '@/core/text';
import { issueWords } from '../frame/Trouble';
import { languageName } from '../../shared/languageName';

interface Props {
  readonly captions: readonly Caption[];
  readonly seconds: number;
  /** False for words under still pictures, which stand as long as one looks. */
  readonly isTimed: boolean;
  /** The families' own language beside English, where there is one. */
  readonly language: Language;
  /** Current time of the video, from its beginning. */
  readonly now: () => number;
  readonly onChange: (captions: Caption[]) => void;
}

const toTenth = (seconds: number) => Math.round(seconds * 10) / 10;

/** Edits the captions and their times: by step, in English and in the families' language. */
export function CaptionRows({ captions, seconds, isTimed, language, now, onChange }: Props) {
  const issues = captionIssues(captions, seconds).filter(({ code }) => isTimed || code === 'captionTooLong');
  const change = (index: number, to: Partial<Caption>) =>
    onChange(captions.map((caption, each) => (each === index ? { ...caption, ...to } : caption)));
  const inOrder = (all: Caption[]) => onChange(all.sort((one, other) => one.atSeconds - other.atSeconds));
  return (
    <div>
      {captions.map((caption, index) => (
        <div key={index} className="mt-1.5 flex flex-wrap items-end gap-2">
          {isTimed && (
            <label>
              <span className="block text-[13px] font-semibold text-soft">from second</span>
              <input
                type="number"
                min={0}
                max={seconds}
                step={0.1}
                className="field w-[72px]"
                value={caption.atSeconds}
                onChange={(event) => change(index, { atSeconds: Number(event.target.value) })}
              />
            </label>
          )}
          <label className="grow">
            <span className="block text-[13px] font-semibold text-soft">caption {index + 1}, English</span>
            <input
              className="field w-full"
              maxLength={CLIP_LIMITS.mostCaptionLetters}
              value={caption.text.en}
              onChange={(event) => change(index, { text: { ...caption.text, en: event.target.value } })}
            />
          </label>
          {language !== 'en' && (
            <label className="grow">
              <span className="block text-[13px] font-semibold text-soft">
                {languageName(language)}
                {!isTranslated(caption.text, language) && ' (English is shown until it is written)'}
              </span>
              <input
                className="field w-full"
                dir="auto"
                maxLength={CLIP_LIMITS.mostCaptionLetters}
                value={caption.text[language] ?? ''}
                onChange={(event) => change(index, { text: { ...caption.text, [language]: event.target.value || undefined } })}
              />
            </label>
          )}
          {isTimed && (
            <button
              type="button"
              className="link pb-1"
              onClick={() => inOrder(captions.map((each, at) => (at === index ? { ...each, atSeconds: toTenth(now()) } : each)))}
            >
              From here
            </button>
          )}
          <button type="button" className="link pb-1" onClick={() => onChange(captions.filter((_, each) => each !== index))}>
            Remove
          </button>
          {issues
            .filter((issue) => issue.index === index)
            // In whichever language it is worst: one that is mended tells of the next.
            .slice(0, 1)
            .map((issue) => (
              <span key={issue.code} role="alert" className="w-full text-[14px] text-brick">
                {issue.code === 'captionTooFast'
                  ? `${issue.lettersASecond} letters per second in ${languageName(issue.language)}: too fast to read. Show it longer, or shorten it.`
                  : issueWords(issue.code)}
              </span>
            ))}
        </div>
      ))}
      {captions.length < CLIP_LIMITS.mostCaptions && (
        <button type="button" className="link mt-2" onClick={() => inOrder([...captions, { atSeconds: toTenth(now()), text: { en: '' } }])}>
          {isTimed ? 'Caption from here' : 'Caption of the next picture'}
        </button>
      )}
    </div>
  );
}
