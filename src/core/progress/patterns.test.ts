import { fillPattern, patternOf } from './patterns';

const values = {
  child: 'Odalys',
  goal: 'Opens the clips',
  first: '2 of 10',
  last: '7 of 10',
  asked: '8 of 10',
  review: '9 January',
  standing: 'On track',
};

test('a pattern is filled by its fields, and what is no field stays', () => {
  expect(fillPattern('{child} went from {first} to {last} of {asked}; {other}, {', values)).toBe(
    'Odalys went from 2 of 10 to 7 of 10 of 8 of 10; {other}, {',
  );
  // A value is no pattern.
  expect(fillPattern('{goal}', { ...values, goal: '{child}' })).toBe('{child}');
});

test('kept of one child, it names none', () => {
  expect(patternOf('Odalys and Odalys’s tongs; Odalysse', 'Odalys')).toBe('{child} and {child}’s tongs; Odalysse');
  expect(patternOf('Zoë, Zoëlle', 'Zoë')).toBe('{child}, Zoëlle');
  expect(patternOf('A.J. is AxJ.', 'A.J.')).toBe('{child} is AxJ.');
  expect(patternOf('as it is', ' ')).toBe('as it is');
});
