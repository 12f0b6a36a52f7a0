import Link from 'next/link';
import { daysBetween, type CalendarDay } from '@/core/calendar';
import { aimAt, valuesOf } from '@/core/goals';
import { rangeOf, STANDINGS } from '@/core/progress';
import type { GoalLine } from '@/server/progress/goalInFull';
import { dayAndMonth } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { unitWords } from '../goals/goalWords';
import { MakeFile } from '../parts/MakeFile.client';
import { RowKeys } from '../parts/RowKeys.client';

/** Verdicts that need a look come first. */
const ORDER = ['notMoving', 'tooSlow', 'onTrack', 'notEnough', 'reached'] as const satisfies readonly (typeof STANDINGS)[number][];
const MOST_TO_MEASURE = 12;
/** Students of one verdict that are named at once. */
const SHOWN = 6;

interface Props {
  readonly lines: readonly GoalLine[];
  readonly chosenId: number;
  readonly today: CalendarDay;
}

/** Every goal of the caseload by its standing, and whom to measure next. */
export function GoalList({ lines, chosenId, today }: Props) {
  const told = lines.filter(({ own }) => own !== null);
  const children = new Set(lines.map(({ childId }) => childId)).size;
  return (
    <aside aria-label="Goals" className="print:hidden">
      <RowKeys />
      <h2 className="text-[18px]">
        {lines.length} goals, {children} {children === 1 ? 'student' : 'students'}
      </h2>
      <p className="border-b border-ink pb-1 text-[13px] text-soft">Dashed: aim line · Solid: school data</p>
      {ORDER.map((standing) => {
        const own = told.filter((line) => line.own!.standing === standing);
        return own.length === 0 ? null : (
          <details key={standing} open={standing !== 'reached' || own.some(({ goalId }) => goalId === chosenId)} className="mt-2">
            <summary className={`font-semibold ${standing === 'notMoving' ? 'text-brick' : ''}`}>
              {words(`standings.${standing}`)}: {own.length}
            </summary>
            {own.slice(0, SHOWN).map((line) => (
              <Line key={line.goalId} line={line} isHere={line.goalId === chosenId} />
            ))}
            {own.length > SHOWN && (
              <details open={own.slice(SHOWN).some(({ goalId }) => goalId === chosenId)}>
                <summary className="text-[14px] text-soft">{own.length - SHOWN} more</summary>
                {own.slice(SHOWN).map((line) => (
                  <Line key={line.goalId} line={line} isHere={line.goalId === chosenId} />
                ))}
              </details>
            )}
          </details>
        );
      })}
      <MakeFile address="/progress/make" of={children} fileName="progress" why={{}} button="All reports as a PDF" />
      <ToMeasure lines={told} today={today} />
    </aside>
  );
}

function Line({ line, isHere }: { readonly line: GoalLine; readonly isHere: boolean }) {
  const { goalId, childName, goal, ownPoints } = line;
  const last = ownPoints.at(-1);
  return (
    <p data-row className={`flex items-center gap-2 border-t border-line py-0.5 text-[14px] ${isHere ? 'bg-straw-tint' : ''}`}>
      <Link
        href={`/progress?goal=${goalId}`}
        prefetch={false}
        aria-current={isHere ? 'true' : undefined}
        className="min-w-0 flex-1 truncate py-0.5 hover:underline"
      >
        <span className="font-semibold">{childName}</span> {goal.statement}
      </Link>
      <Spark line={line} />
      <span className="w-[76px] shrink-0 truncate text-right text-soft">{last ? unitWords(goal.measure, last.value) : ''}</span>
    </p>
  );
}

const WIDTH = 74;
const HEIGHT = 20;

/** The aim, dashed, and the own measures up to now; for the eye alone, since the words beside it say the same. */
function Spark({ line: { goal, ownPoints } }: { readonly line: GoalLine }) {
  const values = valuesOf(goal.measure);
  const range = rangeOf(goal);
  if (!values || !range || goal.measure.kind === 'words') return null;
  const begun = goal.measure.baselineOn;
  const days = daysBetween(begun, goal.reviewOn);
  const most = goal.measure.kind === 'minutes' ? Math.max(values.to, ...ownPoints.map(({ value }) => value)) : range[1];
  const at = (day: CalendarDay, value: number) =>
    `${Math.round(Math.min(1, daysBetween(begun, day) / days) * WIDTH)} ${Math.round(HEIGHT - 2 - (value / most) * (HEIGHT - 4))}`;
  return (
    <svg width={WIDTH + 4} height={HEIGHT} aria-hidden="true" className="shrink-0">
      <path
        d={`M${at(begun, values.from)}L${at(goal.reviewOn, aimAt(goal, goal.reviewOn)!)}`}
        stroke="var(--color-soft)"
        strokeDasharray="3 3"
        fill="none"
      />
      <path
        d={`M${ownPoints.map(({ day, value }) => at(day, value)).join('L')}`}
        stroke="var(--color-slate)"
        strokeWidth="1.6"
        fill="none"
      />
    </svg>
  );
}

/** Lists the students whose own measurement is the oldest, by the days on which the therapist is at the school. */
function ToMeasure({ lines, today }: { readonly lines: readonly GoalLine[]; readonly today: CalendarDay }) {
  const open = lines
    .filter(({ own }) => own!.standing !== 'reached')
    .sort((one, other) => ((one.lastMeasuredOn ?? '') < (other.lastMeasuredOn ?? '') ? -1 : 1))
    .slice(0, MOST_TO_MEASURE);
  const schools = [...new Set(open.map(({ school }) => school))];
  return (
    <details className="mt-4 border-t border-ink pt-2">
      <summary className="font-semibold">Data needed next</summary>
      {schools.map((school) => {
        const own = open.filter((line) => line.school === school);
        return (
          <div key={school} className="mt-1 text-[14px]">
            <p className="font-semibold text-soft">
              {school} {own[0]!.visitDays}{' '}
              <a className="link font-normal" href={`/visit/school?name=${encodeURIComponent(school)}`}>
                Data sheet
              </a>
            </p>
            {own.map(({ goalId, childId, childName, goal, lastMeasuredOn }) => (
              <p key={goalId}>
                <Link href={`/students/${childId}/measure?goal=${goalId}`} prefetch={false} className="link">
                  {childName}
                </Link>
                , {goal.statement.toLowerCase().slice(0, 34)}:{' '}
                {lastMeasuredOn ? `${daysBetween(lastMeasuredOn, today)} days ago, ${dayAndMonth(lastMeasuredOn)}` : 'never'}
              </p>
            ))}
          </div>
        );
      })}
    </details>
  );
}
