import { loadLibrary } from '../../../library/loadLibrary';
import { exampleChild } from '../../../tests/fixtures/tarrowHill';
import { addDays, calendarDay } from '../calendar';
import { ageOf, factsOf, type Child } from '../students';
import type { GoalContent } from '../goals';
import { checkProgram, minutesOnWeekday, nextSpan, type PlannedTask } from '../programs';
import { plannedDoseOf } from '../tasks';
import { seededRandom } from '../random';
import { candidatesFor, draftOfWeek, givenBy, historyOf, type CandidateOptions } from '.';

const library = loadLibrary().map((content, index) => ({ taskId: index + 1, taskVersionId: index + 501, content }));
const idOf = (slug: string) => library.find(({ content }) => content.slug === slug)!.taskId;
const today = calendarDay('2026-11-24');
const everything = [...new Set(library.flatMap(({ content }) => content.materials.map(({ id }) => id)))];
const goal = (change: Partial<GoalContent> = {}): GoalContent => ({
  skill: 'bilateralCoordination',
  statement: 'Holds with one hand what the other works on',
  measure: { kind: 'count', of: 10, from: 2, to: 8, baselineOn: today },
  mostHelp: 'words',
  sessions: 3,
  reviewOn: addDays(today, 60),
  taskIds: [],
  ...change,
});
function wishFor(change: Partial<CandidateOptions> = {}, facts: Partial<Child> = {}): CandidateOptions {
  const child = exampleChild({
    bornOn: calendarDay('2021-03-01'),
    minutesPerDay: 20,
    materialsAtHome: everything,
    allergies: [],
    ...facts,
  });
  const age = ageOf(child, today);
  return {
    library,
    child: { ...factsOf(child, today), likes: child.likes },
    ageMonths: age.years * 12 + age.months,
    goals: [{ goalId: 1, content: goal() }],
    underWay: [],
    history: [],
    closedTaskIds: [],
    paces: [],
    mayPack: true,
    theme: null,
    asked: [],
    ...change,
  };
}
const underWay = (slug: string, step: number, weekdays = [1, 3]): PlannedTask & { taskId: number } => {
  const { taskId, taskVersionId, content } = library.find((each) => each.content.slug === slug)!;
  return {
    taskId,
    taskVersionId,
    part: content.part,
    step,
    chooseFrom: step,
    chooseTo: step,
    weekdays,
    dose: plannedDoseOf(content),
    choices: {},
  };
};
const whyNot = (options: CandidateOptions, slug: string) => candidatesFor(options).leftOut.find(({ taskId }) => taskId === idOf(slug))?.why;
const found = (options: CandidateOptions, slug: string) =>
  candidatesFor({ ...options, asked: [idOf(slug)] }).tasks.find(({ taskId }) => taskId === idOf(slug));

