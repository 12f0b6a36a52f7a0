import type { PaperSize } from '../print';
import { requireAbove, requireWhole } from '../whole';

/** Sizes of sheets: ISO 216 for A4, ANSI A for letter, in mm. */
const SHEETS: Readonly<Record<PaperSize, readonly [width: number, height: number]>> = { letter: [215.9, 279.4], a4: [210, 297] };
/** Margin that a printer leaves white, and that a hand needs to hold. Common practice, no source. */
const MARGIN_MM = 10;

/**
 * How many square pieces lie on a sheet, in rows and columns.
 * @param sizeMm the side of a piece, above 0
 * @throws RangeError for a size that is none
 * @example tilesOnSheet(40, 'letter') // 4 across, 6 down: 24
 */
export function tilesOnSheet(sizeMm: number, paper: PaperSize): number {
  requireAbove('sizeMm', sizeMm, 0);
  const [width, height] = SHEETS[paper];
  return Math.floor((width - 2 * MARGIN_MM) / sizeMm) * Math.floor((height - 2 * MARGIN_MM) / sizeMm);
}

/** Things that are cut square from sheets. */
const CUT_FROM_SHEETS = ['small-paper-tiles', 'paper-shapes'];

/** Sheets that so many pieces of a thing are cut from; null for what is not cut from sheets. @param count whole, 0 and above */
export function sheetsFor(thing: string, count: number, sizeMm: number | null, paper: PaperSize = 'letter'): number | null {
  requireWhole('count', count, 0);
  if (!CUT_FROM_SHEETS.includes(thing) || sizeMm === null) return null;
  return Math.ceil(count / Math.max(1, tilesOnSheet(sizeMm, paper)));
}

export interface Purchase {
  readonly short: number;
  readonly packs: number;
}

/**
 * Calculates the purchase: the need less the stock in the cupboard, rounded up to whole packs, so that no pack is short by one.
 * @param needed, inCupboard whole, 0 and above
 * @param packSize whole, 1 and above
 * @throws RangeError for counts that are none
 * @example purchaseOf(15, 9, 20) // six short: 1 pack
 */
export function purchaseOf(needed: number, inCupboard: number, packSize: number): Purchase {
  requireWhole('needed', needed, 0);
  requireWhole('inCupboard', inCupboard, 0);
  requireWhole('packSize', packSize, 1);
  const short = Math.max(0, needed - inCupboard);
  return { short, packs: Math.ceil(short / packSize) };
}
