'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import type { SheetSpec } from '@/core/tasks';
import { useRouter } from 'next/navigation';
import type { PaperSize } from '@/core/print';
import { difficultyOf, drawSheet, handlesOf, harderBy, originOf, sheetDisagreements, sheetFor, type SheetWords } from '@/core/worksheets';
import { languageOf } from '@/core/text';
import type { OpenSheet } from '@/server/worksheets/viewSheets';
import type { ReadOutline } from '@/server/worksheets/putSheet';
import { SceneDrawing } from '../../task/SceneDrawing';
import { KeyCap } from '../parts/KeyCap';
import { ContentOptions } from './ContentOptions';
import { HarderButton, PrintForm, Rulers, Switch } from './makerParts';
import { OwnOutline } from './OwnOutline';
import { SheetHandles } from './SheetHandles';
import { SheetStairs } from './SheetStairs';
import { difficultyHow, difficultyNumber, difficultyWords, issueWords, KIND_NAMES } from './sheetWords';
import { Turnables } from './Turnables';
import { useSpec } from './useSpec';

export interface SheetActs {
  /** Null where it was put there; else why not. */
  readonly putForChild: (given: object) => Promise<string | null>;
  readonly putInEditor: (given: object) => Promise<string | null>;
  readonly readFile: (file: string, sizeMm: number) => Promise<ReadOutline | string>;
}

interface Props {
  readonly open: OpenSheet;
  /** Text of the worksheet, in the family's words. */
  readonly words: SheetWords;
  readonly acts: SheetActs;
}

const TENTH = 0.1;

/** A sheet on its paper, with its handles, how hard it is, and the sheets of the steps beside it. */
export function SheetMaker({ open, words, acts }: Props) {
  const { content, step, child, mayPut } = open;
  const own = content.ladder.steps[step - 1]!.sheet ?? ({ kind: 'blank' } as const);
  const { spec, canUndo, set, rest, undo } = useSpec(own);
  const [paper, setPaper] = useState<PaperSize>('letter');
  const [isLarge, setLarge] = useState(false);
  const [isLeft, setLeft] = useState(child?.hand === 'left');
  const [said, setSaid] = useState<string | null>(null);
  const router = useRouter();
  const language = languageOf(child?.language ?? 'en');
  const hand = isLeft ? 'left' : (child?.hand ?? 'right');
  const audience = sheetFor({ content, step, child, hand, language, isLarge });
  const options = { spec, paper, audience, words };
  const drawn = drawSheet(options);
  const below = content.ladder.steps[step - 2]?.sheet;
  const above = content.ladder.steps[step]?.sheet;
  const withThis = {
    ...content,
    ladder: { ...content.ladder, steps: content.ladder.steps.map((each, index) => (index + 1 === step ? { ...each, sheet: spec } : each)) },
  };
  const disagreements = sheetDisagreements(withThis).filter((each) => each.step === step || each.step === step + 1);
  // Solved for once the hand rests: the drawing never waits for it.
  const rested = useDeferredValue(spec);
  const harder = useMemo(() => harderBy(rested, TENTH), [rested]);
  const easier = useMemo(() => harderBy(rested, -TENTH), [rested]);
  const isChanged = JSON.stringify(spec) !== JSON.stringify(own);
  const hrefOf = (to: number) =>
    `/worksheets?${new URLSearchParams({ task: content.slug, step: String(to), ...(child && { child: String(child.childId) }) })}`;
  const put = async () => {
    const given = { slug: content.slug, step, spec };
    const fault = await (child ? acts.putForChild({ ...given, childId: child.childId }) : acts.putInEditor(given));
    setSaid(
      fault ??
        (child
          ? `Saved to step ${step} of the draft program for ${child.name}. It is sent with the program.`
          : 'Saved in your draft of the task. Open the task editor to add it to the library.'),
    );
    if (fault === null) router.refresh();
  };
  const turnTo = (found: typeof harder) => {
    rest();
    if (found) set(found.spec);
  };
  return (
    <div className="grid grid-cols-1 gap-x-6 gap-y-4 min-[1000px]:grid-cols-[128px_minmax(0,1fr)_396px]">
      <PaperOptions {...{ paper, setPaper, isLarge, setLarge, isLeft, setLeft, canUndo, undo }} />
      <div className="min-w-0">
        {drawn.ok ? (
          <>
            <SceneDrawing
              scene={drawn.value[0]!}
              label={`${words.title}, as printed`}
              className="max-h-[max(560px,calc(100vh-130px))] w-full"
            >
              <Rulers scene={drawn.value[0]!} />
              <SheetHandles handles={handlesOf(spec, audience)} origin={originOf(options)} spec={spec} set={set} rest={rest} />
            </SceneDrawing>
            {drawn.value.length > 1 && <p className="text-[14px] text-soft">{drawn.value.length} pages. This is the first.</p>}
          </>
        ) : (
          <div role="alert" className="border-l-4 border-brick bg-brick-tint px-3 py-2">
            {drawn.issues.map((issue) => (
              <p key={issue.code}>{issueWords(issue)}</p>
            ))}
          </div>
        )}
      </div>
      <div className="min-w-0">
        <div className="flex flex-wrap gap-3">
          {mayPut && (
            <button
              type="button"
              className="act act-main"
              onClick={put}
              disabled={!drawn.ok || !isChanged}
              data-key="s"
              data-key-says={`Save to step ${step}`}
            >
              Save to step {step} <KeyCap>S</KeyCap>
            </button>
          )}
          <PrintForm
            spec={spec}
            slug={content.slug}
            step={step}
            childId={child?.childId ?? null}
            paper={paper}
            isLarge={isLarge}
            isLeft={isLeft}
          />
        </div>
        <p role="status" className="mt-1 text-[14px]">
          {said}
          {!mayPut && !said && (
            <span className="text-soft">
              {child
                ? `${child.name}’s program does not have this task. Print the worksheet, or add the task first.`
                : 'Changes are saved with your own task. A library task is copied first. For one student only, open the worksheet from that student.'}
            </span>
          )}
        </p>
        <Difficulty spec={spec} below={below} step={step} />
        <section className="mt-4">
          <h2 className="text-[16px]">Worksheets of this task</h2>
          <SheetStairs content={content} step={step} now={spec} audience={audience} hrefOf={hrefOf} />
        </section>
        <section className="mt-4">
          <h2 className="border-b border-ink pb-1 text-[16px]">Adjust</h2>
          <Turnables spec={spec} below={below} above={above} set={set} rest={rest} />
          <ContentOptions spec={spec} set={set} />
          <p className="mt-2 text-[14px]" role="status">
            {disagreements.length === 0 ? (
              <span className="text-soft">Worksheet and step match. Yellow bands show the range between the neighboring steps.</span>
            ) : (
              disagreements.map((each) => (
                <span key={`${each.code} ${each.step}`} className="block text-brick">
                  {disagreementWords(each)}
                </span>
              ))
            )}
          </p>
          <p className="mt-2 flex flex-wrap gap-x-5 gap-y-1">
            <HarderButton found={harder} letter="h" says="10% harder" onPress={() => turnTo(harder)} />
            <HarderButton found={easier} letter="e" says="10% easier" onPress={() => turnTo(easier)} />
          </p>
          {spec.kind === 'road' && (
            <details className="mt-2">
              <summary className="link inline">Use your own outline</summary>
              <OwnOutline
                readFile={acts.readFile}
                take={({ d, isClosed }) => {
                  rest();
                  set({ ...spec, count: 1, onStrip: false, path: { form: 'own', d, isClosed } });
                }}
              />
            </details>
          )}
        </section>
      </div>
    </div>
  );
}

