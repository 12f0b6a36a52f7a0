import { exampleChild } from '../../../tests/fixtures/tarrowHill';
import { calendarDay } from '../calendar';
import { ageOf, factsOf, nameOf } from '.';

const today = calendarDay('2026-11-24');

it('a child is known by a called name, an initial and the facts that decide', () => {
  const child = exampleChild();
  expect(nameOf(child)).toBe('Odalys V.');
  expect(ageOf(child, today)).toEqual({ years: 5, months: 2 });
  expect(factsOf(child, today)).toMatchObject({ ageYears: 5, mouthsThings: true, minutesPerDay: 15 });
});
