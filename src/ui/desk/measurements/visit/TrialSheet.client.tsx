'use client';

import { useEffect, useMemo, useState } from 'react';
import type { CalendarDay } from '@/core/calendar';
import type { VisitChild, VisitGoal } from '@/server/measurements/viewVisit';
import { dayAndMonth } from '../../../shared/days';
import { Counter } from './Counter';
import { dayOfVisit, isEmpty, measurementOf, NEW_TRIAL, type Trial } from './trial';
import { useWaiting } from './useWaiting';
import { draftOf, storeDraft, keepSheet } from './visitStore';

/** Null where it was taken; else what was wrong. */
export type SendMeasurement = (given: unknown) => Promise<string | null>;

interface Props {
  readonly ofSchool: readonly VisitChild[];
  readonly today: CalendarDay;
  /** Time zone of the workplace, which decides the day, whatever zone the device has. */
  readonly timeZone: string;
  readonly personId: number;
  readonly send: SendMeasurement;
}

interface Chosen {
  readonly child: VisitChild;
  readonly goal: VisitGoal;
}

/** Lists students to measure, one goal at a time, and the entries that wait to be sent. */
export function TrialSheet({ ofSchool, today, timeZone, personId, send }: Props) {
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [trial, setTrial] = useState<Trial>(NEW_TRIAL);
  const [written, setWritten] = useState<ReadonlySet<number>>(new Set());
  const { waiting, isKept, add, drop } = useWaiting(personId, send);
  const all = useMemo(() => ofSchool.flatMap((child) => child.goals.map((goal) => ({ child, goal }))), [ofSchool]);
  useEffect(() => {
    void keepSheet();
    void takeUp();
    async function takeUp() {
      await null;
      const draft = draftOf(personId);
      const left = draft && all.find(({ goal }) => goal.goalId === draft.goalId);
      if (!left || isEmpty(draft.trial)) return;
      setChosen(left);
      setTrial(draft.trial);
    }
  }, [personId, all]);
  // A page that is left takes what was counted with it.
  useEffect(() => {
    if (isEmpty(trial)) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    addEventListener('beforeunload', ask);
    return () => removeEventListener('beforeunload', ask);
  }, [trial]);
  const count = (next: Trial) => {
    setTrial(next);
    storeDraft(personId, chosen && { goalId: chosen.goal.goalId, trial: next });
  };
  const choose = (next: Chosen | null) => {
    storeDraft(personId, null);
    setChosen(next);
    setTrial(NEW_TRIAL);
    scrollTo({ top: 0 });
  };
  const writeDown = ({ child, goal }: Chosen) => {
    const measurement = measurementOf(trial, goal, dayOfVisit(today, Date.now(), timeZone), Date.now());
    add({ childId: child.childId, says: `${child.name}: ${goal.statement}`, measurement });
    setWritten(new Set([...written, goal.goalId]));
    const rest = all.filter((each) => each.goal.goalId !== goal.goalId && !written.has(each.goal.goalId));
    choose(rest.find((each) => each.child === child) ?? null);
  };
  return (
    <>
      <p role="status" className="mt-1 text-[14px]">
        {waiting.length > 0 && `${waiting.length} not sent yet, saved on this device. Sending starts when you are online. `}
        {!isKept && <strong className="text-brick">This device cannot store data. Stay on this page until everything is sent.</strong>}
      </p>
      {waiting
        .filter(({ fault }) => fault !== null)
        .map(({ entryKey, says, fault }) => (
          <p key={entryKey} role="alert" className="mt-1 border-l-4 border-brick bg-brick-tint px-3 py-1.5 text-[14px]">
            {says}: not accepted. {fault}{' '}
            <button type="button" className="link min-h-8" onClick={() => drop(entryKey)}>
              Discard
            </button>
          </p>
        ))}
      {chosen ? (
        <Counter
          key={chosen.goal.goalId}
          child={chosen.child}
          goal={chosen.goal}
          trial={trial}
          change={count}
          done={() => writeDown(chosen)}
          leave={() => choose(null)}
        />
      ) : (
        <Audience all={all} written={written} choose={choose} today={today} />
      )}
      {!chosen && all.length === 0 && <p className="mt-4 text-soft">No student at this school has an open goal.</p>}
    </>
  );
}

interface WhomProps {
  readonly all: readonly Chosen[];
  readonly written: ReadonlySet<number>;
  readonly choose: (chosen: Chosen) => void;
  readonly today: CalendarDay;
}

/** Measured longest ago first. */
function Audience({ all, written, choose, today }: WhomProps) {
  return (
    <ul className="mt-2">
      {all.map(({ child, goal }, index) => (
        <li key={goal.goalId} className="border-b border-line">
          <button
            type="button"
            className="block min-h-[52px] w-full py-1.5 text-left"
            onClick={() => choose({ child, goal })}
            {...(index < 9 && { 'data-key': String.fromCharCode(97 + index), 'data-key-says': `Measure ${child.name}` })}
          >
            <span className="font-semibold">{child.name}</span> {goal.statement}
            <span className="block text-[14px] text-soft">
              {written.has(goal.goalId)
                ? '✓ saved now'
                : goal.lastMeasuredOn === today
                  ? 'measured today'
                  : goal.lastMeasuredOn
                    ? `last on ${dayAndMonth(goal.lastMeasuredOn)}`
                    : 'never measured'}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}