describe('what may be placed for a child', () => {
  it('leaves out with the first true reason', () => {
    expect(whyNot(wishFor({ closedTaskIds: [idOf('crane-lift')] }), 'crane-lift')).toEqual({ kind: 'closed' });
    expect(whyNot(wishFor({ ageMonths: 24 }), 'crane-lift')).toEqual({ kind: 'age' });
    expect(whyNot(wishFor({}, { scissorsAllowed: false }), 'wheel')).toMatchObject({
      kind: 'safety',
      finding: { rule: 'scissorsNotAllowed' },
    });
    // Both ends of the ages: the whole of the last year counts, a month past it does not.
    const { toYears } = library.find(({ content }) => content.slug === 'crane-lift')!.content.ages;
    expect(whyNot(wishFor({ ageMonths: toYears * 12 + 11 }), 'crane-lift')).not.toEqual({ kind: 'age' });
    expect(whyNot(wishFor({ ageMonths: (toYears + 1) * 12 }), 'crane-lift')).toEqual({ kind: 'age' });
    // As long as the whole of the day is not too long.
    const { minutes } = found(wishFor(), 'crane-lift')!;
    expect(found(wishFor({}, { minutesPerDay: minutes }), 'crane-lift')).toBeDefined();
    const failed = [{ taskId: idOf('crane-lift'), step: 4, triesInVain: 2 }];
    expect(whyNot(wishFor({ history: failed }), 'crane-lift')).toEqual({ kind: 'triedInVain', step: 4 });
    expect(whyNot(wishFor({}, { minutesPerDay: 1 }), 'crane-lift')).toMatchObject({ kind: 'takesTooLong' });
    expect(whyNot(wishFor({ mayPack: false }, { materialsAtHome: [] }), 'crane-lift')).toMatchObject({ kind: 'notAtHome' });
    // Tasks beyond the cut fit less well than those kept, and say so.
    const { tasks, leftOut } = candidatesFor(wishFor());
    expect(tasks.length + leftOut.length).toBe(library.length);
    expect(leftOut.some(({ why }) => why.kind === 'fitsLess')).toBe(true);
  });

  it('what a bag can’t bring is never packed; what it can bring is, and a task under way keeps its place', () => {
    const bare = wishFor({}, { materialsAtHome: [] });
    const crane = found(bare, 'crane-lift')!;
    expect(crane.packs).toContain('kitchen-tongs');
    expect(candidatesFor({ ...bare, asked: library.map(({ taskId }) => taskId) }).tasks.flatMap(({ packs }) => packs)).not.toContain(
      'clear-floor',
    );
    expect(whyNot(bare, 'beam-walks')?.kind ?? 'notAtHome').toBe('notAtHome');
    expect(found(wishFor({ underWay: [underWay('crane-lift', 4)] }), 'crane-lift')).toMatchObject({
      isUnderWay: true,
      isNew: false,
      planned: { step: 4 },
    });
  });

  it('keeps to the order of shapes that was chosen for the child', () => {
    const years = { bornOn: calendarDay('2021-03-01') };
    const why = whyNot(wishFor({}, years), 'shape-square');
    expect(why).toMatchObject({ kind: 'shapeLater' });
    const met = library
      .filter(({ content }) => content.shape && content.shape !== 'square')
      .map(({ taskId }) => ({ taskId, step: 1, triesInVain: 0 }));
    expect(whyNot(wishFor({ history: met }, years), 'shape-square')?.kind).not.toBe('shapeLater');
  });

  it('gives to a goal what serves it, half where the skill is another one of the task, and asks for four days of what leads to it', () => {
    const only = wishFor({
      goals: [{ goalId: 7, content: goal({ taskIds: [idOf('crane-lift')] }) }],
      underWay: [underWay('crane-lift', 3)],
    });
    const crane = found(only, 'crane-lift')!;
    expect(candidatesFor(only).goals).toEqual([{ goalId: 7, asked: crane.gives[0]!.amount * 4, isServed: true }]);
    const { skill } = library.find(({ content }) => content.slug === 'crane-lift')!.content;
    const [other] = library.find(({ content }) => content.slug === 'crane-lift')!.content.otherSkills;
    const main = found(wishFor({ goals: [{ goalId: 1, content: goal({ skill }) }] }), 'crane-lift')!.gives[0]!.amount;
    expect(found(wishFor({ goals: [{ goalId: 1, content: goal({ skill: other! }) }] }), 'crane-lift')!.gives[0]!.amount).toBe(main / 2);
    expect(
      givenBy(
        [{ taskId: idOf('crane-lift'), content: library[idOf('crane-lift') - 1]!.content, planned: underWay('crane-lift', 3) }],
        only.goals,
      ),
    ).toEqual([crane.gives[0]!.amount * 2]);
    expect(candidatesFor(wishFor({ goals: [{ goalId: 1, content: goal({ taskIds: [9999] }) }] })).goals[0]).toMatchObject({
      isServed: false,
    });
  });

  it('hears what the child likes, wears the week’s dress where it is not unwanted, and takes the child’s own pace', () => {
    const liked = wishFor({ child: { ...wishFor().child, likes: 'cranes and clothes; ice' } });
    expect(found(liked, 'crane-lift')!.isLiked).toBe(true);
    expect(found(wishFor({ child: { ...wishFor().child, likes: 'ice' } }), 'crane-lift')!.isLiked).toBe(false);
    const themed = library.find(({ content }) => content.skins.weatherStation)!;
    const dressed = found(wishFor({ theme: 'weatherStation' }), themed.content.slug);
    expect(dressed).toMatchObject({ isOfTheme: true, planned: { choices: { skin: 'weatherStation' } } });
    const slow = found(wishFor({ paces: [{ taskId: idOf('crane-lift'), secondsEach: 60 }] }), 'crane-lift')!;
    expect(slow.minutes).toBeGreaterThan(found(wishFor(), 'crane-lift')!.minutes);
  });

  it('is the same in whatever order the library comes', () => {
    const ids = (options: CandidateOptions) => candidatesFor(options).tasks.map(({ taskId }) => taskId);
    expect(ids(wishFor({ library: [...library].reverse() }))).toEqual(ids(wishFor()));
  });
});

