import Link from 'next/link';
import { nameOf } from '@/core/students';
import { HELP_LEVELS } from '@/core/vocabulary';
import { WATCH_ANSWERS, WATCH_ITEMS } from '@/core/vocabulary';
import type { MeasureView } from '@/server/measurements/measure';
import { dayAndMonth } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { FormField } from '../parts/FormField';
import { HeadRow } from '../parts/HeadRow';

interface Props {
  readonly view: MeasureView;
  /** Person who is looking: each deletes their own. */
  readonly personId: number;
  readonly measure: WordedAction;
  readonly takeBack: WordedAction;
  /** The goal that one came from; empty for none. */
  readonly goalId: string;
  /** Key of this very form: sent twice, it is stored once. */
  readonly entryKey: string;
}

/** Shows the therapist's own measurements, apart from the family's reports. */
export function MeasureScreen({ view, personId, measure, takeBack, entryKey, goalId }: Props) {
  const { child, today, goals, tasks } = view;
  const number = (name: string, label: string, mode: 'numeric' | 'decimal' = 'numeric') => (
    <FormField label={label}>
      <input name={name} inputMode={mode} autoComplete="off" className="field w-[90px]" />
    </FormField>
  );
  const rated = ratedGoals(goals);
  return (
    <>
      <h1 className="text-[24px]">
        <Link href={`/students/${child.id}`} prefetch={false} className="hover:underline">
          {nameOf(child)}
        </Link>{' '}
        <span className="font-text text-[16px] font-normal text-soft">measured at school</span>
      </h1>
      <p className="mt-1 max-w-[720px] text-soft">
        Enter data you collected yourself. It is shown next to family reports and never combined with them. Step suggestions use home
        practice only.
      </p>
      <ActionForm key={entryKey} action={measure} hidden={{ childId: child.id, entryKey }} className="mt-4 max-w-[980px]">
        <div className="flex flex-wrap items-end gap-3">
          <FormField label="On">
            <input type="date" name="measuredOn" defaultValue={today} max={today} className="field" />
          </FormField>
          <FormField label="Task and step">
            <select name="taskStep" className="field" defaultValue="">
              <option value="">No task</option>
              {tasks.flatMap(({ taskId, step, content }) =>
                content.ladder.steps.map(({ name }, index) => (
                  <option key={`${taskId}:${index + 1}`} value={`${taskId}:${index + 1}`}>
                    {content.title.en}, {index + 1} {name.en}
                    {index + 1 === step ? ' (today’s step)' : ''}
                  </option>
                )),
              )}
            </select>
          </FormField>
          <FormField label="Goal">
            <select
              name="goalId"
              className="field max-w-[280px]"
              defaultValue={goals.some(({ id }) => String(id) === goalId) ? goalId : ''}
            >
              <option value="">No goal</option>
              {goals.map(({ id, content }) => (
                <option key={id} value={id}>
                  {content.statement}
                </option>
              ))}
            </select>
          </FormField>
        </div>
        <div className="mt-3 flex flex-wrap items-end gap-3">
          {number('good', 'Successful trials')}
          {number('trials', 'out of')}
          <FormField label="Help">
            <select name="help" className="field" defaultValue="">
              <option value="">Not recorded</option>
              {HELP_LEVELS.map((help) => (
                <option key={help} value={help}>
                  {words(`helps.${help}`)}
                </option>
              ))}
            </select>
          </FormField>
          {rated.length > 0 && (
            <FormField label="Level of a goal">
              <select name="level" className="field max-w-[280px]" defaultValue="">
                <option value="">–</option>
                {rated.map(({ id, content, levels }) => (
                  <optgroup key={id} label={content.statement}>
                    {levels.map((level, index) => (
                      <option key={level} value={`${id}:${index}`}>
                        {index + 1} {level}
                      </option>
                    ))}
                  </optgroup>
                ))}
              </select>
            </FormField>
          )}
          {number('minutes', 'Minutes', 'decimal')}
          {WATCH_ITEMS.map((item) => (
            <FormField key={item} label={words(`watchItems.${item}`)}>
              <select name={`watch_${item}`} className="field" defaultValue="">
                <option value="">–</option>
                {WATCH_ANSWERS[item].map((seen) => (
                  <option key={seen} value={seen}>
                    {words(`watchAnswers.${seen}`)}
                  </option>
                ))}
              </select>
            </FormField>
          ))}
        </div>
        <FormField label="Note">
          <textarea name="note" rows={2} maxLength={1000} className="field mt-1 w-full" />
        </FormField>
        <button className="act act-main mt-3">Save</button>
      </ActionForm>
      <MeasuredBefore view={view} personId={personId} takeBack={takeBack} />
    </>
  );
}

