/** How a value is told: in a cell of CSV, and in JSON. */
export type OpenKind = 'text' | 'number' | 'whole number' | 'yes or no' | 'day' | 'moment' | readonly string[];

export interface OpenColumn {
  /** Its name in JSON. */
  readonly key: string;
  /** Its heading in CSV. Where one of our lists reads the same thing back, it is the heading that that list knows. */
  readonly heading: string;
  readonly meaning: string;
  readonly kind: OpenKind;
  /** Whether the cell may be empty: nothing was reported, or it does not apply. */
  readonly mayBeEmpty: boolean;
  /** Names a child or a grown-up, or is in somebody's own words: it leaves only with a person who may see the child. */
  readonly isPersonal: boolean;
}

/** A table that leaves as CSV or by the interface for a district's own reports. */
export interface OpenTable {
  readonly name: string;
  readonly meaning: string;
  readonly columns: readonly OpenColumn[];
}

export type OpenValue = string | number | boolean | null;
export type OpenRow = Readonly<Record<string, OpenValue>>;
