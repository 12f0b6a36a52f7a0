/** The part of the package that tests check the slope against. */
declare module 'ml-regression-theil-sen' {
  export class TheilSenRegression {
    constructor(x: readonly number[], y: readonly number[]);
    readonly slope: number;
    readonly intercept: number;
  }
}
