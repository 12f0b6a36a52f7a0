import { loadLibrary } from '../../../library/loadLibrary';
import { calendarDay } from '../calendar';
import { checkProgram, inOrderOfParts, minutesOnWeekday, programDraftSchema, type ChildFacts, type PlannedTask, type ProgramDraft } from '.';

const library = loadLibrary();
const content = (slug: string) => library.find((task) => task.slug === slug)!;
const today = calendarDay('2026-11-24');
const child: ChildFacts = {
  ageYears: 5, hand: 'left', mouthsThings: false, scissorsAllowed: true, allergies: [], texturesAvoided: [], minutesPerDay: 20, taskSettings: {},
  materialsAtHome: library.flatMap((task) => task.materials.map((material) => material.id)),
};
const planned = (slug: string, change: Partial<PlannedTask> = {}): PlannedTask => {
  const task = content(slug);
  return { taskVersionId: library.indexOf(task) + 1, part: task.part, step: 3, chooseFrom: 2, chooseTo: 4, weekdays: [1, 2, 3, 4, 5], dose: task.dose, choices: {}, ...change };
};
const check = (tasks: PlannedTask[], facts: Partial<ChildFacts> = {}, span: Partial<ProgramDraft> = {}) => {
  const draft: ProgramDraft = { startsOn: today, endsOn: calendarDay('2026-12-08'), note: '', tasks, ...span };
  return checkProgram(draft, tasks.map((task) => library[task.taskVersionId - 1]!), { ...child, ...facts }, today);
};

describe('checks of a program', () => {
  it('finds nothing in a sound one', () => {
    const found = check([planned('open-the-shutters'), planned('crane-lift')]);
    expect(found.map((finding) => (finding.code === 'safety' ? finding.finding.key : finding.code))).toEqual(['pinch:kitchen-tongs', 'pinch:clothes-pegs']);
    expect(found.every((finding) => finding.severity === 'caution')).toBe(true);
  });

  it.each([
    ['nothing placed', [], {}, {}, { code: 'noTasks', severity: 'error' }],
    ['an end before the start', [planned('crane-lift')], {}, { endsOn: calendarDay('2026-11-23') }, { code: 'endsBeforeStart' }],
    ['an end in the past', [planned('crane-lift')], {}, { startsOn: calendarDay('2026-11-01'), endsOn: calendarDay('2026-11-23') }, { code: 'endedAlready' }],
    ['a step off the ladder', [planned('crane-lift', { step: 9, chooseFrom: 9, chooseTo: 9 })], {}, {}, { code: 'stepOffLadder', task: 0 }],
    ['a choice beyond the ladder', [planned('crane-lift', { chooseTo: 9 })], {}, {}, { code: 'chooseOffLadder', task: 0 }],
    ['a choice turned round', [planned('crane-lift', { chooseFrom: 4, chooseTo: 2 })], {}, {}, { code: 'chooseOffLadder' }],
    ['a choice without today’s step', [planned('crane-lift', { chooseFrom: 4, chooseTo: 5 })], {}, {}, { code: 'chooseWithoutStep' }],
    ['no day', [planned('crane-lift', { weekdays: [] })], {}, {}, { code: 'noDays' }],
    ['the same task twice', [planned('crane-lift'), planned('crane-lift')], {}, {}, { code: 'twice', task: 1 }],
    ['scissors where the family has not allowed them', [planned('cut-the-planks')], { scissorsAllowed: false }, {}, { code: 'safety', severity: 'error', finding: expect.objectContaining({ rule: 'scissorsNotAllowed', severity: 'block' }) }],
    ['small parts for a child who mouths things', [planned('pocket-the-washers', { chooseTo: 7 })], { mouthsThings: true }, {}, { code: 'safety', severity: 'error', finding: expect.objectContaining({ rule: 'smallPart', severity: 'acknowledge' }) }],
    ['glue for a child who avoids sticky hands', [planned('tile-the-roof')], { texturesAvoided: ['sticky'] }, {}, { code: 'safety', severity: 'caution', finding: expect.objectContaining({ rule: 'glue' }) }],
    ['a child too young', [planned('cut-the-planks')], { ageYears: 3 }, {}, { code: 'safety', severity: 'caution', finding: expect.objectContaining({ rule: 'age', of: '4–9' }) }],
    ['writing without a warm-up', [planned('wheels-and-windows')], {}, {}, { code: 'writingWithoutWarmUp', task: null }],
    ['what is not at home', [planned('crane-lift')], { materialsAtHome: ['box', 'kitchen-tongs'] }, {}, { code: 'missingAtHome', materials: [expect.objectContaining({ id: 'clothes-pegs' })] }],
    ['more minutes than the family has', [planned('crane-lift', { dose: { ...content('crane-lift').dose, rounds: 9 } })], {}, {}, { code: 'overBudget', weekday: 1, budget: 20 }],
  ] as const)('finds %s', (_name, tasks, facts, span, finding) => {
    expect(check([...tasks], facts, span)).toContainEqual(expect.objectContaining(finding));
  });

  it('asks for nothing that only other steps need', () => {
    expect(check([planned('pocket-the-washers')], { mouthsThings: true })).not.toContainEqual(expect.objectContaining({ finding: expect.objectContaining({ rule: 'smallPart' }) }));
  });

  it('adds up the minutes of one weekday', () => {
    const tasks = [planned('open-the-shutters', { weekdays: [1] }), planned('crane-lift', { weekdays: [1, 2] })];
    expect(minutesOnWeekday({ tasks }, 1)).toBeCloseTo(1 + 4.75);
    expect(minutesOnWeekday({ tasks }, 2)).toBeCloseTo(4.75);
    expect(minutesOnWeekday({ tasks }, 3)).toBe(0);
  });

  it('orders by the parts of a session, and leaves the order within a part', () => {
    const parts = ['selfCare', 'tableWork', 'warmUp', 'tableWork'] as const;
    expect(inOrderOfParts(parts.map((part, place) => ({ part, place }))).map((task) => task.place)).toEqual([2, 1, 3, 0]);
  });

  it('refuses a draft whose days are no days', () => {
    expect(programDraftSchema.safeParse({ startsOn: 'soon', endsOn: '2026-12-08', note: '', tasks: [] }).success).toBe(false);
  });
});
