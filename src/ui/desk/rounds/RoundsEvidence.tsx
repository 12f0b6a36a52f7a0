import Link from 'next/link';
import type { CalendarDay } from '@/core/calendar';
import { nameOf, type Child } from '@/core/child';
import type { ProgramTask, ProgramVersion, TaskFlight } from '@/core/program';
import type { Decision } from '@/core/rounds';
import { LargeFlight } from '../../flight/FlightDrawing';
import { longDay } from '../../shared/days';
import { ChildFacts } from '../parts/ChildFacts';
import { ReportTable, type ReportLine } from '../parts/ReportTable';

export interface DecisionHere {
  readonly decision: Decision;
  readonly child: Child;
  readonly mayChange: boolean;
  readonly program: ProgramVersion;
  readonly task: ProgramTask | null;
  readonly flight: TaskFlight | null;
  readonly reports: readonly ReportLine[];
}

export const KIND_WORDS: Record<string, string> = {
  safetyWord: 'something hurt',
  question: 'question',
  tooHard: 'too hard',
  ready: 'ready for a harder step',
  ladderEnd: 'top of the ladder',
  quiet: 'gone quiet',
  ending: 'program ending',
  neverOpened: 'link never opened',
};
/** What a decision rests on: the child, the flight, the last reports. */
export function RoundsEvidence({ here, today }: { here: DecisionHere; today: CalendarDay }) {
  const { child, decision, task, flight, program, reports } = here;
  return (
    <section className="rounded-[4px] border border-line bg-sheet px-6 py-5" aria-label="Evidence">
      <div className="flex items-baseline justify-between gap-4">
        <h2 className="text-[24px]">
          <Link href={`/children/${child.id}`} prefetch={false} className="hover:underline" data-key="c" data-key-says="Open the child">
            {nameOf(child)}
          </Link>
        </h2>
        <span className="text-soft">here now: {KIND_WORDS[decision.kind]}</span>
      </div>
      <ChildFacts child={child} today={today} />
      {task && flight ? (
        <>
          <h3 className="mt-4 text-[17px]">
            {task.content.title.en}{' '}
            <span className="font-text text-[15px] font-normal text-soft">
              · version {program.number}, sent {longDay(program.sentOn)} · step {task.step} of {task.content.ladder.steps.length}
            </span>
          </h3>
          <div className="mt-1">
            <LargeFlight
              flight={flight}
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
    </section>
  );
}
