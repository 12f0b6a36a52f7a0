'use client';

import Link from 'next/link';
import { useState, useTransition } from 'react';
import { SKILLS } from '@/core/vocabulary';
import type { FhirPreview } from '@/server/exchange/importFhir';
import { words } from '../../shared/deskWords';
import { FaultNote } from '../parts/FaultNote';

export type TakenFhir =
  { readonly ok: true; readonly goals: number; readonly tasks: number } | { readonly ok: false; readonly words: string };
export interface FhirActs {
  readonly preview: (childId: number, text: string) => Promise<FhirPreview | { readonly words: string }>;
  readonly take: (options: unknown) => Promise<TakenFhir>;
}
interface Props extends FhirActs {
  readonly childId: number;
  readonly childName: string;
}

const FAULTS = {
  notJson: 'This file is not JSON. Choose the file as the other system wrote it.',
  notFhir: 'This file is not FHIR: it names no type of resource.',
  tooLarge: 'The file has more than a million characters or 5,000 entries. Export only the goals and the care plan.',
  manyPatients: 'The file is about several people. Ask for one student’s record.',
} as const;

/** More is not sent at all. */
const MOST_LETTERS = 1_000_000;

type Seen = Extract<FhirPreview, { ok: true }>;

export function FhirPanel({ childId, childName, preview, take }: Props) {
  // A file of a whole record is long: it is not put into a box.
  const [looked, setLooked] = useState({ text: '', count: 0 });
  const [seen, setSeen] = useState<FhirPreview | { readonly words: string } | null>(null);
  const [busy, start] = useTransition();
  const look = (text: string) =>
    start(async () => {
      setLooked(({ count }) => ({ text, count: count + 1 }));
      setSeen(text.length > MOST_LETTERS ? { ok: false, fault: { code: 'tooLarge' } } : await preview(childId, text));
    });
  return (
    <div className="mt-4 space-y-4">
      <label className="block">
        <span className="block text-[13px]">A file about one student: a bundle, a goal, or a care plan, as JSON</span>
        <input
          type="file"
          accept=".json,application/json,application/fhir+json"
          className="my-1 block"
          onChange={(event) => void event.target.files?.[0]?.text().then(look)}
        />
      </label>
      <details>
        <summary className="link inline">Or paste the text</summary>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            look(String(new FormData(event.currentTarget).get('text') ?? ''));
          }}
        >
          <textarea name="text" rows={6} required className="field mt-1 w-full font-mono text-[13px]" aria-label="The file’s text" />
          <button className="act mt-1" disabled={busy}>
            Preview
          </button>
        </form>
      </details>
      {busy && <p role="status">Reading the file…</p>}
      {seen && 'words' in seen && <FaultNote>{seen.words}</FaultNote>}
      {seen && 'ok' in seen && !seen.ok && <FaultNote>{FAULTS[seen.fault.code]}</FaultNote>}
      {seen && 'ok' in seen && seen.ok && (
        <Choice key={looked.count} seen={seen} text={looked.text} childId={childId} childName={childName} take={take} />
      )}
    </div>
  );
}

interface GoalChoice {
  readonly isTaken: boolean;
  readonly skill: string;
  readonly reviewOn: string;
}

