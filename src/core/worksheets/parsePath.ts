import { bad, good, type Result } from '../result';
import type { Curve, Point } from './curve';

/** Why a path's d can't be read: the place is counted in characters from 0. */
export interface PathIssue {
  readonly code: 'notAPath' | 'severalParts' | 'noLength';
  readonly at: number;
}

const NUMBERS: Readonly<Record<string, number>> = { M: 2, L: 2, Q: 4, C: 6, Z: 0 };

/**
 * Reads the d of an SVG path of one way: M, L, Q, C and Z with absolute places, as `writePath` and the outline reader write it. Everything else is refused with its place.
 * @example parsePath('M0 0L10 0').ok // true
 */
export function parsePath(d: string): Result<readonly Curve[], PathIssue> {
  const curves: Curve[] = [];
  let [at, start]: [Point | null, Point | null] = [null, null];
  const command = /\s*([MLQCZ])([^MLQCZa-zA-Z]*(?:e[+-]?\d+[^MLQCZa-zA-Z]*)*)/gy;
  let end = 0;
  for (let found = command.exec(d); found; found = command.exec(d)) {
    const [letter, given] = [found[1]!, found[2]!];
    const numbers = given.match(/[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/gi)?.map(Number) ?? [];
    const each = NUMBERS[letter]!;
    if (
      numbers.some((number) => !Number.isFinite(number)) ||
      (each === 0 ? numbers.length > 0 : numbers.length === 0 || numbers.length % each !== 0)
    )
      return bad({ code: 'notAPath', at: found.index });
    if (letter === 'M') {
      if (at) return bad({ code: 'severalParts', at: found.index });
      at = start = [numbers[0]!, numbers[1]!];
      if (numbers.length > 2) return bad({ code: 'notAPath', at: found.index });
    } else if (!at || !start) return bad({ code: 'notAPath', at: found.index });
    else if (letter === 'Z') {
      if (at[0] !== start[0] || at[1] !== start[1]) curves.push({ kind: 'line', from: at, to: start });
      at = start;
    } else
      for (let index = 0; index < numbers.length; index += each) {
        const places: Point[] = [];
        for (let pair = 0; pair < each; pair += 2) places.push([numbers[index + pair]!, numbers[index + pair + 1]!]);
        const to: Point = places.at(-1)!;
        if (letter === 'L') curves.push({ kind: 'line', from: at, to });
        else if (letter === 'Q') curves.push({ kind: 'quadratic', from: at, by: places[0]!, to });
        else curves.push({ kind: 'cubic', from: at, by: [places[0]!, places[1]!], to });
        at = to;
      }
    end = command.lastIndex;
  }
  if (d.slice(end).trim() !== '') return bad({ code: 'notAPath', at: end });
  if (curves.length === 0) return bad({ code: 'noLength', at: 0 });
  return good(curves);
}
