/** An answer, or everything that is wrong with the question. Expected faults come back as data, never as throws. */
export type Result<Value, Issue> = { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly issues: readonly Issue[] };

export function good<Value>(value: Value): { ok: true; value: Value } {
  return { ok: true, value };
}

export function bad<Issue>(...issues: Issue[]): { ok: false; issues: readonly Issue[] } {
  return { ok: false, issues };
}
