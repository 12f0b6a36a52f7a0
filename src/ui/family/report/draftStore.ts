/** A family's counts and choices for one task on one day, stored on its phone at every touch until it is sent. */
export interface Draft {
  readonly day: string;
  /** The step that was shown last. */
  readonly step: number;
  readonly fields: readonly (readonly [string, string])[];
  /** Counts at each step, by box. */
  readonly counts: Readonly<Record<string, Readonly<Record<string, string>>>>;
}

/** Fields that belong to the page, not to what was said. */
const OF_THE_PAGE = new Set(['lang', 'idempotencyKey', 'versionTaskId', 'corrects', 'step', 'left', 'right', 'amount']);
const keyOf = (action: string, task: string) => `yard-draft:${action}:${task}`;

export function storeDraft(action: string, task: string, draft: Omit<Draft, 'fields'>, form: HTMLFormElement): void {
  const fields = [...new FormData(form)].flatMap(([name, value]): [string, string][] =>
    OF_THE_PAGE.has(name) ? [] : [[name, String(value)]],
  );
  try {
    localStorage.setItem(keyOf(action, task), JSON.stringify({ ...draft, fields } satisfies Draft));
  } catch {
    // A phone without storage only forgets a count when the page is left.
  }
}

/** Returns the stored counts and choices, of whichever day; the caller decides what to do with another day's. */
export function draftOf(action: string, task: string): Draft | null {
  try {
    const draft = JSON.parse(localStorage.getItem(keyOf(action, task)) ?? 'null') as Draft | null;
    return draft?.counts ? draft : null;
  } catch {
    return null;
  }
}

/** True where something was counted, chosen or written. */
export function saysSomething({ fields, counts }: Draft): boolean {
  return (
    Object.values(counts).some((boxes) => Object.values(boxes).some((count) => count !== '' && count !== '0')) ||
    fields.some(([name, value]) => value !== '' && (name === 'words' || name === 'help' || name === 'effort'))
  );
}

export function deleteDraft(action: string, task: string): void {
  try {
    localStorage.removeItem(keyOf(action, task));
  } catch {
    // Nothing was kept.
  }
}

/** Puts what was kept back into the form, as if it were typed. */
export function fillIn(form: HTMLFormElement, draft: Draft): void {
  const kept = new Map(draft.fields);
  for (const box of form.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>('input:not([type=hidden]), textarea')) {
    if (OF_THE_PAGE.has(box.name)) continue;
    const value = kept.get(box.name);
    if (box instanceof HTMLInputElement && (box.type === 'radio' || box.type === 'checkbox')) {
      box.checked = box.type === 'radio' ? value === box.value : value !== undefined;
    } else if (value !== undefined) box.value = value;
  }
}
