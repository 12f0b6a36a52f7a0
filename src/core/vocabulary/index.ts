export { ALLERGENS, FOOD_ALLERGENS, HAZARDS, PARTS, RULE_NAMES, SKILLS, SKINS, TEXTURES, WATCH_ANSWERS, WATCH_ITEMS } from './vocabulary';
export type { Allergen, Hazard, Part, Skill, Skin, Texture, WatchItem, WatchAnswer, Watched } from './vocabulary';
