import Link from 'next/link';
import { demandsOf } from '@/core/programs';
import { BUNDLES, findTasks, lackingFor, type TaskOptions } from '@/core/library';
import { minutesOf } from '@/core/dose';
import { hasTrait } from '@/core/safety';
import { dressedIn, type HomeMaterial } from '@/core/tasks';
import { SKILLS, SKINS } from '@/core/vocabulary';
import type { LibraryView } from '@/server/tasks/viewLibrary';
import { SmallTimeline } from '../../stepTimeline/TimelineDrawing';
import { words } from '../../shared/deskWords';
import { RowKeys } from '../parts/RowKeys.client';
import { FilterForm } from '../parts/FilterForm.client';
import { skillsInWords } from '../parts/taskWords';
import { LibraryActs, type LibraryActsProps } from './LibraryActs.client';
import { HeadRow } from '../parts/HeadRow';
import { TaskDescription } from '../parts/TaskDescription';

type ShelfTask = LibraryView['tasks'][number];

interface Props {
  readonly tasks: LibraryView['tasks'];
  readonly inEditor: LibraryView['inEditor'];
  readonly things: readonly HomeMaterial[];
  readonly options: TaskOptions;
  readonly made: string | null;
  readonly acts: LibraryActsProps;
}

/** The library: what can we do, with what is at hand, for this skill, in this time? Its state is in the address. */
export function LibraryScreen({ tasks, inEditor, things, options, made, acts }: Props) {
  const found = findTasks(tasks, options, skillsInWords);
  const skin = options.skin ?? 'buildersYard';
  const nearly = options.atHand
    ? findTasks(tasks, { ...options, atHand: undefined }, skillsInWords).flatMap((task) => nearlyWith(task, options.atHand!))
    : [];
  return (
    <>
      <RowKeys />
      <div className="flex flex-wrap items-baseline gap-5">
        <h1 className="text-[24px]">Task library</h1>
        <span className="text-soft">
          {found.length} of {tasks.length} tasks
        </span>
        {made && (
          <span className="text-green">{tasks.find((task) => task.slug === made)?.content.title.en ?? made} is in the library.</span>
        )}
      </div>
      {inEditor.length > 0 && (
        <p className="mt-1">
          Your drafts:{' '}
          {inEditor.map((draft, index) => (
            <span key={draft.slug}>
              {index > 0 && ' · '}
              <Link href={`/tasks/${draft.slug}`} prefetch={false} className="link">
                {draft.title}
              </Link>
              {draft.isNew && ' (not in the library yet)'}
            </span>
          ))}
        </p>
      )}
      <LibraryActs {...acts} />
      <FilterForm key={filterKey(options)}>
        <input
          type="search"
          name="search"
          defaultValue={options.search}
          aria-label="Search title, skill, material"
          placeholder="Title, skill, material  /"
          data-key="/"
          data-key-says="Search"
          className="field w-[210px]"
        />
        <Select
          name="skill"
          label="Skill"
          value={options.skill ?? ''}
          options={[['', 'All skills'], ...SKILLS.map((skill): [string, string] => [skill, words(`skills.${skill}`)])]}
        />
        <Select
          name="bundle"
          label="Set for"
          value={options.bundle ?? ''}
          options={[['', 'everything'], ...BUNDLES.map(({ id, words: called }): [string, string] => [id, called])]}
        />
        <Select
          name="age"
          label="Age"
          value={options.ageYears === undefined ? '' : String(options.ageYears)}
          options={[['', 'any'], ...[3, 4, 5, 6, 7, 8, 9, 10].map((age): [string, string] => [String(age), `${age} years`])]}
        />
        <Select
          name="minutes"
          label="Minutes"
          value={options.mostMinutes === undefined ? '' : String(options.mostMinutes)}
          options={[['', 'any'], ...[3, 5, 8, 12].map((minutes): [string, string] => [String(minutes), `up to ${minutes}`])]}
        />
        <Select name="skin" label="Theme" value={skin} options={SKINS.map((each): [string, string] => [each, words(`skins.${each}`)])} />
        <Select
          name="hand1"
          label="At hand"
          value={options.atHand?.[0] ?? ''}
          options={[['', 'anything'], ...things.map((thing): [string, string] => [thing.id, thing.name.en])]}
        />
        <Select
          name="hand2"
          label="and"
          value={options.atHand?.[1] ?? ''}
          options={[['', 'nothing else'], ...things.map((thing): [string, string] => [thing.id, thing.name.en])]}
        />
        <Select
          name="hand3"
          label="and"
          value={options.atHand?.[2] ?? ''}
          options={[['', 'nothing else'], ...things.map((thing): [string, string] => [thing.id, thing.name.en])]}
        />
        <Tick name="noScissors" label="No scissors" ticked={options.noScissors} />
        <Tick name="noFood" label="No food" ticked={options.noFood} />
        <Link href="/tasks" prefetch={false} className="link pb-1.5 text-[14px]">
          Clear
        </Link>
      </FilterForm>
      <table className="mt-3 w-full border-collapse">
        <HeadRow heads={['task', 'skill', 'steps', 'target', 'ages', 'materials']} />
        <tbody>
          {found.map((task) => (
            <Row key={task.slug} task={task} skin={skin} />
          ))}
          {nearly.length > 0 && (
            <tr>
              <th colSpan={6} className="pt-5 pb-1 text-left font-title text-[16px]">
                With one more item
              </th>
            </tr>
          )}
          {nearly.map(({ task, lacking }) => (
            <Row key={task.slug} task={task} skin={skin} lacking={lacking} />
          ))}
        </tbody>
      </table>
      {found.length === 0 && nearly.length === 0 && (
        <p className="mt-3 text-soft">No task matches. Clear a filter, or choose fewer materials.</p>
      )}
    </>
  );
}

