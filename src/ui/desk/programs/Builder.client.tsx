'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { calendarDay, parseCalendarDay, type CalendarDay } from '@/core/calendar';
import { ageOf, factsOf, nameOf } from '@/core/students';
import type { BuilderView } from '@/server/programs/viewBuilder';
import { candidatesFor, givenBy } from '@/core/planner';
import { checkProgram, type ProgramDraft } from '@/core/programs';
import { PARTS, type Part } from '@/core/vocabulary';
import { ChildFacts } from '../parts/ChildFacts';
import { Finding } from '../parts/Finding';
import { KeyCap } from '../parts/KeyCap';
import { FillWeek } from '../planner/FillWeek';
import { partWords } from '../planner/planWords';
import { useFillWeek } from '../planner/useFillWeek';
import { findingWords } from './findingWords';
import { GoalBars } from './GoalBars';
import { LibraryList } from './LibraryList';
import { useLibrary } from './useLibrary';
import { firstStepAt } from '@/core/tasks';
import { PlannedRow } from './PlannedRow';
import { isPlainCaution, PlainCautions, ProgramFindingRow } from './ProgramFindingRow';
import type { WordedAction } from '../parts/ActionForm.client';
import { KeepWeek } from './KeepWeek';
import { SendBar } from './SendBar';
import { SkillTotals } from './SkillTotals';
import { useAutosave, useDraft } from './useDraft';
import { WeekGrid } from './WeekGrid';

export interface BuilderProps {
  readonly view: BuilderView;
  /** The card in Rounds that this was opened from; null where it was opened from elsewhere. */
  readonly back: string | null;
  readonly save: (childId: number, draft: ProgramDraft) => Promise<string | null>;
  readonly keepWeek: WordedAction;
  readonly send: (input: {
    childId: number;
    expectedVersion: number;
    draft: ProgramDraft;
    cautionsRead: boolean;
  }) => Promise<{ ok: true; versionNumber: number } | { ok: false; words: string }>;
}

