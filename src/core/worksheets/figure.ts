import type { TableSide } from '../tasks';
import type { Language } from '../text';
import type { Mark } from './scene';
import type { Road } from './steer';

/** A figure to work on, drawn with its left top corner at the origin, and how hard it is. */
export interface Figure {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly marks: readonly Mark[];
  /** Paths to follow with a hand: cut along, traced, torn. */
  readonly roads?: readonly Road[];
  /** Targets to aim at: how far from where the hand comes, and how wide. */
  readonly aims?: readonly { readonly distanceMm: number; readonly widthMm: number }[];
}

/** Area in which figures may be placed, in mm. */
export interface Room {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** For whom a sheet is drawn: what no parameter of the step says. */
export interface SheetFor {
  /** A hand that is not settled counts as a right one here; the table has no side. */
  readonly isLeft: boolean;
  /** The called name, where a sheet has it written. */
  readonly name: string;
  readonly language: Language;
  /** Letters half as large again, where words are set; what is worked on keeps its size. */
  readonly isLarge: boolean;
  /** Places of things on the table, for the child's hand: of a placemat. */
  readonly table?: readonly { readonly side: TableSide; readonly what: string }[];
  /** Activities of a session, in order: of a page of stones. */
  readonly stones?: readonly string[];
}
