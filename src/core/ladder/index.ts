export { checkLadder } from './checkLadder';
export type { Ladder, LadderFinding, LadderStep } from './checkLadder';
