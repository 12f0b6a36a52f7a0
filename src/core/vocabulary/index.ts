export { ALLERGENS, FOOD_ALLERGENS, HAZARDS, PARTS, SKILLS, SKINS, TEXTURES } from './vocabulary';
export type { Allergen, Hazard, Part, Skill, Skin, Texture } from './vocabulary';
