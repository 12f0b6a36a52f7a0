import { addDays, daysFromTo, isSchoolDay, mondayOf, schoolDaysFromTo, type CalendarDay, type SchoolYear } from '@/core/calendar';
import { longDay } from '../../shared/days';

const CELL = 9;
const LABEL = 26;
const DAYS = ['M', 'T', 'W', 'T', 'F'];

/** The whole year in one picture: a column a week, a square a school day, hollow where it is free, a bar at the end of a reporting period. */
export function YearAtAGlance({ year }: { year: SchoolYear }) {
  const first = mondayOf(year.firstDay);
  const weeks = Math.ceil((daysFromTo(first, year.lastDay).length || 1) / 7);
  const days = daysFromTo(first, addDays(first, weeks * 7 - 1));
  const placeOf = (index: number) => ({ x: LABEL + Math.floor(index / 7) * (CELL + 3), y: 16 + (index % 7) * (CELL + 3) });
  const count = schoolDaysFromTo(year, year.firstDay, year.lastDay).length;
  const isEnd = (day: CalendarDay) => year.periods.some(({ to }) => to === day);
  const width = LABEL + weeks * (CELL + 3);
  return (
    <figure className="mt-4 overflow-x-auto">
      <svg
        width={width}
        height={16 + 5 * (CELL + 3) + 4}
        role="img"
        aria-label={`${count} school days from ${longDay(year.firstDay)} to ${longDay(year.lastDay)}`}
      >
        {DAYS.map((day, index) => (
          <text key={index} x={6} y={16 + index * (CELL + 3) + 8} fontSize="9" fill="var(--color-soft)">
            {day}
          </text>
        ))}
        {days.map((day, index) => {
          if (index % 7 > 4 || day < year.firstDay || day > year.lastDay) return null;
          const { x, y } = placeOf(index);
          const isOpen = isSchoolDay(year, day);
          return (
            <g key={day}>
              <rect
                x={x}
                y={y}
                width={CELL}
                height={CELL}
                fill={isOpen ? 'var(--color-green-tint)' : 'none'}
                stroke={isOpen ? 'var(--color-green)' : 'var(--color-line)'}
              >
                <title>{day}</title>
              </rect>
              {isEnd(day) && <rect x={x} y={y} width={CELL} height={CELL} fill="var(--color-ink)" />}
            </g>
          );
        })}
        {days.map((day, index) =>
          index % 7 === 0 && Number(day.slice(8)) <= 7 ? (
            <text key={`m${day}`} x={placeOf(index).x} y={10} fontSize="9" fill="var(--color-soft)">
              {longDay(day).split(' ')[1]!.slice(0, 3)}
            </text>
          ) : null,
        )}
      </svg>
      <figcaption className="text-[13px] text-soft">{count} school days. Hollow: free. Dark: a reporting period ends.</figcaption>
    </figure>
  );
}
