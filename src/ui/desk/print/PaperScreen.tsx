import { callChild } from '@/core/tasks';
import { addDays, daysFromTo, type CalendarDay } from '@/core/calendar';
import { factsOf, nameOf } from '@/core/students';
import { doseAt, calculateDose } from '@/core/dose';
import { askedOn, type ProgramTask } from '@/core/programs';
import type { PaperView } from '@/server/programs/viewPaper';
import { dayLocale, longDay, shortDay } from '../../shared/days';
import type { FamilyWords } from '../../shared/familyWords';
import { targetWords } from '../../task/targetWords';
import { TaskInstructions } from '../../task/TaskInstructions';
import { PaperChoices } from './PaperChoices';
import { PrintButton } from './PrintButton.client';

/** A fortnight of boxes to write in. Our own choice. */
const DAYS = 14;

/** The program on paper, in the family's language, a page a task: for the bag, with boxes to write in and to give back. */
export function PaperScreen({ view, words }: { view: PaperView; words: FamilyWords }) {
  const { child, program, rest, closedTaskIds } = view;
  const open = (program?.tasks ?? []).filter(({ taskId }) => !closedTaskIds.includes(taskId));
  const closed = (program?.tasks ?? []).filter(({ taskId }) => closedTaskIds.includes(taskId));
  const because = !program
    ? 'No program has been sent yet, so there is nothing to print.'
    : rest?.kind === 'ended'
      ? 'Home practice ended, so there is nothing to print.'
      : open.length === 0
        ? 'Every task is on hold after an injury report, so there is nothing to print.'
        : null;
  return (
    <>
      <div className="flex flex-wrap items-center gap-6 print:hidden">
        <h1 className="text-[24px]">On paper: {nameOf(child)}</h1>
        {because === null && <PrintButton />}
        {because === null && (
          <form action={`/students/${child.id}/print/file`} className="flex flex-wrap items-start gap-4">
            <PaperChoices />
            <button className="act self-end">As a PDF</button>
          </form>
        )}
        <p className="text-[14px] text-soft">
          {because ??
            `The family’s page as it is today, one task per page.${closed.length ? ` On hold, so left out: ${closed.map(({ content }) => content.title.en).join(', ')}.` : ''}`}
        </p>
      </div>
      {because === null && open.map((task) => <TaskOnPaper key={task.taskId} task={task} view={view} words={words} />)}
    </>
  );
}

function TaskOnPaper({ task, view: { child, program, rest, today, emergencyNumber }, words }: { task: ProgramTask } & Props) {
  const { t, local, language } = words;
  const { step } = task;
  const content = callChild(task.content, { en: child.calledName });
  const dose = doseAt(task.dose, step);
  const from = [today, program!.startsOn, rest?.kind === 'until' ? rest.day : today].sort().at(-1)!;
  const days = daysFromTo(from, addDays(from, DAYS - 1)).filter((day) => askedOn(program, day).includes(task));
  return (
    <article
      className="mt-4 max-w-[720px] break-after-page border border-line bg-sheet px-8 py-6 text-[16px] print:mt-0 print:border-0 print:p-0"
      lang={language}
    >
      <p className="text-soft">
        {child.calledName} · {t(`parts.${task.part}`)} · {t('paperUntil', { day: longDay(program!.endsOn, dayLocale(language)) })}
      </p>
      <h2 className="text-[24px]">{local(content.title)}</h2>
      {content.description && <p className="text-[18px]">{local(content.description)}</p>}
      <p className="mt-2 text-[19px] font-bold">{local(content.ladder.steps[step - 1]!.how)}</p>
      <p className="mt-2">
        <strong>{t('howMany')}</strong> {targetWords(dose, words)}
        {dose.goodOne && `. ${t('goodOne', { what: local(dose.goodOne) })}`}
      </p>
      <TaskInstructions
        content={content}
        step={step}
        child={{ calledName: child.calledName, hand: child.hand, care: factsOf(child, today) }}
        words={words}
        pieces={dose.piecesPerRepetition > 0 ? calculateDose(dose, 1).piecesPerDay : 0}
      />
      <p className="mt-3 border-2 border-ink px-3 py-2 font-bold">{t('paperHurt', { number: emergencyNumber })}</p>
      {days.length > 0 && <Boxes days={days} words={words} />}
      <p className="mt-3">{t('paperBack')}</p>
    </article>
  );
}

type Props = { readonly view: PaperView; readonly words: FamilyWords };

/** A column a day: how many, and how much help. */
function Boxes({ days, words: { t, language } }: { days: readonly CalendarDay[]; words: FamilyWords }) {
  const locale = dayLocale(language);
  return (
    <table className="mt-3 w-full table-fixed border-collapse text-[13px]">
      <thead>
        <tr>
          <th className="w-24 border border-ink px-1 text-left">{t('when')}</th>
          {days.map((day) => (
            <th key={day} className="border border-ink px-0.5 font-normal">
              {shortDay(day, locale)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {(['count', 'help'] as const).map((row) => (
          <tr key={row}>
            <th className="h-9 border border-ink px-1 text-left">{t(row)}</th>
            {days.map((day) => (
              <td key={day} className="border border-ink" />
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
