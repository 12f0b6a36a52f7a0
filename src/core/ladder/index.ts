export { checkLadder } from './checkLadder';
export type { Ladder, LadderFinding, LadderStep } from './checkLadder';
export { proposeLadder } from './proposeLadder';
export type { LadderOptions, ProposedLadder, ProposedStep, UsedUpKnob } from './proposeLadder';