/** Paper size, print size and hand. */
function PaperOptions({
  paper,
  setPaper,
  isLarge,
  setLarge,
  isLeft,
  setLeft,
  canUndo,
  undo,
}: {
  paper: PaperSize;
  setPaper: (paper: PaperSize) => void;
  isLarge: boolean;
  setLarge: (isLarge: boolean) => void;
  isLeft: boolean;
  setLeft: (isLeft: boolean) => void;
  canUndo: boolean;
  undo: () => void;
}) {
  return (
    <div className="flex flex-wrap gap-x-5 gap-y-2 text-[14px] min-[1000px]:block">
      <p className="text-soft">
        <strong className="text-ink">Worksheet</strong>
        <span className="block">{paper === 'letter' ? 'US Letter' : 'A4'}, black ink</span>
        <span className="block">actual size on paper</span>
      </p>
      <p className="mt-3 grid gap-1.5">
        <Switch letter="a" isOn={paper === 'a4'} onPress={() => setPaper(paper === 'a4' ? 'letter' : 'a4')} says="A4" />
        <Switch letter="l" isOn={isLarge} onPress={() => setLarge(!isLarge)} says="Large print" />
        <Switch letter="m" isOn={isLeft} onPress={() => setLeft(!isLeft)} says="Left hand" />
      </p>
      <p className="mt-3 text-soft">
        <strong className="text-ink">Handles</strong>
        <span className="block">Tab: the next one</span>
        <span className="block">← → by 1 mm</span>
        <span className="block">with Shift by 0.1</span>
      </p>
      <button type="button" className="link mt-1" disabled={!canUndo} onClick={undo} data-key="z" data-key-says="Undo">
        Undo <KeyCap>Z</KeyCap>
      </button>
    </div>
  );
}

/** How hard the worksheet is, beside the one of the step below. */
function Difficulty({ spec, below, step }: { spec: SheetSpec; below: SheetSpec | undefined; step: number }) {
  const [how, setHow] = useState(false);
  const difficulty = difficultyOf(spec);
  return (
    <section className="mt-3">
      <h2 className="border-b border-ink pb-1 text-[18px]">{difficultyWords(difficulty) ?? KIND_NAMES[spec.kind]}</h2>
      <p className="mt-1">
        {comparedWith(difficultyNumber(difficulty), below && difficultyNumber(difficultyOf(below)), step)}
        {difficultyHow(difficulty) && (
          <button type="button" className="link ml-1 text-[14px]" aria-expanded={how} onClick={() => setHow(!how)}>
            How was this calculated?
          </button>
        )}
      </p>
      {how && (
        <p className="mt-1 text-[14px] text-soft">
          {difficultyHow(difficulty)} These numbers compare worksheets. They do not measure a student.
        </p>
      )}
    </section>
  );
}

function comparedWith(now: number | null, before: number | null | undefined, step: number): string {
  if (now === null || before === null || before === undefined || before === 0) return '';
  const share = Math.round((now / before - 1) * 100);
  if (share === 0) return `As hard to follow as the worksheet of step ${step - 1}.`;
  return `${Math.abs(share)}% ${share > 0 ? 'harder' : 'easier'} to follow than the worksheet of step ${step - 1}.`;
}

type Disagreement = ReturnType<typeof sheetDisagreements>[number];

function disagreementWords(found: Disagreement): string {
  if (found.code === 'easierSheet') return `The worksheet of step ${found.step} is easier to follow than the one before it.`;
  const what = found.code === 'pathLength' ? 'length' : 'width';
  return `The grading of step ${found.step} gives a ${what} of ${found.byKnobs} mm, but the worksheet has ${Math.round(found.bySheet * 10) / 10} mm.`;
}
