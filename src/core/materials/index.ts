export { matchHome, offeredLevels } from './matchHome';
export type { HomeMatch, MaterialStanding } from './matchHome';
