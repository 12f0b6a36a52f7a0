'use client';

import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { goalSchema } from '@/core/goals';
import { HELP_LEVELS } from '@/core/vocabulary';
import { SKILLS } from '@/core/vocabulary';
import type { GoalView } from '@/server/goals/viewGoal';
import { words } from '../../shared/deskWords';
import { issueWords } from '../frame/Trouble';
import { FormField } from '../parts/FormField';
import { goalFrom, goalValuesFrom, withPattern, type GoalValues } from './goalValues';
import { FaultNote } from '../parts/FaultNote';

export interface GoalInput {
  readonly childId: number;
  readonly goalId: number | null;
  readonly seenVersion: number;
  readonly why: string;
  readonly goal: Record<string, unknown>;
}
export type WriteGoal = (input: GoalInput) => Promise<string | null>;

const KINDS = [
  ['count', 'Number of successes'],
  ['help', 'Level of help'],
  ['minutes', 'minutes'],
  ['rating', 'Levels in my own words'],
] as const;

/** The parts of a goal. It may begin from the bank; its numbers are made the child's own. */
export function GoalForm({ view, write }: { view: GoalView; write: WriteGoal }) {
  const { child, goal, patterns, tasks, today } = view;
  const { register, control, reset, getValues, handleSubmit, formState } = useForm<GoalValues>({
    defaultValues: goalValuesFrom(goal?.content ?? null, today, view.reviewOn),
  });
  const [fault, setFault] = useState<string | null>(null);
  const send = handleSubmit(async (values) => {
    const read = goalSchema.safeParse(goalFrom(values));
    if (!read.success) return setFault([...new Set(read.error.issues.map(({ message }) => issueWords(message) ?? message))].join(' '));
    setFault(
      await write({
        childId: child.id,
        goalId: goal?.id ?? null,
        seenVersion: goal?.version ?? 0,
        why: values.why,
        goal: goalFrom(values),
      }),
    );
  });
  const [kind, skill, chosen] = useWatch({ control, name: ['kind', 'skill', 'taskIds'] });
  const helps = HELP_LEVELS.map((level) => (
    <option key={level} value={level}>
      {words(`helps.${level}`)}
    </option>
  ));
  const number = (name: 'of' | 'from' | 'to' | 'levelFrom' | 'levelTo' | 'sessions', label: string) => (
    <FormField label={label}>
      <input {...register(name)} inputMode="decimal" autoComplete="off" className="field w-[84px]" />
    </FormField>
  );
  const fitting = tasks.filter((task) => task.skills.includes(skill) || chosen.includes(String(task.taskId)));
  return (
    <form onSubmit={(event) => void send(event)} noValidate className="mt-4 max-w-[860px] space-y-4">
      <FormField label="Start from the goal bank (optional)">
        <select
          className="field w-full"
          defaultValue=""
          autoFocus={!goal}
          onChange={(event) => {
            const pattern = patterns[Number(event.target.value)];
            if (event.target.value !== '' && pattern) reset(withPattern(getValues(), pattern));
          }}
        >
          <option value="">My own goal</option>
          {patterns.map((pattern, index) => (
            <option key={index} value={index}>
              {words(`skills.${pattern.skill}`)}: {pattern.statement}
            </option>
          ))}
        </select>
      </FormField>
      <div className="flex flex-wrap gap-3">
        <FormField label="Skill">
          <select {...register('skill')} className="field">
            {SKILLS.map((each) => (
              <option key={each} value={each}>
                {words(`skills.${each}`)}
              </option>
            ))}
          </select>
        </FormField>
        <FormField label="What the student does" className="min-w-[300px] flex-1">
          <input {...register('statement')} maxLength={400} autoComplete="off" className="field w-full" />
        </FormField>
      </div>
      <div className="flex flex-wrap items-start gap-3">
        <FormField label="Measured by">
          <select {...register('kind')} className="field">
            {KINDS.map(([each, says]) => (
              <option key={each} value={each}>
                {says}
              </option>
            ))}
          </select>
        </FormField>
        {kind === 'count' && number('of', 'Out of how many')}
        {(kind === 'count' || kind === 'minutes') && number('from', 'Now')}
        {(kind === 'count' || kind === 'minutes') && number('to', 'Aim')}
        {kind === 'help' && (
          <>
            <FormField label="Level of help now">
              <select {...register('helpFrom')} className="field">
                {helps}
              </select>
            </FormField>
            <FormField label="Target level of help">
              <select {...register('helpTo')} className="field">
                {helps}
              </select>
            </FormField>
          </>
        )}
        {kind === 'rating' && (
          <>
            <FormField label="Levels, one per line, lowest first">
              <textarea {...register('levels')} rows={4} className="field w-[260px]" />
            </FormField>
            {number('levelFrom', 'Level now')}
            {number('levelTo', 'Target level')}
          </>
        )}
        <FormField label="Baseline date">
          <input type="date" {...register('baselineOn')} className="field" />
        </FormField>
      </div>
      <div className="flex flex-wrap items-start gap-3">
        {kind !== 'help' && (
          <FormField label="Most help allowed">
            <select {...register('mostHelp')} className="field">
              {helps}
            </select>
          </FormField>
        )}
        {number('sessions', 'Consecutive sessions')}
        <FormField label="Review on">
          <input type="date" {...register('reviewOn')} className="field" />
        </FormField>
      </div>
      <fieldset>
        <legend className="text-[13px] font-semibold text-soft">Linked tasks</legend>
        <div className="columns-3 gap-4 text-[14px]">
          {fitting.map((task) => (
            <label key={task.taskId} className="flex break-inside-avoid items-center gap-1.5">
              <input type="checkbox" value={task.taskId} {...register('taskIds')} className="size-4 accent-green" /> {task.title.en}
            </label>
          ))}
        </div>
      </fieldset>
      {goal && (
        <FormField label="Reason for the change">
          <input {...register('why')} maxLength={300} className="field w-[420px]" />
        </FormField>
      )}
      {fault && <FaultNote>{fault}</FaultNote>}
      <button className="act act-main" disabled={formState.isSubmitting}>
        {goal ? 'Save the new version' : 'Save the goal'}
      </button>
    </form>
  );
}
