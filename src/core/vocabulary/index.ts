export { ALLERGENS, HAZARDS, HELP_LEVELS, PARTS, RULE_NAMES, SKILLS, SKINS, TEXTURES, WATCH_ANSWERS, WATCH_ITEMS } from './vocabulary';
export type { Allergen, Hazard, HelpLevel, Part, Skill, Skin, Texture, WatchItem, WatchAnswer, Watched } from './vocabulary';
