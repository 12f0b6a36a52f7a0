export { KNOB_IDS } from './knob';
export type { Grade, KnobId, TaskKnob } from './knob';
export { compareGrades } from './compareGrades';
export type { GradeComparison, MovedKnob } from './compareGrades';
export { demandOf } from './demandOf';
