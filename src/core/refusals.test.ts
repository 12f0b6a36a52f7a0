import { adherenceRange, wilsonInterval } from './adherence';
import { addDays, ageOn, calendarDay, daysBetween, isTimeZone, weekdayOf, type CalendarDay } from './calendar';
import { checkHeavyGrip, minutesOf, observedPace, calculateDose, repetitionsFrom, splitIntoCards, type Dose } from './dose';
import { layTimeline } from './stepTimeline';
import { compareGrades, demandOf, steeringIndex, type TaskKnob } from './knobs';
import { proposeLadder } from './ladder';
import { programDraftSchema } from './programs';
import { seededRandom } from './random';
import { judgeSafety, smallPartVerdict } from './safety';
import { outcomeOf } from './reports';
import { simulateSession } from './simulation';
import { spanishGrade } from './wording/readingEase';
import { exampleProgramTask, exampleReport, stockTask } from '../../tests/fixtures/tarrowHill';

const dose = (change: object): Dose => ({ ...stockTask('crane-lift').dose, ...change }) as Dose;
const level = (name: string) => ({ en: name });
const knobs: TaskKnob[] = [{ knob: 'tool', levels: ['wide', 'thin', 'fine'].map(level) }];
const ladder = { knobs, start: { tool: 0 }, easierSteps: 0, harderSteps: 2 };
const timeline = { demands: [0, 1], daysSpent: [1, 0], currentStep: 1, outcomes: [] };
const size = { width: 100, height: 30, headroom: 10, bracketRoom: 0, pipRoom: 0, footShare: 0.2, pipPitch: 12 };
const day = calendarDay('2026-11-24');
const child = { ability: 1, held: 1, growth: 0 };
const session = (amount: number | null) => exampleReport({ amount });

/** Inputs that were once calculated with in silence, by the place of the fault. */
describe('numbers that are none are refused, never reckoned with (§3 C)', () => {
  it.each<[string, () => unknown]>([
    ['adherence of NaN', () => adherenceRange({ planned: NaN, knownDone: 0, saidNotDone: 0 })],
    ['adherence of a half session', () => adherenceRange({ planned: 2.5, knownDone: 1, saidNotDone: 0 })],
    ['an interval without a width', () => wilsonInterval(3, 4, NaN)],
    ['an interval turned round', () => wilsonInterval(3, 4, -1.96)],
    ['fewer than no pieces', () => calculateDose(dose({ piecesPerRepetition: -3 }), 5)],
    ['minutes without end', () => calculateDose(dose({ target: { kind: 'time', minutesPerRound: Infinity } }), 5)],
    [
      'a set-up that gives time',
      () => calculateDose(dose({ setUpMovements: [{ name: level('x'), skill: 'tearing', timesPerRound: -2 }] }), 5),
    ],
    ['an unknown kind of dose', () => calculateDose(dose({ target: { kind: 'feeling', perRound: 5 } }), 5)],
    ['a repetition that takes less than no time', () => minutesOf(dose({ secondsEach: -60 }))],
    ['a pace of no measure', () => observedPace(Infinity, [])],
    ['sessions without end', () => observedPace(10, [{ minutes: Infinity, repetitions: 5 }])],
    ['rounds of none', () => repetitionsFrom(10, dose({ rounds: 0 }))],
    ['a weekday that is none', () => checkHeavyGrip([{ dose: dose({ heavyGrip: true }), weekdays: [9] }])],
    ['a cap that is none', () => checkHeavyGrip([{ dose: dose({ heavyGrip: true }), weekdays: [1] }], NaN)],
    ['more cards than a table holds', () => splitIntoCards(1_000_000, 30, 1, 200, seededRandom(1))],
    ['a level off its knob', () => demandOf(knobs, { tool: 99 })],
    ['a grade of no number', () => compareGrades({ tool: NaN }, { tool: 1 })],
    ['a weight of nothing', () => demandOf([{ ...knobs[0]!, weight: -1 }], { tool: 1 })],
    ['a knob twice', () => proposeLadder({ ...ladder, knobs: [knobs[0]!, knobs[0]!] })],
    ['a path without end', () => steeringIndex(100, 10, Infinity)],
    ['a demand of no number', () => layTimeline({ ...timeline, demands: [0, NaN], size })],
    ['a drawing of less than no width', () => layTimeline({ ...timeline, size: { ...size, width: -10 } })],
    ['days that no calendar holds', () => addDays(day, 3_000_000)],
    ['half a day', () => addDays(day, 0.5)],
    ['the weekday of no day', () => weekdayOf('' as CalendarDay)],
    ['from a day that never was', () => daysBetween('2026-13-45' as CalendarDay, day)],
    ['an age of nobody', () => ageOn('?' as CalendarDay, day)],
    ['an outcome of no number', () => outcomeOf(session(NaN), 10)],
    ['a target without end', () => outcomeOf(session(5), Infinity)],
    ['a session that asks for less than nothing', () => simulateSession(child, 1, -3, Math.random)],
    ['a session that never ends', () => simulateSession(child, 1, Infinity, Math.random)],
    ['an ease that is none', () => spanishGrade(NaN)],
    ['a shape that nobody knows', () => smallPartVerdict({ kind: 'cloud', diameterMm: 3 } as never)],
    ['a child of no age', () => judgeSafety(stockTask('crane-lift'), [], { ...SAFE, ageYears: NaN } as never)],
  ])('%s', (_what, calculate) => {
    expect(calculate).toThrow(RangeError);
  });

  it('a time zone is only one by its name', () => {
    expect(isTimeZone(undefined as never)).toBe(false);
    expect(isTimeZone('America/Denver')).toBe(true);
  });

  it('a weekday stands once in a plan', () => {
    const task = exampleProgramTask('crane-lift');
    const draft = (weekdays: number[]) => ({
      startsOn: day,
      endsOn: day,
      note: '',
      tasks: [{ ...task, content: undefined, target: undefined, taskId: undefined, versionTaskId: undefined, weekdays }],
    });
    const issues = (weekdays: number[]) =>
      programDraftSchema.safeParse(draft(weekdays)).error?.issues.filter(({ path }) => path.includes('weekdays')).length ?? 0;
    expect([issues([1, 2]), issues([1, 1, 1])]).toEqual([0, 1]);
  });
});

const SAFE = {
  mouthsThings: false,
  scissorsAllowed: true,
  allergies: [],
  texturesAvoided: [],
  materialsAtHome: [],
};