/** The form is made anew when the filters are cleared, not while one types. */
const filterKey = (options: TaskOptions) => (Object.values(options).every((value) => !value) ? 'clear' : 'filtered');

/** A task that would take just one thing more than what is at hand. */
function nearlyWith(task: ShelfTask, atHand: readonly string[]): { task: ShelfTask; lacking: string }[] {
  const lacking = lackingFor(task.content, atHand);
  return lacking?.length === 1 ? [{ task, lacking: lacking[0]!.name.en }] : [];
}

function Row({ task, skin, lacking }: { task: ShelfTask; skin: NonNullable<TaskOptions['skin']>; lacking?: string }) {
  const content = dressedIn(task.content, skin);
  const { ladder, dose, ages } = content;
  const traits = [...(hasTrait(content, 'scissors') ? ['scissors or blade'] : []), ...(hasTrait(content, 'food') ? ['food'] : [])];
  return (
    <tr data-row="">
      <td className="cell">
        <Link href={`/tasks/${task.slug}`} prefetch={false} className="font-semibold hover:underline">
          {content.title.en}
        </Link>
        <TaskDescription content={content} />
        {task.ownerName !== null && (
          <span className="block text-[13px] text-soft">
            {task.ownerName}, version {task.number}
          </span>
        )}
      </td>
      <td className="cell text-[14px]">{words(`skills.${content.skill}`)}</td>
      <td className="cell">
        <SmallTimeline
          timeline={{ demands: demandsOf(content), daysSpent: [], currentStep: ladder.startStep, outcomes: [] }}
          label={`${ladder.steps.length} steps, start at ${ladder.startStep}`}
        />
      </td>
      <td className="cell text-[14px] whitespace-nowrap">{minutesOf(dose).toFixed(0)} min</td>
      <td className="cell text-[14px] whitespace-nowrap">
        {ages.fromYears}–{ages.toYears}
      </td>
      <td className="cell text-[14px]">
        {lacking && <strong>also {lacking} · </strong>}
        {content.materials.map((material) => material.name.en).join(', ') || 'nothing'}
        {traits.length > 0 && <span className="text-brick"> · {traits.join(', ')}</span>}
      </td>
    </tr>
  );
}

function Select({
  name,
  label,
  value,
  options,
}: {
  name: string;
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
}) {
  return (
    <label className="block">
      <span className="block text-[13px] font-semibold text-soft">{label}</span>
      <select name={name} aria-label={label} defaultValue={value} className="field max-w-[150px]">
        {options.map(([id, text]) => (
          <option key={id} value={id}>
            {text}
          </option>
        ))}
      </select>
    </label>
  );
}

function Tick({ name, label, ticked }: { name: string; label: string; ticked: boolean | undefined }) {
  return (
    <label className="flex items-center gap-1.5 pb-1.5">
      <input type="checkbox" name={name} value="yes" defaultChecked={ticked} className="size-4 accent-green" />
      {label}
    </label>
  );
}
