import Link from 'next/link';
import { linesAt } from '@/core/tasks';
import type { ClipsView, OpenTask } from '@/server/videos/viewClips';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { ClipCard } from './ClipCard.client';
import { ClipMaker } from './ClipMaker.client';

export interface ClipActs {
  readonly put: WordedAction;
  readonly ask: WordedAction;
  readonly remove: WordedAction;
  readonly change: (given: object) => Promise<string | null>;
}

/** Lists videos, and films new ones: of a task, or all that there are. */
export function ClipsScreen({ view, acts }: { view: ClipsView; acts: ClipActs }) {
  const { open, clips, mayMake } = view;
  const shown = clips.filter(({ origin }) => origin === 'shown');
  const sentBack = clips.filter(({ origin }) => origin === 'sentBack');
  return (
    <>
      <div className="mb-2 flex flex-wrap items-baseline gap-x-5">
        <h1 className="text-[24px]">{open ? `Videos: ${open.content.title.en}` : 'Videos'}</h1>
        {open && (
          <>
            <span className="text-soft">
              step {open.step} of {open.content.ladder.steps.length}, {open.content.ladder.steps[open.step - 1]!.name.en}
              {open.child && (
                <>
                  {', for '}
                  <Link href={`/students/${open.child.childId}`} className="link">
                    {open.child.name}
                  </Link>
                </>
              )}
            </span>
            <Link href="/videos" className="link">
              All videos
            </Link>
          </>
        )}
      </div>
      {!open && (
        <>
          <p className="max-w-[70ch] text-soft">
            Where words cannot show a grasp or a lace, a short video of your hands can. Open the task to film for it. A family gets it with
            the next program that you send.
          </p>
          {mayMake && <OpenFor view={view} />}
        </>
      )}
      {open && (
        <>
          <WhatToFilm open={open} />
          {mayMake ? (
            <ClipMaker key={`${open.content.slug} ${open.step}`} open={open} />
          ) : (
            <p>The lead therapist makes videos for this student.</p>
          )}
        </>
      )}
      {open?.child && open.placed && mayMake && <AskBack open={open} action={acts.ask} />}
      <h2 className="mt-6 border-b border-ink pb-1 text-[18px]">{open ? 'For this task' : 'Shown to families'}</h2>
      {shown.length === 0 && <p className="mt-2 text-soft">No videos {open ? 'for it ' : ''}yet.</p>}
      {shown.map((clip) => (
        <ClipCard key={clip.id} clip={clip} open={open} put={acts.put} remove={acts.remove} change={acts.change} mayPut={mayMake} />
      ))}
      {sentBack.length > 0 && <h2 className="mt-6 border-b border-ink pb-1 text-[18px]">Sent by families</h2>}
      {sentBack.map((clip) => (
        <ClipCard key={clip.id} clip={clip} open={open} put={acts.put} remove={acts.remove} change={acts.change} mayPut={false} />
      ))}
    </>
  );
}

function OpenFor({ view: { tasks, children } }: { view: ClipsView }) {
  return (
    <form action="/videos" className="mt-3 flex flex-wrap items-end gap-3">
      <label>
        <span className="block text-[13px] font-semibold text-soft">task</span>
        <select name="task" className="field">
          {tasks.map(({ slug, title }) => (
            <option key={slug} value={slug}>
              {title.en}
            </option>
          ))}
        </select>
      </label>
      <label>
        <span className="block text-[13px] font-semibold text-soft">for</span>
        <select name="child" className="field">
          <option value="">Any student</option>
          {children.map(({ childId, name }) => (
            <option key={childId} value={childId}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <button className="act" data-key="o" data-key-says="Open the task">
        Open
      </button>
    </form>
  );
}

/** Common practice, no source; what a good one looks like is the task's own. */
const ALWAYS = [
  'Film over your shoulder, hands and table only, so it looks the way the student will see their own hands.',
  'Use light from the side and a plain table. Prop up the phone or laptop.',
  'Start with the hands in position. Then do one good try slowly, and show where the hands end.',
  'No face, no name, no other student, and nothing on the wall that shows where you are.',
] as const;

function WhatToFilm({ open: { content, step, child } }: { open: OpenTask }) {
  const hand =
    child && child.hand !== 'unsettled' ? `With the ${child.hand} hand, as ${child.name} works. Mirrored, it fits the other hand.` : null;
  return (
    <aside className="mb-4 grid gap-x-8 gap-y-2 border-l-4 border-line pl-4 min-[900px]:grid-cols-2" aria-label="Filming tips">
      <div>
        <h2 className="text-[16px]">Filming tips</h2>
        <ul className="list-disc pl-5 text-[14px]">
          {[...(hand ? [hand] : []), ...ALWAYS].map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      </div>
      <div>
        <h3 className="text-[16px]">Make sure these can be seen</h3>
        <ul className="list-disc pl-5 text-[14px]">
          {linesAt(content, 'looksRight', step).map(({ en }) => (
            <li key={en}>{en}</li>
          ))}
        </ul>
      </div>
      <p className="text-[13px] text-soft min-[900px]:col-span-2">
        Follow your district’s rules for filming first. A video is never a report, and it is never counted.
      </p>
    </aside>
  );
}

/** The switch by which a family is asked to show how it goes. */
function AskBack({ open, action }: { open: OpenTask; action: WordedAction }) {
  const { asksBack } = open.placed!;
  return (
    <ActionForm
      action={action}
      hidden={{ childId: open.child!.childId, slug: open.content.slug, asks: asksBack ? 'no' : 'yes' }}
      className="mt-4 flex flex-wrap items-baseline gap-3"
    >
      <span>
        {asksBack ? 'With the next program, the family is asked to send a video if they like.' : 'The family is not asked to film.'}{' '}
        <span className="text-soft">The family first reads who can see it and for how long, and can delete it.</span>
      </span>
      <button className="act">{asksBack ? 'Stop asking' : 'Ask for a video or photo'}</button>
    </ActionForm>
  );
}
