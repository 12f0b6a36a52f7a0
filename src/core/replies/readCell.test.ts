import { calendarDay } from '../calendar';
import { readCell, type ReplyTask } from '.';

const day = calendarDay('2026-11-24');
const crane: ReplyTask = {
  taskId: 1,
  letter: 'A',
  titles: ['Crane lift', 'La grúa'],
  unit: 'repetitions',
  perSide: true,
  perDay: 10,
  perHand: 5,
};
const beams: ReplyTask = { taskId: 2, letter: 'B', titles: ['Star beams'], unit: 'repetitions', perSide: false, perDay: 8, perHand: 0 };
const tower: ReplyTask = {
  taskId: 3,
  letter: null,
  titles: ['Drum tower', 'Torre de tambos'],
  unit: 'minutes',
  perSide: false,
  perDay: 2,
  perHand: 0,
};

describe('a box of a slip', () => {
  it.each([
    ['8', beams, 'en', { amount: 8 }],
    ['8n', beams, 'en', { amount: 8, help: 'alone' }],
    ['8 N T', beams, 'en', { amount: 8, help: 'alone', effort: 'tooHard' }],
    ['8 S', beams, 'es', { amount: 8, help: 'alone' }],
    ['L5R4', crane, 'en', { left: 5, right: 4 }],
    ['l5 r4 w', crane, 'en', { left: 5, right: 4, help: 'words' }],
    ['Z5R4', crane, 'es', { left: 5, right: 4 }],
    ['X', beams, 'en', { done: false }],
    ['x u', beams, 'en', { done: false, stopReason: 'ill' }],
    ['+', crane, 'en', { done: true, amount: null, left: null }],
    ['1.5', tower, 'en', { amount: 1.5 }],
    // More than asked: plain for who reads the paper.
    ['11', beams, 'en', { amount: 11 }],
    ['L7R6 N', crane, 'en', { left: 7, right: 6, help: 'alone' }],
    ['90 s', tower, 'en', { amount: 1.5, help: null }],
    ['1:30', tower, 'en', { amount: 1.5 }],
    ['1½', tower, 'en', { amount: 1.5 }],
    ['½ N', tower, 'en', { amount: 0.5, help: 'alone' }],
    ['2 S', tower, 'en', { amount: 2, help: 'shown' }],
    ['5+3', beams, 'en', { amount: 8 }],
    ['33!', beams, 'en', { amount: 33 }],
    ['0!', beams, 'en', { amount: 0, effort: null }],
    ['0 T', beams, 'en', { amount: 0, effort: 'tooHard' }],
  ] as const)('%s', (text, task, language, read) => {
    expect(readCell(text, task, day, language)).toMatchObject({ kind: 'read', item: { taskId: task.taskId, doneOn: day, ...read } });
  });

  it.each([
    ['5', crane, { code: 'sideOrAll', given: 5 }],
    ['12', crane, { code: 'cellUnclear' }],
    ['8?', beams, { code: 'cellUnclear' }],
    ['8 yesterday', beams, { code: 'cellUnclear' }],
    ['good', beams, { code: 'cellUnclear' }],
    ['8 B7', beams, { code: 'cellUnclear' }],
    ['STOP', beams, { code: 'cellUnclear' }],
    ['8 bleeding', beams, { code: 'cellDanger' }],
    ['TOTAL 24', beams, { code: 'cellTotal' }],
    ['45 s', tower, { code: 'cellNotHalf' }],
    ['33', beams, { code: 'cellSure', given: 33, asked: 8 }],
    ['20', tower, { code: 'cellSure', given: 20, asked: 2 }],
    ['0', beams, { code: 'cellSure', given: 0, asked: 8 }],
    ['✓✓', beams, { code: 'cellUnclear' }],
  ] as const)('%s is taken for nothing, and says why', (text, task, issue) => {
    expect(readCell(text, task, day, 'en')).toEqual({ kind: 'issue', issue });
  });

  it('tells what is more than asked for', () => {
    expect(readCell('8', beams, day, 'en')).toMatchObject({ isMore: false });
    expect(readCell('9', beams, day, 'en')).toMatchObject({ isMore: true });
  });

  it('may be empty', () => {
    expect(readCell('  ', beams, day, 'en')).toEqual({ kind: 'empty' });
  });
});