describe('a week as a draft', () => {
  it('passes every check that stops sending, whatever the week, for 40 random children', () => {
    for (let seed = 1; seed <= 40; seed += 1) {
      const chance = seededRandom(seed);
      const facts: Partial<Child> = {
        mouthsThings: chance() < 0.3,
        scissorsAllowed: chance() < 0.6,
        hand: chance() < 0.5 ? 'left' : 'right',
        materialsAtHome: everything.filter(() => chance() < 0.5),
        allergies: chance() < 0.3 ? ['wheat', 'latex'] : [],
      };
      const options = wishFor({}, facts);
      const { tasks } = candidatesFor(options);
      const placed = tasks.map(({ taskId }) => ({ taskId, weekdays: [1, 3] }));
      const empty = { startsOn: today, endsOn: addDays(today, 13), note: '', tasks: [] };
      const draft = draftOfWeek(empty, { placed: placed.slice(0, 12) }, tasks);
      const contents = draft.tasks.map((task) => library.find((each) => each.taskVersionId === task.taskVersionId)!.content);
      const errors = checkProgram(draft, contents, options.child, today).filter(({ severity }) => severity === 'error');
      expect([seed, errors]).toEqual([seed, []]);
      expect(draft.tasks.every(({ mark }) => mark === 'filled')).toBe(true);
    }
  });

  it('leaves what a therapist nailed as she has it', () => {
    const { tasks } = candidatesFor(wishFor({ underWay: [underWay('crane-lift', 4)], asked: [idOf('crane-lift')] }));
    const hers = { ...underWay('crane-lift', 2, [5]), mark: 'nailed' as const };
    const { taskId, ...nailed } = hers;
    const draft = draftOfWeek(
      { startsOn: today, endsOn: today, note: '', tasks: [nailed] },
      { placed: [{ taskId, weekdays: [5] }] },
      tasks,
      [taskId],
    );
    expect(draft.tasks).toEqual([nailed]);
    expect(minutesOnWeekday(draft, 5)).toBeGreaterThan(0);
  });
});

describe('what a child did before', () => {
  it('is where each task stood at last, and how often that step was left downward', () => {
    const change = (taskId: number, fromStep: number | null, toStep: number) => ({ taskId, fromStep, toStep });
    const changes = [
      change(1, null, 3),
      change(1, 3, 4),
      change(1, 4, 3),
      change(1, 3, 4),
      change(1, 4, 3),
      change(1, 3, 4),
      change(2, null, 1),
    ];
    expect(historyOf(changes)).toEqual([
      { taskId: 1, step: 4, triesInVain: 2 },
      { taskId: 2, step: 1, triesInVain: 0 },
    ]);
  });
});

describe('from when till when the next program runs', () => {
  const year = {
    firstDay: calendarDay('2026-08-24'),
    lastDay: calendarDay('2027-06-11'),
    breaks: [
      { name: 'Late November break', from: calendarDay('2026-11-25'), to: calendarDay('2026-11-27') },
      { name: 'Winter break', from: calendarDay('2026-12-21'), to: calendarDay('2027-01-01') },
    ],
  };
  it('begins on the next school day, and ends before the school day on which the next bag can go home', () => {
    expect(nextSpan(calendarDay('2026-11-24'), year)).toEqual({ startsOn: '2026-11-30', endsOn: '2026-12-13' });
    // Two weeks later there is no school: it runs over the break.
    expect(nextSpan(calendarDay('2026-12-10'), year)).toEqual({ startsOn: '2026-12-11', endsOn: '2027-01-03' });
    expect(nextSpan(calendarDay('2026-12-10'), null)).toEqual({ startsOn: '2026-12-10', endsOn: '2026-12-23' });
  });
});