const ratedGoals = (goals: MeasureView['goals']) =>
  goals.flatMap((goal) => (goal.content.measure.kind === 'rating' ? [{ ...goal, levels: goal.content.measure.levels }] : []));

/** Earlier measurements, newest first; each person may take back their own. */
function MeasuredBefore({ view: { child, goals, tasks, measured }, personId, takeBack }: Pick<Props, 'view' | 'personId' | 'takeBack'>) {
  const rated = ratedGoals(goals);
  const levelOf = ({ goalId: of, level }: MeasureView['measured'][number]) =>
    level === null ? null : (rated.find(({ id }) => id === of)?.levels[level] ?? String(level + 1));
  /** The goal, and the task with its step: one of them, both, or none. */
  const whatOf = ({ goalId: of, taskId, step }: MeasureView['measured'][number]) => {
    const goal = of === null ? [] : [goals.find(({ id }) => id === of)?.content.statement ?? 'a goal that is closed'];
    const task = tasks.find((each) => each.taskId === taskId);
    const at = taskId === null ? [] : [task ? `${task.content.title.en}, ${step ?? ''}` : 'a task that was removed'];
    return goal.length + at.length > 0 ? [...goal, ...at] : ['–'];
  };
  const seenIn = ({ watched }: MeasureView['measured'][number]) =>
    WATCH_ITEMS.flatMap((item) =>
      watched[item] ? [`${words(`watchItems.${item}`)}: ${words(`watchAnswers.${watched[item]}`)}`] : [],
    ).join('; ');
  /** Facts that are rarely given have a column only where one is given. */
  const now = (
    [
      ['level', levelOf],
      ['minutes', ({ minutes }) => minutes],
      ['seen', seenIn],
      ['note', ({ note }) => note],
    ] satisfies [string, (each: MeasureView['measured'][number]) => string | number | null][]
  ).filter(([, tell]) => measured.some((each) => tell(each)));
  return (
    <section className="mt-8">
      <h2 className="text-[18px]">Earlier data</h2>
      {measured.length === 0 ? (
        <p className="text-soft">Nothing yet.</p>
      ) : (
        <table className="w-full border-collapse">
          <HeadRow heads={['date', 'goal or task', 'count', 'help', ...now.map(([head]) => head), 'by', '']} />
          <tbody>
            {measured.map((each) => {
              return (
                <tr key={each.id} id={`measured-${each.id}`}>
                  <td className="cell whitespace-nowrap">{dayAndMonth(each.measuredOn)}</td>
                  <td className="cell">
                    {whatOf(each).map((line) => (
                      <span key={line} className="block">
                        {line}
                      </span>
                    ))}
                  </td>
                  <td className="cell whitespace-nowrap">{each.good === null ? '–' : `${each.good} of ${each.trials ?? '?'}`}</td>
                  <td className="cell whitespace-nowrap">{each.help ? words(`helps.${each.help}`) : '–'}</td>
                  {now.map(([head, tell]) => (
                    <td key={head} className="cell [overflow-wrap:anywhere]">
                      {tell(each) ?? '–'}
                    </td>
                  ))}
                  <td className="cell text-soft">{each.by}</td>
                  <td className="cell">
                    {each.byId === personId && (
                      <ActionForm action={takeBack} hidden={{ childId: child.id, id: each.id }}>
                        <button className="link">
                          Withdraw<span className="sr-only"> what was measured on {dayAndMonth(each.measuredOn)}</span>
                        </button>
                      </ActionForm>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </section>
  );
}
