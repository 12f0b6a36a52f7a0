import { checkLadder } from '@/core/ladder';
import { demandOf } from '@/core/knobs';
import { minutesOf, reckonDose } from '@/core/dose';
import { SKILLS } from '@/core/tasks';
import { loadLibrary } from './loadLibrary';

const tasks = loadLibrary();

it('holds one task for each kind that a first week needs', () => {
  expect(tasks.map((task) => task.skill).sort()).toEqual(
    ['forceModulation', 'handWarmUp', 'inHandManipulation', 'preWriting', 'scissors', 'selfCareFasteners', 'tearing', 'wholeBodyCoordination'],
  );
  expect(tasks.every((task) => SKILLS.includes(task.skill))).toBe(true);
});

describe.each(tasks.map((task) => [task.slug, task] as const))('%s', (_slug, task) => {
  it('has a ladder of at least five steps over at least three knobs with nothing to find', () => {
    expect(checkLadder(task.knobs, task.ladder)).toEqual([]);
    expect(task.ladder.steps.length).toBeGreaterThanOrEqual(5);
    const turned = task.knobs.filter(({ knob }) => new Set(task.ladder.steps.map((step) => step.grade[knob])).size > 1);
    expect(turned.length).toBeGreaterThanOrEqual(3);
  });

  it('grows in demand at every step', () => {
    const demands = task.ladder.steps.map((step) => demandOf(task.knobs, step.grade));
    expect(demands).toEqual([...new Set(demands)].sort((a, b) => a - b));
  });

  it('fits into a family evening and has arithmetic that adds up', () => {
    expect(minutesOf(task.dose)).toBeLessThanOrEqual(12);
    expect(reckonDose(task.dose, 5).perWeek).toBe(reckonDose(task.dose, 1).perDay * 5);
  });

  it('says it in both languages, in other words', () => {
    const pairs = [task.title, ...task.helperSteps, ...task.childSteps, ...task.looksRight, ...task.cautions, ...task.ladder.steps.map((step) => step.how)];
    expect(pairs.filter((text) => text.en === text.es)).toEqual([]);
  });
});
