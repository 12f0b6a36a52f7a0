import { renderToStaticMarkup } from 'react-dom/server';
import { thingsOf } from '@/core/library';
import type { TaskContent } from '@/core/tasks';
import { loadLibrary } from '../../../../../library/loadLibrary';
import { shapesInOneLadder } from '../../../../../tests/fixtures/shapesInOneLadder';
import { SettingSelects } from '../../parts/SettingSelects';
import { editorFindings } from './editorFindings';
import { CompareWithStock } from './CompareWithStock';
import { DoseEditor } from './DoseEditor';
import { TimelineGrid, harderBy } from './TimelineGrid';
import { KnobEditor } from './KnobEditor';
import { MaterialsEditor } from './MaterialsEditor';
import { Preview } from './Preview';
import { SafetyPanel } from './SafetyPanel';
import { TableMapEditor } from './TableMapEditor';
import { WordsEditor } from './WordsEditor';

const library = [...loadLibrary(), ...shapesInOneLadder];
const task = (slug: string) => library.find((each) => each.slug === slug)!;
const crane = task('crane-lift');
const nothing = () => {};
const propsOf = (content: TaskContent, fixed = false) => ({ task: content, findings: editorFindings(content), edit: nothing, fixed });

describe('the grid', () => {
  const grid = (content: TaskContent, step = 2, fixed = false) =>
    renderToStaticMarkup(
      <TimelineGrid
        {...propsOf(content, fixed)}
        findings={editorFindings(content).filter((finding) => finding.code !== 'form')}
        step={step}
        onStep={nothing}
      />,
    );

  it('has a column a step and a row a knob, each cell a dial that says its level', () => {
    const drawn = grid(crane);
    expect(drawn.match(/role="spinbutton"/g)).toHaveLength(5 * 7);
    expect(drawn).toContain('aria-label="tool, step 7"');
    expect(drawn).toContain('aria-valuetext="thin tongs"');
    expect(drawn).toContain('aria-valuenow="3"');
    expect(drawn).toMatch(/Demand of 7 steps: [\d., ]+/);
  });

  it('fills the holes of a step’s name, and marks the start', () => {
    expect(grid(task('crossed-beams'))).toContain('1 cross, traced');
    expect(grid(crane).match(/>start</g)).toHaveLength(1);
  });

  it('draws a faulty step in brick', () => {
    const steps = crane.ladder.steps.map((step, index) => (index === 3 ? { ...step, grade: { ...step.grade, tool: 0 } } : step));
    const faulty = { ...crane, ladder: { ...crane.ladder, steps } };
    expect(grid(faulty)).toContain('stroke="var(--color-brick)"');
    expect(grid(crane)).not.toContain('stroke="var(--color-brick)"');
  });

  it('has nothing to turn where the task may only be looked at', () => {
    expect(grid(crane, 2, true)).not.toContain('aria-label="harder"');
    expect(grid(crane, 2, true)).toContain('aria-readonly="true"');
  });

  it('says what makes a step harder', () => {
    expect(harderBy(crane, 0)).toBe('the easiest step');
    expect(harderBy(crane, 1)).toBe('harder here by: tool, wide kitchen tongs, two hands → wide tongs, one hand (+0.50)');
    const equal = { ...crane, ladder: { ...crane.ladder, steps: [crane.ladder.steps[0]!, crane.ladder.steps[0]!] } };
    expect(harderBy(equal, 1)).toBe('the same as the step before');
  });
});

