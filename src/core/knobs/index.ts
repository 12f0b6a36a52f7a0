export { FIELD_KNOBS, isFieldKnob, KNOB_IDS } from './knob';
export type { FieldKnob, Grade, KnobId, KnobKey, KnobLevel, TaskKnob } from './knob';
export { MEASURES } from './measures';
export type { MeasureName, Measures } from './measures';
export { compareGrades } from './compareGrades';
export type { GradeComparison, MovedKnob } from './compareGrades';
export { demandOf, demandCalculator, isTooBigToFit, measuresAt, physicalDifficulty } from './demandOf';
export type { PhysicalDifficulty } from './demandOf';
export { fittsBits, steeringIndex } from './difficulty';
