/** A program and its report slip as they stand on paper: words alone, in the family's language, ready to be drawn. */
export interface Paper {
  readonly language: string;
  readonly size: PaperSize;
  /** Letters half as large again. */
  readonly isLarge: boolean;
  /** The child's called name. */
  readonly name: string;
  readonly until: string;
  readonly tasks: readonly PaperTask[];
  readonly slips: readonly PaperSlip[];
  readonly hurt: string;
  readonly care: string;
}

export const PAPER_SIZES = ['letter', 'a4'] as const;
export type PaperSize = (typeof PAPER_SIZES)[number];

export interface PaperTask {
  /** Letter by which the slip and texts name it; null where it goes by its name. */
  readonly letter: string | null;
  readonly title: string;
  /** Says in plain words what is done; empty where the task has no description. */
  readonly description: string;
  readonly part: string;
  /** Instruction of this step. */
  readonly how: string;
  readonly amount: string;
  /** Lists with their headings, in the order in which they are read. */
  readonly lists: readonly { readonly heading: string; readonly lines: readonly string[]; readonly isCaution?: boolean }[];
  readonly maps: readonly PaperMap[];
}

/** The table from above: what lies where, for one hand. */
export interface PaperMap {
  readonly caption: string;
  readonly left: readonly string[];
  readonly right: readonly string[];
  readonly middle: readonly string[];
  readonly far: readonly string[];
}

export interface PaperSlip {
  readonly title: string;
  readonly span: string;
  readonly how: string;
  readonly day: string;
  readonly rows: { readonly howMany: string; readonly help: string; readonly effort: string };
  readonly days: readonly { readonly name: string; readonly date: string }[];
  readonly tasks: readonly {
    readonly letter: string;
    readonly title: string;
    readonly amount: string;
    /** A box for each side with its letter, or one box with what it is of. */
    readonly boxes: readonly { readonly before: string; readonly after: string }[];
    /** Whether the task is asked for, by day. */
    readonly asked: readonly boolean[];
  }[];
  readonly helpLetters: readonly string[];
  readonly effortLetters: readonly string[];
  readonly notDone: string;
  /** Meaning of each letter, a line each. */
  readonly legend: readonly { readonly heading: string; readonly words: string }[];
  readonly note: string;
  readonly byText: string;
  /** The link, and what stands under its square. */
  readonly link: { readonly address: string; readonly words: string } | null;
  /** Code by which a typed slip finds its student and version. */
  readonly code: string;
}
