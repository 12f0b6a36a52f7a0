export { isNeededAt, knobOf, taskContentSchema, taskDraftSchema } from './taskContent';
export type { HomeMaterial, Material, Shape, Substitute, TaskContent, TaskStep } from './taskContent';
export { HANDS, placesFor } from './placesFor';
export type { Hand, PlacedThing, TableSide } from './placesFor';
export { SETTING_CHOICES, SHAPE_ORDERS, taskSettingsSchema } from './settings';
export type { SettingId, TaskSettings } from './settings';
export { applySettings, filledStep, mayChangeMarkOrder, mayChangeShapeOrder } from './applySettings';
export { dressedIn, skinsOf } from './dressedIn';
export { helpAtStep, helperStepsAt, mostHelpAt } from './helpAtStep';
