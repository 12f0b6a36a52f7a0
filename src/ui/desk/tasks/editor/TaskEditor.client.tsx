'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { Fragment, useEffect, useMemo, useReducer, useState } from 'react';
import { leadsTo } from '@/core/library';
import type { TaskContent } from '@/core/tasks';
import { isTranslated, LANGUAGES, TASK_LANGUAGES, type Language } from '@/core/text';
import { languageName } from '../../../shared/languageName';
import { longDay } from '../../../shared/days';
import { KeyCap } from '../../parts/KeyCap';
import { editorFindings, editorFindingWords } from './editorFindings';
import { editorHistory, startHistory } from './editorHistory';
import { CompareWithStock } from './CompareWithStock';
import { CopyTask } from './CopyTask';
import { DoseEditor } from './DoseEditor';
import { FactsEditor, SettingsEditor, SkinsEditor } from './FactsEditor';
import { AddKnob, TimelineGrid } from './TimelineGrid';
import { KnobEditor } from './KnobEditor';
import { MaterialsEditor } from './MaterialsEditor';
import { Contents, FindingsAt, Section, Small, TranslatedLanguages } from './parts';
import { Preview } from './Preview';
import { ProposeLadder } from './ProposeLadder';
import { SafetyPanel } from './SafetyPanel';
import { StepEditor } from './StepEditor';
import { TableMapEditor } from './TableMapEditor';
import { ShelfChoice } from './ShelfChoice';
import { heldWork, letGo, useKeeping } from './useKeeping';
import { WordsEditor } from './WordsEditor';
import { FaultNote } from '../../parts/FaultNote';
import type { TaskEditorProps } from './taskEditorProps';

/** Edits a task: knobs, steps, dose, materials and words, with the findings beside each. */
export function TaskEditor({ view, usual, back, keep, shelve, setShelf, drop, copy, versionOf }: TaskEditorProps) {
  const fixed = !view.mayChange;
  const [history, act] = useReducer(editorHistory, view.content, startHistory);
  const task = history.now;
  const [step, setStep] = useState(view.content.ladder.startStep - 1);
  const [fault, setFault] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [translated, setTranslated] = useState(() => LANGUAGES.filter((language) => isTranslated(view.content.title, language)));
  const router = useRouter();
  const isChanged = history.past.length > 0 || history.future.length > 0;
  const kept = useKeeping(task, isChanged && !busy, keep);
  const findings = useMemo(() => editorFindings(task), [task]);
  const errors = findings.filter((finding) => finding.severity === 'error');
  // A long ladder takes the whole width: a step that is cut off is not seen.
  const isLong = task.ladder.steps.length > MOST_BESIDE_PREVIEW;
  const shownStep = Math.min(step, task.ladder.steps.length - 1);

  // Work that the server had not taken before a reload comes back from this browser.
  useEffect(() => {
    const held = fixed ? null : heldWork(view.slug, view.draftSavedAt ?? 0);
    if (held && JSON.stringify(held) !== JSON.stringify(view.content)) act({ kind: 'replace', content: held });
  }, [view.slug, view.content, view.draftSavedAt, fixed]);

  const shelveNow = async () => {
    setBusy(true);
    const answer = await shelve(task);
    if (answer.ok) {
      letGo(view.slug);
      return router.push(`/tasks?made=${view.slug}`);
    }
    setFault(answer.words);
    setBusy(false);
  };
  const dropNow = async () => {
    setBusy(true);
    const fallen = await drop(view.slug);
    if (fallen === null) {
      letGo(view.slug);
      return router.push('/tasks');
    }
    setFault(fallen);
    setBusy(false);
  };
  const takeVersion = async (number: number) => {
    const content = await versionOf(view.slug, number);
    if (content) act({ kind: 'replace', content });
  };
  const shared = { task, findings, edit: act, fixed };

  return (
    <TranslatedLanguages value={translated}>
      <div
        className={`grid grid-cols-1 gap-6 ${isLong ? 'min-[1480px]:grid-cols-[minmax(0,1fr)_330px]' : 'min-[900px]:grid-cols-[minmax(0,1fr)_330px]'}`}
      >
        <div className="min-w-0">
          <EditorHead {...{ view, task, kept, back, fixed, history, act, usual, copy }} />
          <div className="mt-3">
            <TimelineGrid
              outcomesPerStep={view.outcomesPerStep}
              task={task}
              findings={findings.filter((finding) => finding.code !== 'form')}
              step={shownStep}
              onStep={setStep}
              edit={act}
              fixed={fixed}
            />
            <LeadsTo slug={view.slug} />
            <FindingsAt findings={findings} path="ladder" task={task} />
            <OtherSteps findings={findings} step={shownStep} task={task} onStep={setStep} />
            <StepEditor {...shared} step={shownStep} onStep={setStep} />
          </div>
          <Section title="Grading: what changes from step to step" aside="easiest first">
            <KnobEditor {...shared} usual={usual} />
          </Section>
          <Section title="Dose" aside={`counted over five days a week`}>
            <DoseEditor {...shared} />
          </Section>
          <Section title="Materials">
            <MaterialsEditor {...shared} things={view.things} />
          </Section>
          <Section title="Safety">
            <SafetyPanel {...shared} titles={view.titles} />
          </Section>
          <Section title="Table map">
            <TableMapEditor {...shared} />
          </Section>
          <Section title="Words for helper and student">
            {!fixed && <AddLanguage translated={translated} add={(language) => setTranslated((before) => [...before, language])} />}
            <WordsEditor {...shared} />
          </Section>
          <Section title="The task">
            <FactsEditor {...shared} />
          </Section>
          <Section title="Ways of working" aside="a student’s settings and a program’s come first">
            <SettingsEditor {...shared} />
            <FindingsAt findings={findings} path="settings" task={task} />
          </Section>
          <Section title="Themes" aside="same mechanics, same series of data">
            <SkinsEditor {...shared} />
          </Section>
          {view.versions.length > 1 && (
            <Section title="Versions" aside="families keep the one that they were sent">
              <Versions versions={view.versions} take={takeVersion} fixed={fixed} />
            </Section>
          )}
          {view.stock && (
            <Section title="Compared with the original">
              <CompareWithStock task={task} stock={view.stock} />
            </Section>
          )}
          {!fixed && <EditorFoot {...{ view, task, errors, fault, busy, setShelf }} shelveNow={shelveNow} dropNow={dropNow} />}
        </div>
        <div className="min-w-0">
          <Contents titles={[...SECTIONS, ...(view.versions.length > 1 ? ['Versions'] : [])]} />
          <Preview task={task} step={shownStep} />
        </div>
      </div>
    </TranslatedLanguages>
  );
}

