export { CANDIDATE_IDS, CANDIDATES } from './candidates';
export type { CandidateId } from './candidates';
export { checkFit, fitFamilies, simulatedLog } from './fit';
export type { FitCheck, LogFigure, LogFigures } from './fit';
export { quantile, replayFigures, replayStay } from './replay';
export type { ReplayedStay, ReplayFigures, Stay } from './replay';
export { courseOf, runTrial, trialFigures, USUAL_FAMILIES } from './trial';
export type { Course, Families, Spread, TrialFigures, TrialWish } from './trial';
