import Link from 'next/link';
import { calendarDayInZone, type CalendarDay } from '@/core/calendar';
import { groupBy } from '@/core/groupBy';
import { isOfStop } from '@/core/review';
import { nameOf } from '@/core/students';
import type { DecisionInFull } from '@/server/review/viewReview';
import { words } from '../../shared/deskWords';
import { ClipFiles } from '../videos/ClipCard.client';
import { LargeTimeline } from '../../stepTimeline/TimelineDrawing';
import { longDay, momentIn } from '../../shared/days';
import { ChildFacts } from '../parts/ChildFacts';
import { CardContext, StepAsked } from './CardContext';
import { ReportTable } from '../parts/ReportTable';
import { TaskDescription } from '../parts/TaskDescription';

/** Shows the student's tasks on hold, from this card and others, who has read the reports, and whether it is not the first time. */
function Harm({ here }: { here: DecisionInFull }) {
  const { stops, dangers, program, decision, child } = here;
  const nameIn = (taskId: number) => program.tasks.find((task) => task.taskId === taskId)?.content.title.en ?? 'a task that was removed';
  const dayOf = (at: Parameters<typeof calendarDayInZone>[0]) => longDay(calendarDayInZone(at, child.timeZone));
  if (stops.length === 0 && !isOfStop(decision.kind)) return null;
  return (
    <div className="mt-3 border-l-4 border-brick bg-brick-tint px-3 py-2">
      {[...groupBy(stops, ({ taskId }) => taskId)].map(([taskId, own]) => {
        // Read of, once the last report is.
        const { readers } = own.at(-1)!;
        return (
          <p key={taskId}>
            <strong>
              On hold since {longDay(own[0]!.doneOn)}: {nameIn(taskId)}.
            </strong>{' '}
            {own.length > 1 && `Reported ${own.length} times. `}
            {readers.length === 0
              ? 'No one has reviewed this yet.'
              : `Read by ${readers.map((reader) => `${reader.name}, ${dayOf(reader.readAt)}`).join('; ')}.`}
          </p>
        );
      })}
      {child.contacts
        .filter(({ way, reach }) => way === 'text' && reach !== '')
        .map(({ name, reach }) => (
          <p key={reach}>
            Call {name || 'the family'}:{' '}
            <a className="link font-bold" href={`tel:${reach.replace(/[^+\d]/g, '')}`}>
              {reach}
            </a>
          </p>
        ))}
      {isOfStop(decision.kind) && dangers.length > 0 && (
        <p>
          <strong>Not the first in 30 days:</strong> {dangers.map((each) => `${longDay(each.doneOn)} (${nameIn(each.taskId)})`).join(', ')}.
        </p>
      )}
    </div>
  );
}

/** Shows the texts as they were written, with who wrote them and when. */
function Texts({ here: { texts, child } }: { here: DecisionInFull }) {
  return texts.map(({ id, text, saidBy, from, receivedAt }) => (
    <blockquote key={id} className="mt-3 border-l-4 border-straw bg-straw-tint px-3 py-2" dir="auto">
      “{text}”{' '}
      <span className="block text-[13px] text-soft">
        {saidBy || 'the family'}, {from}, {momentIn(receivedAt, child.timeZone)}
      </span>
    </blockquote>
  ));
}

/** Shows the family's videos, beside its reports. */
function Clips({ here: { clips, child } }: { here: DecisionInFull }) {
  return clips.map((clip) => (
    <figure key={clip.id} className="mt-3 max-w-[320px]">
      <ClipFiles clip={clip} />
      <figcaption className="text-[13px] text-soft">
        {clip.saidBy || 'the family'}, {momentIn(clip.madeAt, child.timeZone)}, step {clip.step}, deleted after {longDay(clip.expiresOn)}
      </figcaption>
    </figure>
  ));
}

/** Shows the evidence for a decision: the student, the step timeline, the last reports. */
export function ReviewEvidence({ here, today }: { here: DecisionInFull; today: CalendarDay }) {
  const { child, decision, task, timeline, program, reports } = here;
  return (
    <section className="rounded-[4px] border border-line bg-sheet px-6 py-5" aria-label="Evidence">
      <div className="flex items-baseline justify-between gap-4">
        <h2 className="text-[24px]">
          <Link href={`/students/${child.id}`} prefetch={false} className="hover:underline" data-key="c" data-key-says="Open the student">
            {nameOf(child)}
          </Link>
        </h2>
        <span className="text-soft">Why it’s here: {words(`decisionKinds.${decision.kind}`)}</span>
      </div>
      <ChildFacts child={child} today={today} />
      <Harm here={here} />
      <Texts here={here} />
      <Clips here={here} />
      {task && timeline ? (
        <>
          <h3 className="mt-4 text-[17px]">
            {task.content.title.en}{' '}
            <span className="font-text text-[15px] font-normal text-soft">
              · version {program.number}, sent {longDay(program.sentOn)} · step {task.step} of {task.content.ladder.steps.length}
            </span>
            <TaskDescription content={task.content} />
          </h3>
          <StepAsked task={task} calledName={child.calledName} />
          <div className="mt-1">
            <LargeTimeline
              timeline={timeline}
              names={task.content.ladder.steps.map((step) => step.name.en)}
              label={`${task.content.title.en}: step ${task.step} of ${task.content.ladder.steps.length}`}
            />
          </div>
        </>
      ) : (
        <p className="mt-4 text-soft">
          Program version {program.number}, sent {longDay(program.sentOn)}, until {longDay(program.endsOn)}:{' '}
          {program.tasks.map((each) => each.content.title.en).join(', ')}.
        </p>
      )}
      <div className="mt-3">
        <ReportTable reports={reports} withTask={!task} />
      </div>
      <CardContext here={here} />
    </section>
  );
}