/** Builds the next program: parts × days, tasks, steps, doses; faults are shown beside their place. */
export function Builder({ view, back, save, send, keepWeek }: BuilderProps) {
  const { child, today, currentVersion } = view;
  const fetched = useLibrary(view.libraryKey);
  const library = fetched.tasks;
  const { draft, edit, canUndo } = useDraft(view.draft);
  const { isOpen, toggle, open, fold } = useOpened(view.draft);
  const router = useRouter();
  const saved = useAutosave(draft, (changed) => save(child.id, changed));
  const known = useMemo(() => [...view.placed, ...library], [view.placed, library]);
  const tasks = useMemo(
    () => draft.tasks.map((task) => known.find((each) => each.taskVersionId === task.taskVersionId)),
    [draft.tasks, known],
  );
  const age = ageOf(child, today);
  const months = age.years * 12 + age.months;
  const facts = useMemo(() => factsOf(child, today), [child, today]);
  const planFacts = useMemo(
    () => ({ ...view.plan, child: { ...facts, likes: child.likes }, ageMonths: months, paces: view.paces, mayPack: true, theme: null }),
    [view.plan, view.paces, facts, child.likes, months],
  );
  const planner = useFillWeek({
    facts: planFacts,
    library,
    draft,
    place: (filled) => {
      fold(filled.tasks.map(({ taskVersionId }) => taskVersionId));
      edit({ kind: 'restore', draft: filled });
    },
  });
  const asked = useMemo(
    () =>
      library.length === 0
        ? null
        : candidatesFor({ ...planFacts, library, asked: [] }).goals.map((goal) => (goal.isServed ? goal.asked : null)),
    [planFacts, library],
  );
  const given = givenBy(
    draft.tasks.flatMap((planned, index) =>
      tasks[index] ? [{ taskId: tasks[index].taskId, content: tasks[index].content, planned }] : [],
    ),
    view.plan.goals,
  );
  const findings = useMemo(() => {
    const contents = tasks.flatMap((task) => (task ? [task.content] : []));
    return contents.length === draft.tasks.length ? checkProgram(draft, contents, facts, today, view.sent) : [];
  }, [draft, tasks, facts, today, view.sent]);
  const whole = findings.filter((finding) => finding.task === null);

  const sendNow = async (cautionsRead: boolean) => {
    const answer = await send({ childId: child.id, expectedVersion: currentVersion, draft, cautionsRead });
    if (!answer.ok) return answer.words;
    router.push(back ?? `/messages?phone=${child.id}`);
    return null;
  };

  return (
    <>
      <BuilderHead view={view} saved={saved} back={back} />
      <ChildFacts child={child} today={today} />
      <div className="mt-4 grid grid-cols-1 gap-7 min-[900px]:grid-cols-[minmax(0,1fr)_300px]">
        <div className="min-w-0">
          <Span draft={draft} canUndo={canUndo} asSent={currentVersion > 0 ? view.asSent : null} edit={edit} />
          <GoalBars goals={view.plan.goals} asked={asked} given={given} />
          {draft.tasks.length > 0 && (
            <WeekGrid
              draft={draft}
              tasks={tasks}
              budget={child.minutesPerDay}
              practiceWeekdays={child.practiceWeekdays}
              edit={edit}
              open={(index) => {
                const { taskVersionId } = draft.tasks[index]!;
                open(taskVersionId);
                document.getElementById(`task-${taskVersionId}`)?.scrollIntoView({ block: 'nearest' });
              }}
            />
          )}
          {whole.map((finding) => (
            <Finding key={finding.code} severity={finding.severity}>
              {findingWords(finding)}
            </Finding>
          ))}
          {PARTS.map((part) => (
            <PartRows key={part} {...{ part, draft, tasks, findings, view, library, edit, isOpen, toggle }} />
          ))}
          <SkillTotals draft={draft} tasks={tasks} />
          <KeepWeek draft={draft} tasks={tasks} keep={keepWeek} />
          <label className="mt-5 block max-w-[640px]">
            <span className="font-semibold">Note to the family</span> <span className="text-soft">(shown above their tasks)</span>
            <textarea
              value={draft.note}
              maxLength={600}
              rows={2}
              onChange={(event) => edit({ kind: 'note', note: event.target.value })}
              className="field mt-1 w-full"
            />
          </label>
          <SendBar draft={draft} findings={findings} nextVersion={currentVersion + 1} send={sendNow} />
        </div>
        <aside aria-label="Plan and tasks" className="sticky top-2 max-h-[calc(100vh-1rem)] self-start overflow-y-auto pr-1">
          <FillWeek planner={planner} goals={view.plan.goals} waits={library.length === 0} />
          <LibraryList
            library={fetched}
            child={facts}
            goalSkills={view.goalSkills}
            placed={tasks.flatMap((task) => (task ? [task.taskId] : []))}
            add={(task) => edit({ kind: 'add', task, step: firstStepAt(task.content, months), childSettings: child.taskSettings })}
          />
        </aside>
      </div>
    </>
  );
}

/** Names the student, and says how far the draft is saved. */
function BuilderHead({ view: { child, currentVersion }, saved, back }: Pick<BuilderProps, 'view' | 'back'> & { saved: string }) {
  return (
    <div className="flex items-baseline gap-5">
      <h1 className="text-[24px]">
        <Link href={`/students/${child.id}`} prefetch={false} className="hover:underline">
          {nameOf(child)}
        </Link>
        : the next program
      </h1>
      <span className="text-soft">
        {currentVersion === 0 ? 'nothing sent yet' : `continues from version ${currentVersion}`} · {saved}
      </span>
      {back && (
        <Link href={back} prefetch={false} className="link" data-key="b" data-key-says="Back to the card">
          Back to the card
        </Link>
      )}
    </div>
  );
}

type Draft = ReturnType<typeof useDraft>;

