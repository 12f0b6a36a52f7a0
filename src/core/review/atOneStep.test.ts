import type { Move } from '../stepRules';
import { atOneStep } from '.';

const card = (key: string, taskId: number | null, move: Move | null, toStep = 4) => ({
  key,
  taskId,
  suggestion: move && { move, toStep },
});

describe('cards at one tread', () => {
  it('are those of a step up and of a child stuck below it, by task and step, the largest group first; two say nothing of the ladder', () => {
    const open = [
      card('a', 1, 'up'),
      card('b', 2, 'up'),
      card('c', 1, 'up', 5),
      card('d', 2, 'stuck'),
      card('e', 2, 'up'),
      card('f', 1, 'stuck'),
      card('g', 3, 'up'),
      card('h', 3, 'up'),
      card('i', 1, 'up'),
      card('j', 2, 'up'),
    ];
    expect(atOneStep(open)).toEqual([
      { taskId: 2, step: 4, keys: ['b', 'd', 'e', 'j'] },
      { taskId: 1, step: 4, keys: ['a', 'f', 'i'] },
    ]);
  });

  it('are none of a step down, of an end, of silence or of one child alone', () => {
    expect(
      atOneStep([card('a', 1, 'down'), card('b', 1, 'down'), card('c', 1, 'ladderEnd'), card('d', null, null), card('e', 3, 'up')]),
    ).toEqual([]);
  });
});
