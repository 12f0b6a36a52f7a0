import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core';
import { Fragment, type Dispatch } from 'react';
import { doseAt, minutesOf, calculateDose } from '@/core/dose';
import { minutesOnWeekday, type PlannedTask, type ProgramDraft } from '@/core/programs';
import { PARTS } from '@/core/vocabulary';
import { WEEKDAYS } from '../../shared/days';
import { partWords } from '../planner/planWords';
import { minutesInWords, type DraftEdit, type LibraryTask } from './draftEdits';

interface Props {
  readonly draft: ProgramDraft;
  readonly tasks: readonly (LibraryTask | undefined)[];
  readonly budget: number;
  readonly practiceWeekdays: readonly number[];
  readonly edit: Dispatch<DraftEdit>;
  readonly open: (index: number) => void;
}

/** Far enough that a press is no drag. */
const DRAG_PIXELS = 6;
/** A block is lifted and set down by a key of its own: Space and Enter press the cell. */
const LIFT = { start: ['KeyM'], cancel: ['Escape'], end: ['KeyM', 'Enter', 'Space'] };

/** The week as parts × days: each day walks down its session, as wide as its minutes. A cell is pressed on and off, or its block moved. */
export function WeekGrid({ draft, tasks, budget, practiceWeekdays, edit, open }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: DRAG_PIXELS } }),
    useSensor(KeyboardSensor, { keyboardCodes: LIFT, coordinateGetter: toNextCell }),
  );
  const totals = WEEKDAYS.map((_, place) => minutesOnWeekday(draft, place + 1));
  const scale = Math.max(budget, ...totals, 1) * 1.12;
  const drop = ({ active, over }: DragEndEvent) => {
    const [from, to] = [cellOf(active.id), over && cellOf(over.id)];
    if (!to || (from.index === to.index && from.weekday === to.weekday)) return;
    edit({ kind: 'moveDay', index: from.index, from: from.weekday, to: to.weekday, part: draft.tasks[to.index]!.part });
  };
  const nameOf = (id: string | number) => {
    const { index, weekday } = cellOf(id);
    return `${tasks[index]?.content.title.en ?? ''}, ${WEEKDAYS[weekday - 1]}`;
  };
  const announcements: Announcements = {
    onDragStart: ({ active }) => `Lifted: ${nameOf(active.id)}.`,
    onDragOver: ({ over }) => (over ? `Over: ${nameOf(over.id)}.` : 'Not over a day.'),
    onDragEnd: ({ over }) => (over ? `Placed on: ${nameOf(over.id)}.` : 'Not moved.'),
    onDragCancel: () => 'Not moved.',
  };
  const before = (index: number, weekday: number) =>
    draft.tasks.slice(0, index).reduce((sum, task) => sum + (task.weekdays.includes(weekday) ? minutesOfTask(task) : 0), 0);
  return (
    <DndContext sensors={sensors} onDragEnd={drop} accessibility={{ screenReaderInstructions: { draggable: INSTRUCTIONS }, announcements }}>
      <div className="mt-3 overflow-x-auto">
        <table className="w-full min-w-[720px] table-fixed border-collapse" aria-label="The week">
          <thead>
            <tr className="border-b border-ink text-left text-[14px]">
              <th scope="col" className="w-[210px] py-1 font-title text-[16px]">
                The week
              </th>
              {WEEKDAYS.map((name, place) => (
                <th
                  key={name}
                  scope="col"
                  className={`py-1 font-semibold ${practiceWeekdays.includes(place + 1) ? '' : 'font-normal text-soft'}`}
                >
                  {name.slice(0, 3)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {PARTS.filter((part) => draft.tasks.some((task) => task.part === part)).map((part) => (
              <Fragment key={part}>
                <tr>
                  <th scope="rowgroup" colSpan={8} className="pt-1.5 text-left text-[13px] font-normal text-soft">
                    {partWords(part)}
                  </th>
                </tr>
                {draft.tasks.map((task, index) =>
                  task.part !== part ? null : (
                    <tr key={task.taskVersionId} className="h-8">
                      <th scope="row" className="pr-2 text-left font-normal">
                        <button type="button" className="max-w-[150px] truncate text-left hover:underline" onClick={() => open(index)}>
                          <span className={task.mark === 'filled' ? 'border-b-2 border-straw' : ''}>
                            {tasks[index]?.content.title.en ?? '…'}
                          </span>
                        </button>
                        {task.mark === 'nailed' && <Nail />}
                        <span className="float-right text-[13px] leading-7 text-soft">{minutesInWords(task)}</span>
                      </th>
                      {WEEKDAYS.map((name, place) => (
                        <Cell
                          key={name}
                          id={`${index}:${place + 1}`}
                          isOn={task.weekdays.includes(place + 1)}
                          label={`${tasks[index]?.content.title.en ?? ''}, ${name}`}
                          from={(before(index, place + 1) / scale) * 100}
                          width={(minutesOfTask(task) / scale) * 100}
                          limit={(budget / scale) * 100}
                          amount={amountOf(task)}
                          toggle={() => edit({ kind: 'toggleDay', index, weekday: place + 1 })}
                        />
                      ))}
                    </tr>
                  ),
                )}
              </Fragment>
            ))}
          </tbody>
          <tfoot>
            <tr className="border-t border-ink">
              <th scope="row" className="py-1 text-left text-[14px]">
                Minutes <span className="font-normal text-soft">of the family’s {budget}</span>
              </th>
              {totals.map((minutes, place) => (
                <td key={WEEKDAYS[place]} className={`py-1 text-[14px] font-semibold ${minutes > budget ? 'text-brick' : ''}`}>
                  {minutes === 0 ? '–' : Math.round(minutes * 2) / 2}
                </td>
              ))}
            </tr>
          </tfoot>
        </table>
      </div>
      <p className="text-[13px] text-soft">
        Click a cell to add or remove a day. Drag a block to move it, or press <strong>M</strong> and use the arrow keys. Yellow underline:
        added by the planner. Pin: you locked it. Dotted line: the family’s daily limit.
      </p>
    </DndContext>
  );
}

const INSTRUCTIONS = 'Press M to pick up this block, the arrow keys to move it, M to place it, or Escape to cancel.';

interface CellProps {
  readonly id: string;
  readonly isOn: boolean;
  readonly label: string;
  readonly from: number;
  readonly width: number;
  readonly limit: number;
  readonly amount: number | null;
  readonly toggle: () => void;
}

function Cell({ id, isOn, label, from, width, limit, amount, toggle }: CellProps) {
  const { setNodeRef: dropHere, isOver } = useDroppable({ id });
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id, disabled: !isOn });
  return (
    <td ref={dropHere} className={`relative border-l border-line p-0 ${isOver ? 'bg-straw-tint' : ''}`}>
      <span className="pointer-events-none absolute inset-y-0 border-l border-dotted border-soft" style={{ left: `${limit}%` }} />
      <button
        ref={setNodeRef}
        type="button"
        aria-pressed={isOn}
        aria-label={label}
        onClick={toggle}
        {...(isOn ? listeners : {})}
        className={`block h-8 w-full touch-none ${isDragging ? 'relative z-10 opacity-80' : ''}`}
        style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      >
        {isOn && (
          <>
            <span
              className="absolute top-2 h-4 border border-green bg-green-tint"
              style={{ left: `${from}%`, width: `max(6px, ${width}%)` }}
            />
            <span className="absolute top-1.5 text-[13px] text-soft" style={{ left: `calc(${from + width}% + 5px)` }}>
              {amount}
            </span>
          </>
        )}
      </button>
    </td>
  );
}

function Nail() {
  return (
    <svg width="9" height="14" viewBox="0 0 9 14" role="img" aria-label="Pinned" className="ml-1.5 inline-block">
      <path d="M1 1H8M4.5 1V13" stroke="var(--color-ink)" strokeWidth="1.6" />
    </svg>
  );
}

const minutesOfTask = (task: PlannedTask) => minutesOf(doseAt(task.dose, task.step));

/** Returns the amount of a day; null where it is in minutes, which the block's width shows. */
function amountOf(task: PlannedTask): number | null {
  const { unit, perDay } = calculateDose(doseAt(task.dose, task.step), 1);
  return unit === 'minutes' || perDay === 0 ? null : perDay;
}

function cellOf(id: string | number): { readonly index: number; readonly weekday: number } {
  const [index, weekday] = String(id).split(':').map(Number) as [number, number];
  return { index, weekday };
}

/** The next cell in the direction of an arrow. */
const toNextCell: KeyboardCoordinateGetter = (event, { currentCoordinates, context: { droppableRects, collisionRect } }) => {
  const step = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowDown: [0, 1], ArrowUp: [0, -1] }[event.code];
  if (!step || !collisionRect) return undefined;
  event.preventDefault();
  const here = { x: collisionRect.left + collisionRect.width / 2, y: collisionRect.top + collisionRect.height / 2 };
  const ahead = [...droppableRects.values()]
    .map((rect) => ({ x: rect.left + rect.width / 2 - here.x, y: rect.top + rect.height / 2 - here.y }))
    .filter(({ x, y }) => (step[0] !== 0 ? x * step[0]! > 4 && Math.abs(y) < 8 : y * step[1]! > 4 && Math.abs(x) < 8))
    .sort((one, other) => Math.abs(one.x) + Math.abs(one.y) - Math.abs(other.x) - Math.abs(other.y))[0];
  return ahead ? { x: currentCoordinates.x + ahead.x, y: currentCoordinates.y + ahead.y } : undefined;
};
