import { FRAME, pictureOf, PICTURES, type Part } from '.';
import { loadLibrary } from '../../../library/loadLibrary';

const spotsOf = (part: Part) => (part.kind === 'disc' ? [part.at] : part.spots);

describe('drawings of a good one', () => {
  it('are at least the twelve that are most looked at, none like another', () => {
    expect(PICTURES.length).toBeGreaterThanOrEqual(12);
    expect(new Set(PICTURES.map((id) => JSON.stringify(pictureOf(id, false)))).size).toBe(PICTURES.length);
  });

  it.each(PICTURES)('%s: what it is about lies within its frame, and the other hand’s is its mirror', (id) => {
    const right = pictureOf(id, false);
    const left = pictureOf(id, true);
    expect(left).toHaveLength(right.length);
    right.forEach((part, index) => {
      const [one, other] = [spotsOf(part), spotsOf(left[index]!)];
      one.forEach(([x, y], place) => {
        expect(other[place]![0]).toBeCloseTo(FRAME.width - x, 9);
        expect(other[place]![1]).toBe(y);
      });
      // An arm comes in from outside; what is looked at does not leave.
      if (part.kind === 'limb') return;
      for (const [x, y] of one) {
        expect([id, x >= 0 && x <= FRAME.width, y >= 0 && y <= FRAME.height]).toEqual([id, true, true]);
      }
    });
    // Every picture has something of a person in it.
    expect(right.some(({ kind }) => kind === 'limb')).toBe(true);
  });

  it('a joint is where one bone ends and the next begins, as long as it was', () => {
    const limbs = pictureOf('pinch', false).flatMap((part) => (part.kind === 'limb' && part.spots.length === 4 ? [part.spots] : []));
    expect(limbs.length).toBeGreaterThan(1);
    for (const spots of limbs) {
      const bones = spots.slice(1).map(([x, y], index) => Math.hypot(x - spots[index]![0], y - spots[index]![1]));
      expect(bones.map((long) => Math.round(long * 1000) / 1000)).toEqual([13, 9, 7]);
    }
  });

  it('stand in the library where they are looked at: scissors, folds, tears, glue, the writing hand', () => {
    const library = loadLibrary();
    // Their drawing showed another thing than the step does, and was taken away.
    const undrawn = new Set(['crane-lift', 'frame-the-plan', 'hoist-chain', 'under-the-truck', 'load-the-lorry']);
    for (const [skill, picture] of [
      ['scissors', 'thumbUpScissors'],
      ['folding', 'cornersMatched'],
      ['tearing', 'twoPinches'],
      ['gluing', 'glueDot'],
      ['preWriting', 'threeFingers'],
      ['lettersAndName', 'threeFingers'],
      ['wristExtension', 'wristBack'],
      ['crossingMidline', 'acrossMiddle'],
    ] as const)
      for (const task of library.filter((each) => each.skill === skill && !undrawn.has(each.slug)))
        expect([task.slug, task.pictures?.map((each) => each.picture).includes(picture)]).toEqual([task.slug, true]);
    for (const { slug, pictures = [], ladder } of library)
      for (const { steps } of pictures)
        expect([slug, steps === undefined || (steps.from <= steps.to && steps.to <= ladder.steps.length)]).toEqual([slug, true]);
  });
});
