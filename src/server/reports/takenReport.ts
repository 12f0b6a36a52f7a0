export interface TakenReport {
  readonly reportId: number;
  /** True where this very report had come in before. */
  readonly repeated: boolean;
  readonly safetyWord: boolean;
  readonly replaced: boolean;
}

export type Taken = { readonly ok: true; readonly report: TakenReport } | { readonly ok: false; readonly error: unknown };