describe('the editors', () => {
  it('write the arithmetic of a dose out, with cards and calls that add up', () => {
    const drawn = renderToStaticMarkup(<DoseEditor {...propsOf(crane)} />);
    expect(drawn).toContain('5 each hand × 2 hands = 10 reps a day × 5 days = 50 a week');
    expect(drawn).toContain('1.5 min set up + 1 × (5 × 2 hands × 12 s + 15 s) + 1 min clean up = 4.8 min');
    const cards = /add up to 10: ([\d + ]+)/.exec(drawn)![1]!;
    expect(cards.split(' + ').reduce((sum, card) => sum + Number(card), 0)).toBe(10);
    const calls = /three in a row: ([LR ]+)/.exec(drawn)![1]!;
    expect([...calls].filter((call) => call === 'L')).toHaveLength(5);
    expect([...calls].filter((call) => call === 'R')).toHaveLength(5);
  });

  it('give the small-part verdict with its reason, and what replaces a thing', () => {
    const drawn = renderToStaticMarkup(<MaterialsEditor {...propsOf(task('sort-the-hardware'))} things={thingsOf(library)} />);
    expect(drawn).toContain('small part');
    expect(drawn).toContain('Fits inside the small-parts cylinder (31.7 mm across');
    expect(drawn).toContain('Then item size: counters');
  });

  it('say bits of difficulty beside the millimeters that give them', () => {
    const drawn = renderToStaticMarkup(<KnobEditor usual={{ levels: {}, shapeName: { en: 'shape' } }} {...propsOf(task('arch'))} />);
    expect(drawn).toContain('path index 15.0 (steering law)');
    expect(
      renderToStaticMarkup(<KnobEditor usual={{ levels: {}, shapeName: { en: 'shape' } }} {...propsOf(task('toss-the-sandbag'))} />),
    ).not.toContain('steering law');
  });

  it('name the cautions that the rules compute, with their sources', () => {
    const drawn = renderToStaticMarkup(<SafetyPanel {...propsOf(task('wheel'))} titles={{ 'wet-brick-lift': 'Wet brick lift' }} />);
    expect(drawn).toContain('an adult stays the whole time');
    expect(drawn).toContain('this family has not allowed scissors or blades.');
    expect(drawn).toContain('without scissors: Wet brick lift');
  });

  it('show the table as each hand gets it', () => {
    const drawn = renderToStaticMarkup(<TableMapEditor {...propsOf(crane)} />);
    for (const caption of ['left-handed', 'right-handed', 'hand preference not established']) expect(drawn).toContain(caption);
    expect(drawn).toContain('aria-label="the pile: on the left. the truck box: on the right"');
  });

  it('measure the words in both languages', () => {
    const hard = { ...crane, helperSteps: [{ en: 'Hold the forearm.', es: 'Sujete el antebrazo.' }] };
    const drawn = renderToStaticMarkup(<WordsEditor {...propsOf(hard)} />);
    expect(drawn).toContain('“forearm” → lower arm');
    expect(drawn).toContain('“antebrazo” → brazo');
    expect(drawn.match(/reading grade/g)).toHaveLength(2);
  });

  it('compare a copy with what it was copied from', () => {
    const changed = { ...crane, dose: { ...crane.dose, rounds: 2 }, ladder: { ...crane.ladder, steps: crane.ladder.steps.slice(0, 6) } };
    const drawn = renderToStaticMarkup(<CompareWithStock task={changed} stock={crane} />);
    expect(drawn).toContain('Also changed: dose.');
    expect(drawn).toContain('no such step');
    expect(renderToStaticMarkup(<CompareWithStock task={crane} stock={crane} />)).toContain('Nothing else differs.');
  });

  it('show the family’s page of the chosen step', () => {
    expect(renderToStaticMarkup(<Preview task={crane} step={4} />)).toContain('A small cup stands on the other side');
  });
});

describe('settings where schools differ', () => {
  const selects = (chosen: TaskContent['settings'], known: TaskContent['settings'] = {}) =>
    renderToStaticMarkup(<SettingSelects ids={['shapeOrder', 'hands']} known={known} chosen={chosen} onChoose={nothing} />);

  it('say what holds where nothing is chosen', () => {
    expect(selects({}, { hands: 'bothInTurn' })).toContain('Default: both hands, taking turns');
    expect(selects({})).toContain('not set');
  });

  it('let a free order be arranged', () => {
    expect(selects({ shapeOrder: 'free', freeShapes: ['x', 'cross'] })).toMatch(/1 an X<.*2 a cross</);
    expect(selects({ shapeOrder: 'circleFirst' })).not.toContain('your order');
  });
});
