import { WEEKDAYS } from '../../shared/days';

/** The days of the week to check, each sent as `day` with its ISO number. */
export function WeekdayChecks({ chosen }: { chosen: readonly number[] }) {
  return WEEKDAYS.map((day, index) => (
    <label key={day} className="flex items-center gap-1.5">
      <input type="checkbox" name="day" value={index + 1} defaultChecked={chosen.includes(index + 1)} className="size-4 accent-green" />{' '}
      {day}
    </label>
  ));
}
