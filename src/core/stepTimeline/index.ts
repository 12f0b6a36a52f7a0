export { layTimeline } from './layTimeline';
export type { TimelineDrawing, TimelineInput, TimelineSize, StepOutcomes } from './layTimeline';
