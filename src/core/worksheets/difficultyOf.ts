import { fittsBits } from '../knobs';
import { lengthOfPath } from './curve';
import type { SheetFor } from './figure';
import { figuresOf } from './figuresOf';
import { MARGIN_MM, PAPER_MM } from './drawSheet';
import type { SheetSpec } from '../tasks';
import { evenWidth, roadWidths, tightestTurn } from './steer';

/** How hard a sheet is by its very geometry: one thing on it, not how many of them. Never a clinical measure. */
export interface SheetDifficulty {
  /** How many of its own widths a road is long: ∫ ds / W (steering law). Null where nothing is kept to. */
  readonly roadWidths: number | null;
  /** How long it is, in mm, and how wide a straight road of that length would be that is as hard. */
  readonly lengthMm: number | null;
  readonly evenWidthMm: number | null;
  /** The tightest turn, in mm; Infinity where it is straight, 0 at a corner. */
  readonly turnMm: number | null;
  /** Bits of the aims on it, their mean (Fitts's law, Shannon form). Null where nothing is aimed at. */
  readonly aimBits: number | null;
}

const ANY: SheetFor = { isLeft: false, name: 'A', language: 'en', isLarge: false };

/** The difficulty of a sheet, the same on any paper and for either hand. @example difficultyOf({ kind: 'blank' }).roadWidths // null */
export function difficultyOf(spec: SheetSpec): SheetDifficulty {
  const [width, height] = PAPER_MM.letter;
  const figures = figuresOf(spec, ANY, { widthMm: width - 2 * MARGIN_MM, heightMm: height - 2 * MARGIN_MM - 40 });
  const figure = figures.find(({ roads, aims }) => (roads?.length ?? 0) + (aims?.length ?? 0) > 0);
  const roads = (figure?.roads ?? []).filter(({ path }) => path.length > 0);
  const aims = figure?.aims ?? [];
  const lengthMm = roads.reduce((sum, { path }) => sum + lengthOfPath(path), 0);
  return {
    roadWidths: roads.length ? roads.reduce((sum, road) => sum + roadWidths(road), 0) : null,
    lengthMm: roads.length ? lengthMm : null,
    evenWidthMm: roads.length
      ? roads.length === 1
        ? evenWidth(roads[0]!)
        : lengthMm / roads.reduce((sum, road) => sum + roadWidths(road), 0)
      : null,
    turnMm: roads.length ? Math.min(...roads.map(({ path }) => tightestTurn(path))) : null,
    aimBits: aims.length ? aims.reduce((sum, { distanceMm, widthMm }) => sum + fittsBits(distanceMm, widthMm), 0) / aims.length : null,
  };
}
