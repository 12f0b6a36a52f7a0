import type { ReportPart } from './editedWords';

/** A report on one child's goals as it is put on paper: words, and a drawing in shares of its frame. */
export interface ReportPage {
  readonly title: string;
  /** Subtitle: whose report, of which period, made when. */
  readonly under: string;
  readonly goals: readonly {
    readonly statement: string;
    readonly criterion: string;
    readonly standing: string;
    readonly paragraph: readonly ReportPart[];
    /** Null where nothing can be drawn. */
    readonly drawing: ReportDrawing | null;
  }[];
  /** Key to marks and dashes, and to edited words. */
  readonly legend: string;
}

/** From 0 to 1, left to right and from below to above. */
export interface ReportDrawing {
  readonly aim: readonly [SharePoint, SharePoint];
  readonly own: readonly SharePoint[];
  readonly family: readonly SharePoint[];
  readonly steps: readonly { readonly x: number; readonly label: string }[];
  /** From when on a task was given in another skin. */
  readonly skins: readonly { readonly x: number; readonly label: string }[];
  readonly least: string;
  readonly most: string;
  readonly from: string;
  readonly to: string;
}
export type SharePoint = readonly [x: number, y: number];
