export { FEWEST_POINTS, theilSen } from './theilSen';
export type { Point, Trend } from './theilSen';
export { kendall } from './kendall';
export type { RankCorrelation } from './kendall';
export { nonoverlapOfAllPairs } from './nap';
export type { Nonoverlap } from './nap';
export { goalStanding, rangeOf, STANDINGS } from './standing';
export type { FourPoints, GoalPoint, GoalStanding, Projection, Standing } from './standing';
