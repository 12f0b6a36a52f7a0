export { HAZARDS, PARTS, SKILLS } from './skills';
export type { Hazard, Part, Skill } from './skills';
export { doseSchema, hazardsOf, isNeededAt, knobOf, localTextSchema, taskContentSchema } from './taskContent';
export type { LocalText, Material, TaskContent, TaskStep } from './taskContent';
export { placesFor } from './placesFor';
export type { Hand, PlacedThing, TableSide } from './placesFor';
