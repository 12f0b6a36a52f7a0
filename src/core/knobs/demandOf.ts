import type { Grade, TaskKnob } from './knob';

/**
 * A number to space steps by: the weighted sum of the knobs' levels, each scaled from 0 (easiest) to 1 (hardest). Never
 * a clinical measure. Our own definition: it respects the partial order (harder grade, larger demand).
 * @throws RangeError for a knob with fewer than two levels.
 * @example demandOf([{ knob: 'tool', levels: [a, b, c] }], { tool: 1 }) // 0.5
 */
export function demandOf(knobs: readonly TaskKnob[], grade: Grade): number {
  return knobs.reduce((sum, { knob, levels, weight = 1 }) => {
    if (levels.length < 2) throw new RangeError(`Knob ${knob} needs at least two levels`);
    return sum + (weight * (grade[knob] ?? 0)) / (levels.length - 1);
  }, 0);
}
