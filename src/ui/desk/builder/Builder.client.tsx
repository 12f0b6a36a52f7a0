'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useReducer, useRef, useState } from 'react';
import { calendarDay, parseCalendarDay, type CalendarDay } from '@/core/calendar';
import { ageOf, factsOf, nameOf } from '@/core/child';
import type { BuilderView } from '@/server/programs/viewBuilder';
import { checkProgram, minutesOnWeekday, type ProgramDraft } from '@/core/program';
import { doseAt, repetitionsBySkill } from '@/core/dose';
import { longDay, WEEKDAYS } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { ChildFacts } from '../parts/ChildFacts';
import { Finding } from '../parts/Finding';
import { KeyCap } from '../parts/KeyCap';
import { editDraft, type LibraryTask } from './draftEdits';
import { findingWords } from './findingWords';
import { LibraryList } from './LibraryList';
import { useLibrary } from './useLibrary';
import { firstStepAt } from '@/core/tasks';
import { PlannedRow } from './PlannedRow';
import { isPlainCaution, PlainCautions, ProgramFindingRow } from './ProgramFindingRow';
import { FaultNote } from '../parts/FaultNote';

export interface BuilderProps {
  readonly view: BuilderView;
  /** The card in Rounds that this was opened from; null where it was opened from elsewhere. */
  readonly back: string | null;
  readonly save: (childId: number, draft: ProgramDraft) => Promise<string | null>;
  readonly send: (input: {
    childId: number;
    expectedVersion: number;
    draft: ProgramDraft;
    cautionsRead: boolean;
  }) => Promise<{ ok: true; versionNumber: number } | { ok: false; words: string }>;
}

const PART_WORDS = { warmUp: 'Warm-up', tableWork: 'Table work', writing: 'Writing', selfCare: 'Self-care' } as const;

/** What do we send for next week: parts × days, tasks, steps, doses; what is wrong is said beside it. */
export function Builder({ view, back, save, send }: BuilderProps) {
  const { child, today, currentVersion } = view;
  const fetched = useLibrary(view.libraryKey);
  const library = fetched.tasks;
  const [draft, edit] = useReducer(editDraft, view.draft);
  const [sending, setSending] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const [cautionsRead, setCautionsRead] = useState(false);
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
  const findings = useMemo(() => {
    const contents = tasks.flatMap((task) => (task ? [task.content] : []));
    return contents.length === draft.tasks.length ? checkProgram(draft, contents, facts, today, view.sent) : [];
  }, [draft, tasks, facts, today, view.sent]);
  const errors = findings.filter((finding) => finding.severity === 'error');
  const cautions = findings.filter((finding) => finding.severity === 'caution');
  const whole = findings.filter((finding) => finding.task === null);

  const sendNow = async () => {
    setSending(true);
    const answer = await send({ childId: child.id, expectedVersion: currentVersion, draft, cautionsRead });
    if (answer.ok) return router.push(back ?? `/post?phone=${child.id}`);
    setFault(answer.words);
    setSending(false);
  };

  return (
    <>
      <div className="flex items-baseline gap-5">
        <h1 className="text-[24px]">
          <Link href={`/children/${child.id}`} prefetch={false} className="hover:underline">
            {nameOf(child)}
          </Link>
          : the next program
        </h1>
        <span className="text-soft">
          {currentVersion === 0 ? 'nothing sent yet' : `goes on from version ${currentVersion}`} · {saved}
        </span>
        {back && (
          <Link href={back} prefetch={false} className="link" data-key="b" data-key-says="Back to the card">
            back to the card
          </Link>
        )}
      </div>
      <ChildFacts child={child} today={today} />
      <div className="mt-4 grid grid-cols-1 gap-7 min-[900px]:grid-cols-[minmax(0,1fr)_300px]">
        <div className="min-w-0">
          <div className="flex flex-wrap items-end gap-4">
            <DayField label="From" value={draft.startsOn} onDay={(startsOn) => edit({ kind: 'span', startsOn })} />
            <DayField label="Until" value={draft.endsOn} onDay={(endsOn) => edit({ kind: 'span', endsOn })} />
            <Minutes draft={draft} budget={child.minutesPerDay} />
          </div>
          {whole.map((finding) => (
            <Finding key={finding.code} severity={finding.severity}>
              {findingWords(finding)}
            </Finding>
          ))}
          {(Object.keys(PART_WORDS) as (keyof typeof PART_WORDS)[]).map((part) => (
            <section key={part} className="mt-4">
              <h2 className="border-b border-line text-[16px]">{PART_WORDS[part]}</h2>
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
          ))}
          <SkillTotals draft={draft} tasks={tasks} />
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
          <div className="mt-4 border-t-2 border-ink pt-3">
            {cautions.length > 0 && (
              <label className="flex items-start gap-2">
                <input
                  type="checkbox"
                  checked={cautionsRead}
                  onChange={(event) => setCautionsRead(event.target.checked)}
                  className="mt-1 size-4 accent-green"
                />
                <span>
                  I have read the {cautions.length === 1 ? 'caution' : `${cautions.length} cautions`} above and judge that this fits the
                  child. Local rules and my license come first.
                </span>
              </label>
            )}
            {fault && <FaultNote className="mt-2">{fault}</FaultNote>}
            <div className="mt-3 flex items-center gap-4">
              <button
                type="button"
                className="act act-main"
                disabled={sending || errors.length > 0 || (cautions.length > 0 && !cautionsRead)}
                onClick={sendNow}
                data-key="s"
                data-key-says="Send this program"
              >
                Send as version {currentVersion + 1} <KeyCap>S</KeyCap>
              </button>
              <span className="text-soft">
                {errors.length > 0
                  ? `${errors.length} to fix first`
                  : cautions.length > 0 && !cautionsRead
                    ? 'Tick that the cautions are read'
                    : `It freezes: what the family gets never changes. Until ${longDay(draft.endsOn)}.`}
              </span>
            </div>
          </div>
        </div>
        <LibraryList
          library={fetched}
          child={facts}
          goalSkills={view.goalSkills}
          placed={tasks.flatMap((task) => (task ? [task.taskId] : []))}
          add={(task) => edit({ kind: 'add', task, step: firstStepAt(task.content, months), childSettings: child.taskSettings })}
        />
      </div>
    </>
  );
}