/** From when until when it holds; undo, and back to what was sent. */
function Span({ draft, canUndo, asSent, edit }: Pick<Draft, 'draft' | 'canUndo' | 'edit'> & { asSent: ProgramDraft | null }) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <DayField label="From" value={draft.startsOn} onDay={(startsOn) => edit({ kind: 'span', startsOn })} />
      <DayField label="Until" value={draft.endsOn} onDay={(endsOn) => edit({ kind: 'span', endsOn })} />
      <p className="ml-auto flex flex-wrap gap-4">
        {canUndo && (
          <button type="button" className="link" onClick={() => edit({ kind: 'undo' })} data-key="z" data-key-says="Undo the last change">
            Undo <KeyCap>Z</KeyCap>
          </button>
        )}
        {asSent && (
          <button type="button" className="link" onClick={() => edit({ kind: 'restore', draft: asSent })}>
            Restore the sent version
          </button>
        )}
      </p>
    </div>
  );
}

/** The tasks of one part of a session, each with what is wrong with it. */
function PartRows({
  part,
  draft,
  tasks,
  findings,
  view,
  library,
  edit,
  isOpen,
  toggle,
}: Pick<Draft, 'draft' | 'edit'> & {
  part: Part;
  tasks: readonly (BuilderView['placed'][number] | undefined)[];
  findings: ReturnType<typeof checkProgram>;
  view: BuilderView;
  library: ReturnType<typeof useLibrary>['tasks'];
  isOpen: (taskVersionId: number) => boolean;
  toggle: (taskVersionId: number) => void;
}) {
  const { child, today } = view;
  return (
    <section className="mt-4">
      <h2 className="border-b border-line text-[16px]">{partWords(part)}</h2>
      {draft.tasks.every((task) => task.part !== part) && <p className="py-1 text-[14px] text-soft">nothing placed</p>}
      {draft.tasks.map((task, index) => {
        const placed = tasks[index];
        if (task.part !== part || !placed) return null;
        const own = findings.filter((finding) => finding.task === index);
        return (
          <PlannedRow
            key={task.taskVersionId}
            planned={task}
            task={placed}
            index={index}
            child={child}
            today={today}
            newer={library.find((each) => each.taskId === placed.taskId && each.taskVersionId !== placed.taskVersionId)}
            isClosed={view.closedTaskIds.includes(placed.taskId)}
            pace={view.paces.find((pace) => pace.taskId === placed.taskId)}
            edit={edit}
            isOpen={isOpen(task.taskVersionId)}
            toggle={() => toggle(task.taskVersionId)}
          >
            {own
              .filter((finding) => !isPlainCaution(finding))
              .map((finding) => (
                <ProgramFindingRow
                  key={finding.code === 'safety' ? finding.finding.key : finding.code}
                  finding={finding}
                  planned={task}
                  task={placed}
                  index={index}
                  library={library}
                  childSettings={child.taskSettings}
                  edit={edit}
                />
              ))}
            <PlainCautions findings={own.filter(isPlainCaution)} />
          </PlannedRow>
        );
      })}
    </section>
  );
}

/** Which rows are unfolded: what is placed now begins so, what was there before and what the planner placed do not. */
function useOpened({ tasks }: ProgramDraft) {
  const [turned, setTurned] = useState<Readonly<Record<number, boolean>>>(() =>
    Object.fromEntries(tasks.map(({ taskVersionId }) => [taskVersionId, false])),
  );
  const set = (taskVersionId: number, isOpen: boolean) => setTurned((before) => ({ ...before, [taskVersionId]: isOpen }));
  const isOpen = (taskVersionId: number) => turned[taskVersionId] ?? true;
  const fold = (ids: readonly number[]) => setTurned((before) => ({ ...Object.fromEntries(ids.map((id) => [id, false])), ...before }));
  return { isOpen, toggle: (id: number) => set(id, !isOpen(id)), open: (id: number) => set(id, true), fold };
}

function DayField({ label, value, onDay }: { label: string; value: CalendarDay; onDay: (day: CalendarDay) => void }) {
  return (
    <label className="block">
      <span className="block text-[13px] font-semibold text-soft">{label}</span>
      <input
        type="date"
        value={value}
        onChange={(event) => {
          const day = parseCalendarDay(event.target.value);
          if (day) onDay(calendarDay(day));
        }}
        className="field"
      />
    </label>
  );
}
