import type { PadData } from './page';
import { roundsDone, turnOf } from './pad';

const hands = (each: number, rounds: number, mixed: number[] = []): PadData => ({
  kind: 'hands',
  boxes: [
    { name: 'left', label: 'Left hand', target: each },
    { name: 'right', label: 'Right hand', target: each },
  ],
  rounds,
  restSeconds: 30,
  mixed,
  holdSeconds: 0,
});

/** Lists whose turn it is, tap by tap, until all is done. */
function turns(pad: PadData, isMixed: boolean): string {
  const counts = pad.boxes.map(() => 0);
  const asked = pad.boxes.reduce((sum, { target }) => sum + target!, 0);
  return Array.from({ length: asked }, () => {
    const index = turnOf(pad, counts, isMixed);
    counts[index]! += 1;
    return 'LR'[index];
  }).join('');
}

describe('whose turn it is', () => {
  it('is one hand to its end, then the other; round by round where there are rounds', () => {
    expect(turns(hands(5, 1), false)).toBe('LLLLLRRRRR');
    expect(turns(hands(4, 2), false)).toBe('LLRRLLRR');
  });

  it('is as the caller says where the hands are mixed, the same row in each round', () => {
    expect(turns(hands(3, 1, [0, 1, 1, 0, 1, 0]), true)).toBe('LRRLRL');
    expect(turns(hands(4, 2, [1, 0, 0, 1]), true)).toBe('RLLRRLLR');
  });

  it('is reckoned from the counts alone: what was typed in between counts, too', () => {
    const mixed = hands(3, 1, [0, 1, 1, 0, 1, 0]);
    expect(turnOf(mixed, [3, 1], true)).toBe(1);
    expect(turnOf(mixed, [0, 2], true)).toBe(0);
    expect(turnOf(hands(5, 1), [5, 0], false)).toBe(1);
    // Done already: more than was asked counts on where it was.
    expect(turnOf(hands(5, 1), [5, 5], false)).toBe(1);
  });
});

describe('whole rounds', () => {
  it.each([
    [[0, 0], 0],
    [[2, 2], 1],
    [[4, 2], 1],
    [[4, 3], 1],
    [[4, 4], 2],
  ])('of two rounds of two with each hand, at %j: %i', (counts, done) => {
    expect(roundsDone(hands(4, 2), counts)).toBe(done);
  });
});
