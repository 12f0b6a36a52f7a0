import Link from 'next/link';
import type { LeftOut } from '@/core/planner';
import { SKINS } from '@/core/vocabulary';
import type { PlanLine, PlansView } from '@/server/planner/viewPlans';
import { words } from '../../shared/deskWords';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { FormField } from '../parts/FormField';
import { leftOutWords, rulesInWords } from './planWords';
import { PlanRun } from './PlanRun.client';

interface Props {
  readonly view: PlansView;
  readonly take: WordedAction;
  readonly takeAll: WordedAction;
  readonly drop: WordedAction;
  readonly give: WordedAction;
  readonly forget: WordedAction;
}

/** The next week of the whole caseload, proposed: what would change for each, taken one by one or together, and never sent by itself. */
export function PlansScreen({ view, take, takeAll, drop, give, forget }: Props) {
  const weeks = view.lines.filter(({ proposal }) => proposal.kind === 'week');
  const others = view.lines.filter(({ proposal }) => proposal.kind !== 'week');
  const plain = weeks.filter(({ isStale, hasDraft }) => !isStale && !hasDraft);
  return (
    <>
      <h1 className="text-[24px]">Plan next week</h1>
      <p className="mt-1 max-w-[760px] text-soft">
        Proposes a week for each student from goals, materials and minutes. A proposal that you accept becomes a draft in the program
        builder. Nothing is sent from here.
      </p>
      <PlanRun of={view.children.length}>
        <FormField label="For">
          <select name="school" className="field" defaultValue="">
            <option value="">All {view.children.length} students</option>
            {view.schools.map((school) => (
              <option key={school}>{school}</option>
            ))}
          </select>
        </FormField>
        <FormField label="Theme">
          <select name="theme" className="field" defaultValue="">
            <option value="">The theme of each task</option>
            {SKINS.map((skin) => (
              <option key={skin} value={skin}>
                {words(`skins.${skin}`)}
              </option>
            ))}
          </select>
        </FormField>
      </PlanRun>
      <OwnWeeks view={view} give={give} forget={forget} />
      {plain.length > 1 && (
        <ActionForm action={takeAll} hidden={{}} className="mt-4">
          <button className="act">Accept all {plain.length} as drafts</button>
        </ActionForm>
      )}
      {weeks.length > 0 && (
        <table className="mt-3 w-full border-collapse">
          <thead>
            <tr className="border-b border-ink text-left text-[14px]">
              <th scope="col" className="py-1">
                Student
              </th>
              <th scope="col">Added</th>
              <th scope="col">Removed</th>
              <th scope="col">Other days</th>
              <th scope="col">Goals get</th>
              <th scope="col">To pack</th>
              <th scope="col">
                <span className="sr-only">acts</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {weeks.map((line) => (
              <Row key={line.childId} line={line} take={take} drop={drop} />
            ))}
          </tbody>
        </table>
      )}
      {others.length > 0 && (
        <section className="mt-6">
          <h2 className="text-[18px]">Not planned</h2>
          <ul>
            {others.map((line) => (
              <li key={line.childId} className="border-b border-line py-1.5">
                <Link href={`/students/${line.childId}/program`} prefetch={false} className="font-semibold hover:underline">
                  {line.name}
                </Link>
                : {whyNot(line)}
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function Row({ line, take, drop }: { readonly line: PlanLine; readonly take: WordedAction; readonly drop: WordedAction }) {
  const { childId, name, proposal, isStale, hasDraft } = line;
  if (proposal.kind !== 'week') return null;
  const short = proposal.goals.filter(({ asked, given }) => asked === null || given < asked);
  return (
    <tr className="align-top">
      <th scope="row" className="cell text-left whitespace-nowrap">
        <Link href={`/students/${childId}/program`} prefetch={false} className="hover:underline">
          {name}
        </Link>
      </th>
      <td className="cell">{proposal.into.join(', ') || '–'}</td>
      <td className="cell text-soft">{proposal.out.join(', ') || '–'}</td>
      <td className="cell text-soft">{proposal.days.join(', ') || '–'}</td>
      <td className="cell">
        {proposal.gap === null
          ? ownWords(proposal.left)
          : proposal.goals.length === 0
            ? 'no open goal'
            : short.length === 0
              ? 'all they ask for'
              : short
                  .map(({ statement, asked, given }) => `${asked === null ? 'no task is possible' : `${given} of ${asked}`}: ${statement}`)
                  .join('; ')}
      </td>
      <td className="cell">{proposal.packs || '–'}</td>
      <td className="cell">
        {isStale ? (
          <span className="text-soft">a new version was sent since then. Plan again.</span>
        ) : (
          <span className="flex gap-3 whitespace-nowrap">
            <ActionForm action={take} hidden={{ childId }}>
              <button className="link">
                {hasDraft ? 'Accept, and replace your draft' : 'Accept'}
                <span className="sr-only"> for {name}</span>
              </button>
            </ActionForm>
            <ActionForm action={drop} hidden={{ childId }}>
              <button className="link text-soft">
                Skip<span className="sr-only"> for {name}</span>
              </button>
            </ActionForm>
          </span>
        )}
      </td>
    </tr>
  );
}

const ownWords = (left: readonly { readonly title: string; readonly why: LeftOut }[]) =>
  left.length === 0
    ? 'your saved week'
    : `your saved week, without ${left.map(({ title, why }) => `${title} (${leftOutWords(why).replace(/\.$/, '')})`).join(', ')}`;

/** Weeks that were kept in the builder: the same tasks for several children, each at its own step. */
function OwnWeeks({ view: { templates, children }, give, forget }: Pick<Props, 'view' | 'give' | 'forget'>) {
  if (templates.length === 0)
    return (
      <p className="mt-3 text-[14px] text-soft">
        A week that you saved in the program builder can be used for several students, each at their own step.
      </p>
    );
  return (
    <details className="mt-3">
      <summary className="link inline">Your saved weeks ({templates.length})</summary>
      {templates.map(({ id, name, tasks }) => (
        <section key={id} className="mt-2 border-b border-line pb-2" aria-label={name}>
          <h2 className="text-[16px]">{name}</h2>
          <p className="text-[14px] text-soft">{tasks.join(', ')}</p>
          <ActionForm action={give} hidden={{ id }}>
            <fieldset className="mt-1 columns-2 min-[900px]:columns-4">
              <legend className="sr-only">For</legend>
              {children.map((child) => (
                <label key={child.childId} className="flex min-h-6 items-center gap-1.5 text-[14px]">
                  <input type="checkbox" name="childIds" value={child.childId} className="size-4 accent-green" />
                  {child.name}
                </label>
              ))}
            </fieldset>
            <button className="act mt-1">Propose for these students</button>
          </ActionForm>
          <ActionForm action={forget} hidden={{ id }}>
            <button className="link text-[14px] text-soft">
              Delete this saved week<span className="sr-only">: {name}</span>
            </button>
          </ActionForm>
        </section>
      ))}
    </details>
  );
}

function whyNot({ proposal }: PlanLine): string {
  switch (proposal.kind) {
    case 'impossible':
      return `no week keeps all of these: ${rulesInWords(proposal.rules)}. Open the builder and change one of them.`;
    case 'paused':
      return 'home practice is paused or ended. Restart it first.';
    case 'noTime':
      return 'no week was found in time. Try it in the program builder, with a task pinned or removed.';
    case 'week':
      return '';
  }
}
