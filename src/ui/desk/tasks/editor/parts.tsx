import { createContext, useContext, type ReactNode } from 'react';
import { BASE_LANGUAGE, LANGUAGES, TASK_LANGUAGES, type Language, type LocalText } from '@/core/text';
import type { TaskContent } from '@/core/tasks';
import { checkWording, readingGrade, type WordingLanguage } from '@/core/wording';
import { languageName } from '../../../shared/languageName';
import { Finding } from '../../parts/Finding';
import { editorFindingWords, type EditorFinding } from './editorFindings';

/** Returns a section's anchor in the page's address. */
const placeOf = (title: string) => title.toLowerCase().replace(/[^a-z]+/g, '-');

/** Lists the sections of the long form, each a link. */
export function Contents({ titles }: { titles: readonly string[] }) {
  return (
    <nav aria-label="On this page" className="mb-3 flex flex-wrap gap-x-4 text-[14px]">
      {titles.map((title) => (
        <a key={title} className="link flex min-h-7 items-center" href={`#${placeOf(title)}`}>
          {title}
        </a>
      ))}
    </nav>
  );
}

export function Section({ title, aside, children }: { title: string; aside?: ReactNode; children: ReactNode }) {
  return (
    <section className="mt-6 scroll-mt-3" aria-label={title} id={placeOf(title)}>
      <div className="flex items-baseline gap-4 border-b border-line">
        <h2 className="text-[17px]">{title}</h2>
        {aside && <span className="text-[14px] text-soft">{aside}</span>}
      </div>
      {children}
    </section>
  );
}

const isAt = (finding: EditorFinding, path: string, deep: boolean) =>
  finding.path === path || (deep && finding.path.startsWith(`${path}.`));

/** Shows the findings on one place, beside it; `deep` includes everything below. */
export function FindingsAt({
  findings,
  path,
  task,
  deep = false,
}: {
  findings: readonly EditorFinding[];
  path: string;
  task: TaskContent;
  deep?: boolean;
}) {
  return findings
    .filter((finding) => isAt(finding, path, deep))
    .map((finding, index) => (
      <Finding key={`${finding.path}${finding.code}${index}`} severity={finding.severity}>
        {editorFindingWords(finding, task)}
      </Finding>
    ));
}

/** The languages, beside those of the library, that this task is being translated into. */
export const TranslatedLanguages = createContext<readonly Language[]>([]);

interface TextProps {
  readonly label: string;
  readonly value: LocalText;
  readonly onText: (value: LocalText) => void;
  readonly rows?: number;
  readonly fixed: boolean;
  /** Shows words, grade and jargon of each language below while it is typed. */
  readonly meter?: boolean;
}

/** A text in every language, side by side. An empty one in another language than English is not translated. */
export function LocalField({ label, value, onText, rows = 1, fixed, meter = false }: TextProps) {
  const translated = useContext(TranslatedLanguages);
  const shown = LANGUAGES.filter((language) => TASK_LANGUAGES.some((each) => each === language) || translated.includes(language));
  return (
    <div className="grid grid-cols-2 gap-2">
      {shown.map((language) => (
        <div key={language} className="min-w-0">
          <label className="block">
            <span className="block text-[13px] font-semibold text-soft">
              {label} · {languageName(language)}
            </span>
            {rows > 1 ? (
              <textarea
                rows={rows}
                value={value[language] ?? ''}
                readOnly={fixed}
                maxLength={600}
                lang={language}
                onChange={(event) => onText({ ...value, [language]: event.target.value || (language === BASE_LANGUAGE ? '' : undefined) })}
                className="field w-full"
              />
            ) : (
              <input
                value={value[language] ?? ''}
                readOnly={fixed}
                maxLength={600}
                lang={language}
                onChange={(event) => onText({ ...value, [language]: event.target.value || (language === BASE_LANGUAGE ? '' : undefined) })}
                className="field w-full"
              />
            )}
          </label>
          {meter && <Meter text={value[language] ?? ''} language={language} />}
        </div>
      ))}
    </div>
  );
}

/** Words, longest sentence and therapist's terms of a text while it is typed. */
function Meter({ text, language }: { text: string; language: WordingLanguage }) {
  if (!text.trim()) return null;
  const { words, findings } = checkWording(text, language);
  const said = findings.flatMap((finding) =>
    finding.code === 'jargon'
      ? [`“${finding.term}” → ${finding.plain}`]
      : finding.code === 'longSentence'
        ? [`a sentence of ${finding.words} words`]
        : [],
  );
  return (
    <span className={`block text-[12px] ${said.length ? 'text-brick' : 'text-soft'}`}>
      {words} words{said.length > 0 && ` · ${said.join(' · ')}`}
    </span>
  );
}

/** A reading grade as a small ruler: the mark is the text, the line the aim. */
export function GradeRuler({ text, language }: { text: string; language: WordingLanguage }) {
  const grade = readingGrade(text, language);
  const place = (value: number) => 8 + Math.min(12, Math.max(0, value)) * 12;
  return (
    <span className="inline-flex items-center gap-2">
      <span>{language === 'en' ? 'English' : 'Spanish'}</span>
      <svg width="160" height="18" role="img" aria-label={grade === null ? 'no words yet' : `reading grade ${grade.toFixed(1)}, aim 6`}>
        <path d="M8 12H152" stroke="var(--color-soft)" />
        <path d={`M${place(6)} 4V16`} stroke="var(--color-ink)" strokeWidth="2" />
        {grade !== null && <path d={`M${place(grade) - 5} 2h10l-5 9z`} fill={grade > 6 ? 'var(--color-brick)' : 'var(--color-green)'} />}
      </svg>
      <strong>{grade === null ? '–' : grade < 1 ? 'under grade 1' : `grade ${grade.toFixed(1)}`}</strong>
    </span>
  );
}

/** A small button that names its act. */
export function Small({
  children,
  onPress,
  label,
  disabled,
}: {
  children: ReactNode;
  onPress: () => void;
  label?: string;
  disabled?: boolean;
}) {
  return (
    <button type="button" aria-label={label} disabled={disabled} onClick={onPress} className="link text-[14px] disabled:opacity-40">
      {children}
    </button>
  );
}

/** A number that may be typed freely; only numbers in range are taken over. */
export function NumberField({
  label,
  value,
  onNumber,
  least,
  most,
  step = 1,
  fixed,
  width = 64,
}: {
  label: string;
  value: number;
  onNumber: (value: number) => void;
  least: number;
  most: number;
  step?: number;
  fixed: boolean;
  width?: number;
}) {
  return (
    <label className="block">
      <span className="block text-[13px] font-semibold text-soft">{label}</span>
      <input
        type="number"
        min={least}
        max={most}
        step={step}
        value={value}
        readOnly={fixed}
        onChange={(event) => {
          const given = Number(event.target.value);
          if (event.target.value !== '' && Number.isFinite(given))
            onNumber(Math.min(most, Math.max(least, step === 1 ? Math.round(given) : given)));
        }}
        className="field"
        style={{ width }}
      />
    </label>
  );
}
