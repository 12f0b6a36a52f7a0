import Link from 'next/link';
import { doseAt } from '@/core/dose';
import { aimAt, servesGoal } from '@/core/goals';
import type { ChildView } from '@/server/students/viewChild';
import { LargeTimeline } from '../../stepTimeline/TimelineDrawing';
import { longDay } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { doseSentence, weekdaysInWords } from '../parts/doseWords';
import { KeyCap } from '../parts/KeyCap';
import { TaskDescription } from '../parts/TaskDescription';
import { criterionWords, unitWords } from '../goals/goalWords';

type TimelineDrawing = ChildView['timelines'][number];
type Goal = ChildView['goals'][number];

const FLIGHT_WIDTH = 440;

/** Each open goal beside the tasks that serve it; what serves none stands last. */
export function GoalsAndTasks({ view }: { view: ChildView }) {
  const { child, program, timelines, today } = view;
  const open = view.goals.filter(({ closedOn }) => closedOn === null);
  const taken = new Set<number>();
  const rows = open.map((goal) => {
    const serving = timelines.filter(
      ({ task: { taskId, content } }) => !taken.has(taskId) && servesGoal(goal.content, { taskId, skill: content.skill }),
    );
    for (const { task } of serving) taken.add(task.taskId);
    return { goal, serving };
  });
  const others = timelines.filter(({ task }) => !taken.has(task.taskId));
  return (
    <section>
      <div className="flex flex-wrap items-baseline gap-x-4 border-b border-ink pb-1">
        <h2 className="text-[18px]">Goals and linked tasks</h2>
        <span className="text-soft">
          {program
            ? `version ${program.number}, sent ${longDay(program.sentOn)}, ${program.isEnded ? 'home practice ended on' : 'ends'} ${longDay(program.endsOn)}`
            : 'no program has been sent yet'}
          {program && !program.isEnded && program.resumesOn && program.resumesOn > today && `, paused until ${longDay(program.resumesOn)}`}
        </span>
        {view.mayChange && (
          <Link href={`/students/${child.id}/goals/new`} prefetch={false} className="link ml-auto" data-key="g" data-key-says="Add a goal">
            A new goal <KeyCap>G</KeyCap>
          </Link>
        )}
      </div>
      {rows.map(({ goal, serving }) => (
        <Row key={goal.id} head={<GoalCell goal={goal} view={view} />} timelines={serving} />
      ))}
      {others.length > 0 && (
        <Row head={<p className="text-soft">{open.length ? 'Not linked to a goal' : 'No goals yet'}</p>} timelines={others} />
      )}
    </section>
  );
}

function Row({ head, timelines }: { head: React.ReactNode; timelines: readonly TimelineDrawing[] }) {
  return (
    <div className="grid grid-cols-1 gap-x-6 gap-y-2 min-[760px]:grid-cols-[240px_minmax(0,1fr)] border-b border-line py-3">
      <div>{head}</div>
      <div className="space-y-4">
        {timelines.length === 0 && <p className="text-soft">No linked task.</p>}
        {timelines.map(({ task, timeline }) => (
          <article key={task.taskId} id={`task-${task.taskId}`} className="flex items-start gap-x-4 max-[1100px]:flex-wrap">
            <div className="w-[150px] shrink-0">
              <h3 className="text-[15px]">
                {task.content.title.en}
                <TaskDescription content={task.content} />
              </h3>
              {timeline.closed && <p className="font-bold text-brick">closed</p>}
              <p className="text-[13px] text-soft">
                {task.step} {task.content.ladder.steps[task.step - 1]?.name.en} ·{' '}
                {doseSentence(doseAt(task.dose, task.step), task.weekdays.length)} · {weekdaysInWords(task.weekdays)}
              </p>
            </div>
            <div style={{ width: FLIGHT_WIDTH }} className="max-w-full">
              <LargeTimeline
                timeline={timeline}
                width={FLIGHT_WIDTH}
                names={task.content.ladder.steps.map((step) => step.name.en)}
                label={`${task.content.title.en}: step ${task.step} of ${task.content.ladder.steps.length}`}
              />
            </div>
          </article>
        ))}
      </div>
    </div>
  );
}

function GoalCell({ goal, view: { child, today, mayChange } }: { goal: Goal; view: ChildView }) {
  const { content } = goal;
  const aim = aimAt(content, today);
  return (
    <>
      <p className="font-semibold">
        {mayChange ? (
          <Link href={`/students/${child.id}/goals/${goal.id}`} prefetch={false} className="hover:underline">
            {content.statement}
          </Link>
        ) : (
          content.statement
        )}
      </p>
      <p className="text-[13px] text-soft">{criterionWords(content)}</p>
      <p className="mt-1 text-[13px]">
        {aim === null
          ? 'This goal has no baseline or criterion yet, so there is no aim line.'
          : `Aim line today: ${unitWords(content.measure, aim)}.`}{' '}
        Review {longDay(content.reviewOn)}
        {content.reviewOn < today && <strong className="text-brick">, overdue</strong>}.
      </p>
      <p className="text-[13px] text-soft">{words(`skills.${content.skill}`)}</p>
    </>
  );
}
