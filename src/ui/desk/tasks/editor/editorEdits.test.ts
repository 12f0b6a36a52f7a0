import { checkLadder, proposeLadder } from '@/core/ladder';
import type { TaskContent } from '@/core/tasks';
import { loadLibrary } from '../../../../../library/loadLibrary';
import { editTask, type EditorEdit } from './editorEdits';
import { editorHistory, startHistory, type EditorAct } from './editorHistory';
import { usualKnobs, type UsualKnobs } from './usualLevels';

let usual: UsualKnobs;
beforeAll(async () => {
  usual = await usualKnobs();
});

const crane = loadLibrary().find((task) => task.slug === 'crane-lift')!;
const edit = (...edits: EditorEdit[]) => edits.reduce(editTask, crane);
const namesOf = (task: TaskContent) => task.ladder.steps.map((step) => step.name.en);
const pegs = (task: TaskContent) => task.materials.find((material) => material.id === 'clothes-pegs')!.steps;

describe('edits of a task', () => {
  it('set, insert and take out deep inside, and leave the rest as the very same', () => {
    const changed = edit({ kind: 'set', path: ['ladder', 'steps', 2, 'how', 'en'], value: 'Lift.' });
    expect(changed.ladder.steps[2]!.how.en).toBe('Lift.');
    expect(changed.ladder.steps[1]).toBe(crane.ladder.steps[1]);
    expect(changed.materials).toBe(crane.materials);
    expect(edit({ kind: 'insert', path: ['cues'], value: { en: 'a', es: 'b' } }).cues).toHaveLength(crane.cues.length + 1);
    expect(edit({ kind: 'removeAt', path: ['helperSteps'], index: 0 }).helperSteps).toEqual(crane.helperSteps.slice(1));
    expect('story' in edit({ kind: 'set', path: ['story'], value: undefined })).toBe(false);
  });

  it('turn a knob within its levels only', () => {
    const grades = (task: TaskContent) => task.ladder.steps.map((step) => step.grade.tool);
    expect(grades(edit({ kind: 'turn', step: 0, knob: 'tool', by: 1 }))).toEqual([1, 1, 1, 1, 1, 1, 2]);
    expect(grades(edit({ kind: 'turn', step: 0, knob: 'tool', by: -1 }))).toEqual(grades(crane));
    expect(grades(edit({ kind: 'turn', step: 6, knob: 'tool', by: 1 }))).toEqual(grades(crane));
  });

  it('add a step after another: start and materials move along', () => {
    const before = edit({ kind: 'addStep', after: 1 });
    expect(namesOf(before)).toHaveLength(8);
    expect(before.ladder.startStep).toBe(4);
    expect(before.ladder.steps[2]!.grade).toEqual(crane.ladder.steps[1]!.grade);
    expect(pegs(before)).toEqual({ from: 4, to: 8 });
    expect(edit({ kind: 'addStep', after: 5 }).ladder.startStep).toBe(3);
    expect(pegs(edit({ kind: 'addStep', after: 3 }))).toEqual({ from: 3, to: 8 });
  });

  it('take a step out: start and materials move back, and the last step stays', () => {
    const without = edit({ kind: 'removeStep', step: 0 });
    expect(without.ladder.startStep).toBe(2);
    expect(pegs(without)).toEqual({ from: 2, to: 6 });
    expect(namesOf(without)).toEqual(namesOf(crane).slice(1));
    const one = { ...crane, ladder: { ...crane.ladder, steps: crane.ladder.steps.slice(0, 1) } };
    expect(editTask(one, { kind: 'removeStep', step: 0 })).toBe(one);
  });

  it('move a step, and not beyond the ends', () => {
    expect(namesOf(edit({ kind: 'moveStep', step: 0, by: 1 })).slice(0, 2)).toEqual([...namesOf(crane).slice(0, 2)].reverse());
    expect(edit({ kind: 'moveStep', step: 0, by: -1 })).toBe(crane);
  });

  it('add a knob of the field with its usual levels in both languages, or one of its own', () => {
    const help = edit({ kind: 'addKnob', knob: 'help', levels: usual.levels.help! }).knobs.at(-1)!;
    expect(help.levels[0]).toEqual({ en: 'hand over hand', es: 'mano sobre mano', usual: 'handOverHand' });
    expect(help.levels).toHaveLength(6);
    const own = edit({ kind: 'addKnob', knob: 'own:wind', levels: [], name: { en: 'wind', es: 'viento' } });
    expect(own.knobs.at(-1)).toMatchObject({ name: { en: 'wind' }, levels: [{ en: '' }, { en: '' }] });
    expect(own.ladder.steps.every((step) => step.grade['own:wind'] === 0)).toBe(true);
    const shapes = edit({ kind: 'addKnob', knob: 'own:shape', levels: usual.levels['own:shape']!, name: usual.shapeName }).knobs.at(-1)!;
    expect(shapes.levels).toHaveLength(10);
    expect(shapes.levels.slice(0, 3).map((level) => [level.usual, level.es])).toEqual([
      ['vertical', 'una raya hacia abajo'],
      ['horizontal', 'una raya de lado a lado'],
      ['circle', 'un círculo'],
    ]);
    expect(edit({ kind: 'addKnob', knob: 'tool', levels: usual.levels.tool! })).toBe(crane);
  });

  it('take a knob away from every step', () => {
    const without = edit({ kind: 'removeKnob', knob: 'position' });
    expect(without.knobs.map((knob) => knob.knob)).toEqual(['tool', 'itemSize', 'precision', 'hands']);
    expect(without.ladder.steps.some((step) => 'position' in step.grade)).toBe(false);
  });

  it('take a level away: those above it move down with it', () => {
    const without = edit({ kind: 'removeLevel', knob: 'tool', level: 1 });
    expect(without.knobs[0]!.levels.map((level) => level.en)).toEqual(['wide kitchen tongs, two hands', 'thin tongs']);
    expect(without.ladder.steps.map((step) => step.grade.tool)).toEqual([0, 0, 0, 0, 0, 0, 1]);
    expect(edit({ kind: 'removeLevel', knob: 'precision', level: 0 })).toBe(crane);
  });

  it('take over a proposed ladder: steps that stand keep their words, new ones are called by what moved', () => {
    const { steps, startStep } = proposeLadder({ knobs: crane.knobs, start: crane.ladder.steps[2]!.grade, easierSteps: 2, harderSteps: 3 });
    const taken = edit({ kind: 'takeLadder', grades: steps.map((step) => step.grade), startStep });
    expect(checkLadder(taken.knobs, taken.ladder).filter((finding) => finding.severity === 'error')).toEqual([]);
    expect(taken.ladder.steps[startStep - 1]).toMatchObject({ name: { en: 'clothespins' }, how: crane.ladder.steps[2]!.how });
    const fresh = taken.ladder.steps.find((step) => step.how.en === '')!;
    const level = steps[taken.ladder.steps.indexOf(fresh)]!.by!;
    expect(fresh.name.en).toBe(crane.knobs.find((knob) => knob.knob === level.knob)!.levels[level.to]!.en);
    expect(taken.materials.every((material) => !material.steps || material.steps.to <= taken.ladder.steps.length)).toBe(true);
  });
});

