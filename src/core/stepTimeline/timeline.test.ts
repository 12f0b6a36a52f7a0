import fc from 'fast-check';
import type { Outcome } from '../reports';
import { layTimeline, type TimelineInput } from '.';

const size = { width: 400, height: 120, headroom: 20, bracketRoom: 14, pipRoom: 16, footShare: 0.25, pipPitch: 10 };
const input = (change: Partial<TimelineInput> = {}): TimelineInput => ({
  demands: [0, 0.5, 1.5, 2],
  daysSpent: [7, 0, 14],
  currentStep: 3,
  choose: { from: 2, to: 4 },
  outcomes: [['reached'], [], ['partly', 'reached']],
  size,
  ...change,
});

describe('the flight', () => {
  it('puts the peg on the middle of today’s tread and tells climbed, here and coming apart', () => {
    const { outcomesPerStep, peg } = layTimeline(input());
    expect(outcomesPerStep.map((stepOutcomes) => stepOutcomes.state)).toEqual(['climbed', 'climbed', 'here', 'coming']);
    expect(peg).toEqual({ x: outcomesPerStep[2]!.x + outcomesPerStep[2]!.width / 2, y: outcomesPerStep[2]!.y });
  });

  it('brackets just the steps that the family may choose', () => {
    const { outcomesPerStep, bracket } = layTimeline(input());
    expect(bracket).toMatchObject({ fromX: outcomesPerStep[1]!.x, toX: outcomesPerStep[3]!.x + outcomesPerStep[3]!.width });
    expect(layTimeline(input({ choose: undefined })).bracket).toBeNull();
  });

  it('makes rises as the demand grows: the step of 1 is twice the step of 0.5', () => {
    const { outcomesPerStep } = layTimeline(input());
    const rise = (step: number) => outcomesPerStep[step - 1]!.y - outcomesPerStep[step]!.y;
    expect(rise(2)).toBeCloseTo(2 * rise(1));
    expect(rise(3)).toBeCloseTo(rise(1));
  });

  it('keeps the newest pips where a tread has no room for all, and says how many it left out', () => {
    const outcomes: Outcome[] = [...Array<Outcome>(60).fill('struggled'), 'reached'];
    const timeline = layTimeline(input({ outcomes: [[], [], outcomes] }));
    const pips = timeline.pips.filter((pip) => pip.step === 3);
    expect(pips.length + timeline.pipsLeftOut[2]!).toBe(61);
    expect(pips.at(-1)!.outcome).toBe('reached');
  });

  it('treads lie side by side over the whole width, within the room, whatever the days and demands', () => {
    const rises = fc.array(fc.double({ min: 0, max: 3, noNaN: true }), { minLength: 1, maxLength: 12 });
    fc.assert(
      fc.property(rises, fc.array(fc.integer({ min: 0, max: 200 }), { maxLength: 12 }), fc.nat(), (growth, daysSpent, any) => {
        let demand = 0;
        const demands = growth.map((each) => (demand += each));
        const timeline = layTimeline(input({ demands, daysSpent, currentStep: 1 + (any % demands.length), outcomes: [] }));
        timeline.outcomesPerStep.forEach((stepOutcomes, index) => {
          const before = timeline.outcomesPerStep[index - 1];
          expect(stepOutcomes.x).toBeCloseTo(before ? before.x + before.width : 0, 6);
          if (before) expect(stepOutcomes.y).toBeLessThanOrEqual(before.y + 1e-9);
          expect(stepOutcomes.y).toBeGreaterThanOrEqual(size.headroom - 1e-9);
          expect(stepOutcomes.y).toBeLessThanOrEqual(timeline.floorY);
        });
        const last = timeline.outcomesPerStep.at(-1)!;
        expect(last.x + last.width).toBeCloseTo(size.width, 6);
      }),
      { seed: 2, numRuns: 300 },
    );
  });

  it('gives a longer stay the wider tread', () => {
    const { outcomesPerStep } = layTimeline(input());
    expect(outcomesPerStep[2]!.width).toBeGreaterThan(outcomesPerStep[0]!.width);
    expect(outcomesPerStep[0]!.width).toBeGreaterThan(outcomesPerStep[1]!.width);
  });

  it.each([
    ['no steps', { demands: [] }],
    ['a step off the ladder', { currentStep: 5 }],
    ['a demand that falls', { demands: [0, 2, 1, 3] }],
  ])('refuses %s', (_name, change) => {
    expect(() => layTimeline(input(change))).toThrow(RangeError);
  });
});
