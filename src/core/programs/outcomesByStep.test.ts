import { outcomesByStep } from '.';

const change = (childId: number, fromStep: number | null, toStep: number, taskId = 1) => ({ childId, taskId, fromStep, toStep });

describe('treads over a caseload', () => {
  it('tell who stands at a step, who went on up from it and who had to go back', () => {
    const changes = [
      change(1, null, 3),
      change(2, null, 3),
      change(3, null, 4),
      change(1, 3, 4),
      change(2, 3, 4),
      change(1, 4, 3),
      change(2, 4, 5),
      change(9, 3, 4, 2),
    ];
    expect(outcomesByStep(1, changes)).toEqual([
      // Child 1 came back to it from above: that is no step up to it.
      { step: 3, standing: 1, came: 0, wentUp: 0, wentBack: 0 },
      // Child 3 was set at it: it stands there, and did not come by a step up.
      { step: 4, standing: 1, came: 2, wentUp: 1, wentBack: 1 },
      { step: 5, standing: 1, came: 1, wentUp: 0, wentBack: 0 },
    ]);
  });

  it('count a child once a step, by its latest stay', () => {
    const twice = [change(1, null, 3), change(1, 3, 4), change(1, 4, 3), change(1, 3, 4), change(1, 4, 5)];
    expect(outcomesByStep(1, twice).find(({ step }) => step === 4)).toEqual({ step: 4, standing: 0, came: 1, wentUp: 1, wentBack: 0 });
  });

  it('are none where nothing was placed', () => {
    expect(outcomesByStep(1, [])).toEqual([]);
  });
});
