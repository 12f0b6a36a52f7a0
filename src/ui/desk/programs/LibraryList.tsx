import { plannedDoseOf } from '@/core/tasks';
import { useMemo, useState } from 'react';
import { findTasks } from '@/core/library';
import { fitFor, type ChildFacts, type TaskFit } from '@/core/programs';
import { PARTS, SKILLS, type Part, type Skill } from '@/core/vocabulary';
import { words } from '../../shared/deskWords';
import { partWords } from '../planner/planWords';
import { safetyWords, skillsInWords } from '../parts/taskWords';
import { TaskDescription } from '../parts/TaskDescription';
import { minutesInWords, type LibraryTask } from './draftEdits';
import type { FetchedLibrary } from './useLibrary';

interface Props {
  readonly library: FetchedLibrary;
  readonly child: ChildFacts;
  readonly goalSkills: readonly Skill[];
  /** Ids of the tasks that are in the program. */
  readonly placed: readonly number[];
  readonly add: (task: LibraryTask) => void;
}

/** The library beside the program, those that fit this child first, each saying why; one press places a task into its part. */
export function LibraryList({ library, child, goalSkills, placed, add }: Props) {
  const [search, setSearch] = useState('');
  const [skill, setSkill] = useState<Skill | ''>('');
  const [part, setPart] = useState<Part | ''>('');
  const [athome, setAtHome] = useState(false);
  const ranked = useMemo(
    () =>
      library.tasks.map((task) => ({ ...task, fit: fitFor(task.content, child, goalSkills) })).sort((a, b) => b.fit.score - a.fit.score),
    [library.tasks, child, goalSkills],
  );
  const found = findTasks(ranked, { search, skill: skill || undefined }, skillsInWords).filter(
    (task) => (!athome || task.fit.missing.length === 0) && (part === '' || task.content.part === part),
  );
  return (
    <section aria-label="Tasks" className="mt-3">
      <h2 className="text-[16px]">Tasks</h2>
      <input
        type="search"
        value={search}
        onChange={(event) => setSearch(event.target.value)}
        aria-label="Search tasks"
        placeholder="Title, skill, material  /"
        data-key="/"
        data-key-says="Search tasks"
        className="field mt-1 w-full"
      />
      <select
        value={skill}
        onChange={(event) => setSkill(event.target.value as Skill | '')}
        aria-label="Skill"
        className="field mt-1.5 w-full"
      >
        <option value="">All skills</option>
        {SKILLS.map((each) => (
          <option key={each} value={each}>
            {words(`skills.${each}`)}
          </option>
        ))}
      </select>
      <select
        value={part}
        onChange={(event) => setPart(event.target.value as Part | '')}
        aria-label="Part of the session"
        className="field mt-1.5 w-full"
      >
        <option value="">All parts</option>
        {PARTS.map((each) => (
          <option key={each} value={each}>
            {partWords(each)}
          </option>
        ))}
      </select>
      <label className="mt-1.5 flex items-center gap-2 text-[14px]">
        <input type="checkbox" checked={athome} onChange={(event) => setAtHome(event.target.checked)} className="size-4 accent-green" />
        Only with materials at home
      </label>
      <p role="status" className="mt-1 text-[13px] text-soft">
        {library.state === 'here' && `${found.length} of ${library.tasks.length}, best match first`}
        {library.state === 'coming' && 'Loading tasks…'}
        {library.state === 'missing' && (
          <>
            The tasks could not be loaded. Your program is saved.{' '}
            <button type="button" className="link" onClick={library.tryAgain}>
              Try again
            </button>
          </>
        )}
      </p>
      <ul className="mt-1">
        {found.map((task) => {
          const isPlaced = placed.includes(task.taskId);
          return (
            <li key={task.taskVersionId} className="border-b border-line py-2">
              <button
                type="button"
                disabled={isPlaced}
                onClick={() => add(task)}
                className="block w-full text-left enabled:hover:bg-green-tint disabled:text-soft"
              >
                <span className="font-semibold">{task.content.title.en}</span> {isPlaced && <span>· placed</span>}
                <TaskDescription content={task.content} />
                <span className="block text-[14px] text-soft">
                  {words(`skills.${task.content.skill}`)} · {task.content.ladder.steps.length} steps ·{' '}
                  {minutesInWords({ dose: plannedDoseOf(task.content), step: task.content.ladder.startStep })} ·{' '}
                  {task.content.ages.fromYears}–{task.content.ages.toYears} years
                </span>
                <Why fit={task.fit} />
              </button>
            </li>
          );
        })}
      </ul>
      {library.state === 'here' && found.length === 0 && (
        <p className="mt-2 text-soft">No task matches. Remove a search word or a filter.</p>
      )}
    </section>
  );
}

function Why({ fit }: { fit: TaskFit }) {
  const lines = [
    ...(fit.goalSkill ? [`For a goal: ${words(`skills.${fit.goalSkill}`)}.`] : []),
    ...(fit.isOfOtherAge ? ['For another age.'] : []),
    ...(fit.missing.length ? [`Not at home: ${fit.missing.map((material) => material.name.en).join(', ')}.`] : []),
  ];
  return (
    <>
      {lines.length > 0 && <span className="block text-[13px]">{lines.join(' ')}</span>}
      {[...fit.blocks, ...fit.asks].slice(0, 2).map((finding) => (
        <span key={finding.key} className="block text-[13px] text-brick">
          {finding.severity === 'block' ? `${words('safety.blocked')} ` : ''}
          {safetyWords(finding)}
        </span>
      ))}
    </>
  );
}