function Choice({
  seen,
  text,
  childId,
  childName,
  take,
}: {
  seen: Seen;
  text: string;
  childId: number;
  childName: string;
  take: FhirActs['take'];
}) {
  const [goals, setGoals] = useState<GoalChoice[]>(
    seen.goals.map(({ state, dueOn }) => ({ isTaken: state === 'whole', skill: '', reviewOn: dueOn ?? '' })),
  );
  const [tasks, setTasks] = useState(seen.tasks.map(({ state }) => state === 'known'));
  const [isThisChild, setThisChild] = useState(false);
  const [taken, setTaken] = useState<TakenFhir | null>(null);
  const [busy, start] = useTransition();
  const setGoal = (place: number, change: Partial<GoalChoice>) =>
    setGoals(goals.map((goal, index) => (index === place ? { ...goal, ...change } : goal)));
  const needsWord = seen.patient?.isSame !== true;
  const count = goals.filter(({ isTaken }) => isTaken).length + tasks.filter(Boolean).length;
  const send = () =>
    start(async () =>
      setTaken(
        await take({
          childId,
          text,
          isThisChild: isThisChild || !needsWord,
          goals: goals.flatMap(({ isTaken, skill, reviewOn }, place) =>
            isTaken ? [{ place, skill: skill || null, reviewOn: reviewOn || null }] : [],
          ),
          tasks: tasks.flatMap((isTaken, place) => (isTaken ? [place] : [])),
        }),
      ),
    );
  if (taken?.ok) return <TakenNote taken={taken} childId={childId} childName={childName} />;
  return (
    <form
      className="space-y-5"
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      {needsWord && (
        <label className="flex items-baseline gap-2 border-l-4 border-ochre px-3 py-2">
          <input type="checkbox" checked={isThisChild} onChange={(event) => setThisChild(event.target.checked)} />
          <span>
            {seen.patient ? `The file is about ${seen.patient.name}. ` : 'The file does not name a student. '}I checked: it is about{' '}
            {childName}
          </span>
        </label>
      )}
      <section>
        <h2 className="text-[18px]">{`Goals (${seen.goals.length})`}</h2>
        {seen.goals.map((goal, place) => (
          <GoalRow key={place} goal={goal} choice={goals[place]!} set={(change) => setGoal(place, change)} childName={childName} />
        ))}
      </section>
      <section>
        <h2 className="text-[18px]">{`Activities of the care plan (${seen.tasks.length})`}</h2>
        {seen.tasks.map((task, place) => (
          <label key={place} className="flex items-baseline gap-2 border-t border-line py-2">
            <input
              type="checkbox"
              disabled={task.state !== 'known'}
              checked={tasks[place]!}
              onChange={(event) => setTasks(tasks.map((isTaken, index) => (index === place ? event.target.checked : isTaken)))}
            />
            <span>
              {task.title}
              {task.step !== null && `, step ${task.step}`}
              {task.description && <span className="block text-soft">{task.description}</span>}
              {task.state === 'isThere' && <span className="block text-soft">Already in the draft.</span>}
              {task.state === 'unknown' && (
                <span className="block text-soft">This does not match a task in the library. Add one in the program builder.</span>
              )}
            </span>
          </label>
        ))}
      </section>
      <NotTaken list={seen.notUnderstood} />
      {taken && !taken.ok && <FaultNote>{taken.words}</FaultNote>}
      <button className="act act-main" disabled={busy || count === 0 || (needsWord && !isThisChild)}>
        {`Import what is checked (${count})`}
      </button>
    </form>
  );
}

function TakenNote({ taken, childId, childName }: { taken: Extract<TakenFhir, { ok: true }>; childId: number; childName: string }) {
  return (
    <p role="status" className="border-l-4 border-green px-3 py-2">
      {`Imported: ${taken.goals} ${taken.goals === 1 ? 'goal' : 'goals'}, ${taken.tasks} ${taken.tasks === 1 ? 'task' : 'tasks'} onto the draft. `}
      <Link className="link" href={`/students/${childId}`}>
        {childName}
      </Link>
      {taken.tasks > 0 && (
        <>
          {', '}
          <Link className="link" href={`/students/${childId}/program`}>
            The program builder
          </Link>
        </>
      )}
    </p>
  );
}

/** A goal of the file, with the questions where its measure is not one of ours. */
function GoalRow({
  goal,
  choice,
  set,
  childName,
}: {
  goal: Seen['goals'][number];
  choice: GoalChoice;
  set: (change: Partial<GoalChoice>) => void;
  childName: string;
}) {
  return (
    <div className="border-t border-line py-2">
      <label className="flex items-baseline gap-2">
        <input
          type="checkbox"
          disabled={goal.state === 'isThere'}
          checked={choice.isTaken}
          onChange={(event) => set({ isTaken: event.target.checked })}
        />
        <span>
          {goal.statement}
          {goal.criterion && <span className="block text-soft">{goal.criterion}</span>}
          {goal.state === 'isThere' && <span className="block text-soft">{childName} already has it.</span>}
          {goal.state === 'words' && (
            <span className="block text-soft">
              Yard Steps cannot calculate with this measure. It is imported as text. Please rewrite it when you can.
            </span>
          )}
        </span>
      </label>
      {goal.state === 'words' && choice.isTaken && (
        <span className="mt-1 ml-6 flex flex-wrap gap-3">
          <label>
            Skill{' '}
            <select required value={choice.skill} onChange={(event) => set({ skill: event.target.value })} className="field">
              <option value="">Choose</option>
              {SKILLS.map((skill) => (
                <option key={skill} value={skill}>
                  {words(`skills.${skill}`)}
                </option>
              ))}
            </select>
          </label>
          <label>
            Review on{' '}
            <input
              type="date"
              required
              value={choice.reviewOn}
              onChange={(event) => set({ reviewOn: event.target.value })}
              className="field"
            />
          </label>
        </span>
      )}
    </div>
  );
}

/** Every part of the file that is not understood, so that nothing is lost unseen. */
function NotTaken({ list }: { list: Seen['notUnderstood'] }) {
  return (
    <section>
      <h2 className="text-[18px]">Not imported</h2>
      {list.length === 0 ? (
        <p className="text-soft">Nothing. Everything in the file is listed above.</p>
      ) : (
        <table className="mt-1 w-full table-fixed text-[14px]">
          <tbody>
            {list.map(({ where, says }, index) => (
              <tr key={index} className="border-t border-line align-baseline">
                <th scope="row" className="w-1/2 py-1 pr-3 text-left font-mono text-[12px] font-normal break-words">
                  {where}
                </th>
                <td className="py-1 break-words text-soft">{says}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