/** Repetitions a week by skill, with what is hidden in set-up. */
function SkillTotals({ draft, tasks }: { draft: ProgramDraft; tasks: readonly (LibraryTask | undefined)[] }) {
  const totals = repetitionsBySkill(
    draft.tasks.flatMap((task, index) => {
      const skill = tasks[index]?.content.skill;
      return skill ? [{ skill, dose: doseAt(task.dose, task.step), daysPerWeek: task.weekdays.length }] : [];
    }),
  );
  if (totals.length === 0) return null;
  const said = totals.map(({ skill, perWeek, inSetUp, minutes }) => {
    const parts = [...(perWeek ? [`${perWeek}${inSetUp ? ` (${inSetUp} in set-up)` : ''}`] : []), ...(minutes ? [`${minutes} min`] : [])];
    return `${words(`skills.${skill}`)} ${parts.join(' and ')}`;
  });
  return (
    <p className="mt-4 text-[14px]">
      <strong>Practice a week, by skill:</strong> {said.join(' · ')}
    </p>
  );
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

/** Minutes by weekday against the family's budget, as small bars with their numbers. */
function Minutes({ draft, budget }: { draft: ProgramDraft; budget: number }) {
  const minutes = WEEKDAYS.map((name, index) => ({ name, minutes: Math.round(minutesOnWeekday(draft, index + 1)) }));
  const most = Math.max(budget, ...minutes.map((day) => day.minutes), 1);
  return (
    <figure className="ml-auto">
      <figcaption className="text-[13px] text-soft">minutes a day; this family has {budget}</figcaption>
      <div className="relative flex gap-2">
        {minutes.map((day) => (
          <div key={day.name} className="w-9 text-center text-[13px]" title={`${day.name}: ${day.minutes} minutes`}>
            <svg width="36" height="30" aria-hidden="true" className="block">
              <rect
                x="4"
                y={29 - (28 * day.minutes) / most}
                width="28"
                height={(28 * day.minutes) / most}
                fill={day.minutes > budget ? 'var(--color-brick)' : 'var(--color-green)'}
              />
              <path d={`M0 ${29 - (28 * budget) / most}H36`} stroke="var(--color-ink)" strokeDasharray="3 2" />
            </svg>
            {day.name.slice(0, 2)} <strong>{day.minutes}</strong>
          </div>
        ))}
      </div>
    </figure>
  );
}

const PAUSE_MILLISECONDS = 700;

/** Saves the draft a moment after the last change, and says so. */
function useAutosave(draft: ProgramDraft, save: (draft: ProgramDraft) => Promise<string | null>): string {
  const [state, setState] = useState('not changed yet');
  const first = useRef(draft);
  const latest = useRef(save);
  useEffect(() => {
    latest.current = save;
  });
  useEffect(() => {
    if (first.current === draft) return;
    setState('saving…');
    const timer = setTimeout(async () => {
      const fault = await latest.current(draft).catch(() => 'not saved: no answer. It is tried again at your next change.');
      setState(fault ?? 'draft saved');
    }, PAUSE_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [draft]);
  return state;
}
