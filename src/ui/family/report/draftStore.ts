/** What a family has counted and chosen of one task on one day, kept on its phone until it is sent. */
interface Draft {
  readonly day: string;
  readonly fields: readonly (readonly [string, string])[];
}

/** Fields that belong to the page, not to what was said. */
const OF_THE_PAGE = new Set(['lang', 'idempotencyKey', 'versionTaskId', 'corrects']);
const keyOf = (action: string, task: string) => `yard-draft:${action}:${task}`;

export function keepDraft(action: string, task: string, day: string, form: HTMLFormElement): void {
  const fields = [...new FormData(form)].flatMap(([name, value]): [string, string][] =>
    OF_THE_PAGE.has(name) ? [] : [[name, String(value)]],
  );
  try {
    localStorage.setItem(keyOf(action, task), JSON.stringify({ day, fields } satisfies Draft));
  } catch {
    // A phone without storage only forgets a count when the page is left.
  }
}

export function draftOf(action: string, task: string, day: string): ReadonlyMap<string, string> | null {
  try {
    const draft = JSON.parse(localStorage.getItem(keyOf(action, task)) ?? 'null') as Draft | null;
    return draft?.day === day ? new Map(draft.fields) : null;
  } catch {
    return null;
  }
}

export function dropDraft(action: string, task: string): void {
  try {
    localStorage.removeItem(keyOf(action, task));
  } catch {
    // Nothing was kept.
  }
}

/** Puts what was kept back into the form, as if it were typed. The step is the page's own. */
export function fillIn(form: HTMLFormElement, draft: ReadonlyMap<string, string>): void {
  for (const box of form.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>('input:not([type=hidden]), textarea')) {
    const value = draft.get(box.name);
    if (box instanceof HTMLInputElement && (box.type === 'radio' || box.type === 'checkbox')) {
      box.checked = box.type === 'radio' ? value === box.value : value !== undefined;
      continue;
    }
    if (value === undefined || value === box.value) continue;
    box.value = value;
    box.dispatchEvent(new Event('input', { bubbles: true }));
  }
}