/** The task's title, where it stands, and what is done to it as a whole. */
function EditorHead({
  view,
  task,
  kept,
  back,
  fixed,
  history,
  act,
  usual,
  copy,
}: Pick<TaskEditorProps, 'view' | 'back' | 'usual' | 'copy'> & {
  task: TaskContent;
  kept: string;
  fixed: boolean;
  history: ReturnType<typeof startHistory>;
  act: React.Dispatch<Parameters<typeof editorHistory>[1]>;
}) {
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h1 className="text-[24px]">{task.title.en || 'A task without a name'}</h1>
        <span className="text-soft">
          {standing(view)} {kept && `· ${kept}`}
        </span>
        <Link
          href={back ?? '/tasks'}
          prefetch={false}
          className="link text-[14px]"
          data-key="b"
          data-key-says={back ? 'Back to the card' : 'Back to the library'}
        >
          {back ? 'Back to the card' : 'Back to the library'}
        </Link>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        {fixed ? (
          view.mayCopy && <CopyTask from={view.slug} title={task.title.en} copy={copy} />
        ) : (
          <>
            <button
              type="button"
              className="act"
              disabled={history.past.length === 0}
              onClick={() => act({ kind: 'undo' })}
              data-key="z"
              data-key-says="Undo"
            >
              Undo <KeyCap>Z</KeyCap>
            </button>
            <button
              type="button"
              className="act"
              disabled={history.future.length === 0}
              onClick={() => act({ kind: 'redo' })}
              data-key="y"
              data-key-says="Redo"
            >
              Redo <KeyCap>Y</KeyCap>
            </button>
            <AddKnob task={task} edit={act} usual={usual} />
            <ProposeLadder task={task} edit={act} />
          </>
        )}
      </div>
    </>
  );
}

/** A further language for the words of a task. */
function AddLanguage({ translated, add }: { translated: readonly Language[]; add: (language: Language) => void }) {
  if (LANGUAGES.length === translated.length) return null;
  return (
    <label className="mt-1 block text-[14px]">
      <span className="text-soft">Also say it in </span>
      <select
        value=""
        className="field py-0"
        onChange={(event) => LANGUAGES.filter((language) => language === event.target.value).forEach(add)}
      >
        <option value="">Another language…</option>
        {LANGUAGES.filter((language) => !TASK_LANGUAGES.some((each) => each === language) && !translated.includes(language)).map(
          (language) => (
            <option key={language} value={language}>
              {languageName(language)}
            </option>
          ),
        )}
      </select>
    </label>
  );
}