describe('the history of the bench', () => {
  const run = (...acts: EditorAct[]) => acts.reduce(editorHistory, startHistory(crane));
  const rounds = (value: number): EditorAct => ({ kind: 'set', path: ['dose', 'rounds'], value });
  const type = (value: string): EditorAct => ({ kind: 'set', path: ['title', 'en'], value });

  it('goes back and forth, act by act', () => {
    const back = run(rounds(2), rounds(3), { kind: 'undo' });
    expect(back.now.dose.rounds).toBe(2);
    expect(editorHistory(back, { kind: 'redo' }).now.dose.rounds).toBe(3);
    expect(editorHistory(editorHistory(back, { kind: 'undo' }), { kind: 'undo' }).now).toBe(crane);
  });

  it('takes typing in one field as one act', () => {
    const typed = run(type('C'), type('Cr'), type('Cra'));
    expect(typed.past).toHaveLength(1);
    expect(editorHistory(typed, { kind: 'undo' }).now.title.en).toBe('Crane lift');
    expect(run(type('C'), rounds(2), type('Cr')).past).toHaveLength(3);
  });

  it('forgets what was undone once something else is done, and does nothing at its ends', () => {
    const other = run(rounds(2), { kind: 'undo' }, rounds(4));
    expect(other.future).toEqual([]);
    expect(run({ kind: 'undo' })).toEqual(startHistory(crane));
    expect(run({ kind: 'redo' })).toEqual(startHistory(crane));
    expect(run({ kind: 'moveStep', step: 0, by: -1 }).past).toEqual([]);
  });
});
