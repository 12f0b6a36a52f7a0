import Link from 'next/link';
import { callChild } from '@/core/tasks';
import { doseAt } from '@/core/dose';
import { urgencyOf } from '@/core/review';
import type { DecisionInFull } from '@/server/review/viewReview';
import { longDay, momentIn } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { criterionWords } from '../goals/goalWords';
import { doseSentence, weekdaysInWords } from '../parts/doseWords';
import { reviewAddress } from './reviewAddress';

/** Describes the step in its own words, and on which days it is asked for. */
export function StepAsked({ task, calledName }: { task: NonNullable<DecisionInFull['task']>; calledName: string }) {
  const step = task.content.ladder.steps[task.step - 1];
  return (
    <p className="mt-1 text-[14px]">
      {step && callChild(step.how.en, { en: calledName })}{' '}
      <span className="text-soft">
        {doseSentence(doseAt(task.dose, task.step), task.weekdays.length)} · {weekdaysInWords(task.weekdays)}
      </span>
    </p>
  );
}

/**
 * Shows the context of a decision: the goal it serves, the help that comes next, the last messages, school, the student's other
 * cards.
 */
export function CardContext({ here }: { here: DecisionInFull }) {
  const { context, alsoOpen, child, decision } = here;
  const { goals, notes, schoolBreak, help } = context;
  return (
    <dl className="mt-4 grid grid-cols-[max-content_minmax(0,1fr)] gap-x-4 gap-y-1 border-t border-line pt-3 text-[14px]">
      {goals.map(({ id, content }) => (
        <Row key={id} title="Goal">
          {content.statement} <span className="text-soft">{criterionWords(content)}</span>
        </Row>
      ))}
      {here.task && goals.length === 0 && <Row title="Goal">none of the goals is linked to this task</Row>}
      {help && (
        <Row title="Level of help next">
          {words(`settings.promptFading.${help.order}`)}: begin with {words(`helps.${help.first}`)}
          {help.upTo !== help.first && `, as far as ${words(`helps.${help.upTo}`)}`}
        </Row>
      )}
      {schoolBreak && (
        <Row title="School">
          out for {schoolBreak.name}, until {longDay(schoolBreak.to)}
        </Row>
      )}
      {notes.map((note) => (
        <Row key={note.id} title="You wrote">
          <span dir="auto">“{note.words}”</span>{' '}
          <span className="text-soft">
            {note.writtenByName}, {momentIn(note.writtenAt, child.timeZone)}
          </span>
        </Row>
      ))}
      {alsoOpen.length > 0 && (
        <Row title="Also open">
          {alsoOpen.map((other, index) => (
            <span key={other.key}>
              {index > 0 && ', '}
              <Link href={reviewAddress(other.key, null)} prefetch={false} className="link">
                {words(`decisionKinds.${other.kind}`)}
              </Link>
            </span>
          ))}
        </Row>
      )}
      <Row title="Why it is here">{whyHere(decision, alsoOpen)}</Row>
    </dl>
  );
}

function Row({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <>
      <dt className="text-soft">{title}</dt>
      <dd className="min-w-0 [overflow-wrap:anywhere]">{children}</dd>
    </>
  );
}

/** "Question weighs 700; this child’s cards stand by its heaviest, something hurt, 1000." */
function whyHere(decision: DecisionInFull['decision'], alsoOpen: DecisionInFull['alsoOpen']): string {
  const weightOf = (each: DecisionInFull['decision']) => {
    const { ofKind, ofDays } = urgencyOf(each);
    return ofKind + ofDays;
  };
  const { ofKind, ofDays } = urgencyOf(decision);
  const own = `“${words(`decisionKinds.${decision.kind}`)}” weighs ${ofKind}${ofDays > 0 ? ` and ${ofDays} for its days` : ''}`;
  const heaviest = alsoOpen.reduce((most, each) => (weightOf(each) > weightOf(most) ? each : most), decision);
  const child =
    heaviest === decision
      ? ''
      : `. A student’s cards are sorted by the heaviest one: “${words(`decisionKinds.${heaviest.kind}`)}”, ${weightOf(heaviest)}`;
  return `${own}${child}.`;
}