/** Offers whom the task is for, and the way into the library or out of it. */
function EditorFoot({
  view,
  task,
  errors,
  fault,
  busy,
  setShelf,
  shelveNow,
  dropNow,
}: Pick<TaskEditorProps, 'view' | 'setShelf'> & {
  task: TaskContent;
  errors: ReturnType<typeof editorFindings>;
  fault: string | null;
  busy: boolean;
  shelveNow: () => Promise<void>;
  dropNow: () => Promise<void>;
}) {
  return (
    <div className="mt-6 border-t-2 border-ink pt-3">
      {fault && <FaultNote className="mb-2">{fault}</FaultNote>}
      {view.shelf && <ShelfChoice slug={view.slug} shelf={view.shelf} setShelf={setShelf} />}
      <div className="flex flex-wrap items-center gap-4">
        <button
          type="button"
          className="act act-main"
          disabled={busy || errors.length > 0}
          onClick={shelveNow}
          data-key="s"
          data-key-says="Put it into the library"
        >
          Add to library as version {(view.versions[0]?.number ?? 0) + 1} <KeyCap>S</KeyCap>
        </button>
        <button type="button" className="link" onClick={dropNow}>
          {view.taskVersionId === null ? 'Discard this task' : 'Discard changes'}
        </button>
        <span className="text-soft">
          {errors.length > 0
            ? `${errors.length} to fix first. The first: ${editorFindingWords(errors[0]!, task)}`
            : 'Programs already sent keep their version.'}
        </span>
      </div>
    </div>
  );
}

/** Steps that are read beside the family’s page. */
const MOST_BESIDE_PREVIEW = 8;

const SECTIONS = [
  'Grading: what changes from step to step',
  'Dose',
  'Materials',
  'Safety',
  'Table map',
  'Words for helper and student',
  'The task',
  'Ways of working',
  'Themes',
];

/** Earlier versions, each of which can be laid on the bench again; that too can be undone. */
function Versions({
  versions,
  take,
  fixed,
}: {
  versions: TaskEditorProps['view']['versions'];
  take: (number: number) => void;
  fixed: boolean;
}) {
  return (
    <ul className="mt-1.5 text-[14px]">
      {versions.map(({ number, createdOn }) => (
        <li key={number} className="flex gap-3">
          version {number}, of {longDay(createdOn)}
          {!fixed && (
            <Small label={`Restore version ${number}`} onPress={() => take(number)}>
              Restore this version
            </Small>
          )}
        </li>
      ))}
    </ul>
  );
}

function standing({ ownerName, versions, taskVersionId, draftSavedAt }: TaskEditorProps['view']): string {
  if (taskVersionId === null) return 'not in the library yet';
  const version = `version ${versions[0]?.number ?? 1}`;
  return `${ownerName === null ? 'stock task' : `made by ${ownerName}`}, ${version}${draftSavedAt !== null ? ', with changes that are not in the library yet' : ''}`;
}

/** Lists the findings on other steps than the chosen one, each a link to it. Empty fields show in the grid itself. */
function OtherSteps({
  findings,
  step,
  task,
  onStep,
}: {
  findings: ReturnType<typeof editorFindings>;
  step: number;
  task: TaskContent;
  onStep: (step: number) => void;
}) {
  const others = findings.filter(
    (finding) =>
      finding.path.startsWith('ladder.steps.') &&
      Number(finding.path.split('.')[2]) !== step &&
      finding.severity !== 'note' &&
      finding.code !== 'form',
  );
  if (others.length === 0) return null;
  return (
    <ul className="mt-1.5 text-[14px]">
      {others.map((finding, index) => (
        <li key={index} className={`border-l-4 px-2.5 py-0.5 ${finding.severity === 'error' ? 'border-brick' : 'border-straw'}`}>
          <button type="button" className="link text-left" onClick={() => onStep(Number(finding.path.split('.')[2]))}>
            {editorFindingWords(finding, task)}
          </button>
        </li>
      ))}
    </ul>
  );
}

/** Names the activity that follows once the end of this ladder is held. */
function LeadsTo({ slug }: { slug: string }) {
  const leads = leadsTo(slug);
  if (leads.length === 0) return null;
  return (
    <p className="mt-1 text-[14px]">
      Leads to{' '}
      {leads.map((lead, index) => (
        <Fragment key={lead.slug}>
          {index > 0 && ', '}
          <Link href={`/tasks/${lead.slug}`} prefetch={false} className="link">
            {lead.words}
          </Link>
        </Fragment>
      ))}
      .
    </p>
  );
}
