import { renewPages } from '../offline/keptPages';

/** Reports that have not reached us yet, kept on the family's own phone until they have. */
export interface KeptReport {
  readonly address: string;
  readonly fields: readonly (readonly [string, string])[];
  /** Why it was not taken in, where it was refused: it is kept, so that nothing that was said is lost. */
  readonly refused?: string;
}

export type Sending =
  | { readonly kind: 'taken'; readonly next: string }
  | { readonly kind: 'refused'; readonly words: string; readonly fields: Record<string, string> }
  | { readonly kind: 'kept' };

const STORE = 'yard-outbox';

export function keptReports(): KeptReport[] {
  try {
    return JSON.parse(localStorage.getItem(STORE) ?? '[]') as KeptReport[];
  } catch {
    return [];
  }
}

export function keep(report: KeptReport): void {
  store([...keptReports().filter((each) => keyOf(each) !== keyOf(report)), report]);
}

export function drop(report: KeptReport): void {
  store(keptReports().filter((each) => keyOf(each) !== keyOf(report)));
}

/** Sends one report. Its idempotency key makes it safe to do so again and again. */
export async function sendReport(report: KeptReport): Promise<Sending> {
  const body = new URLSearchParams(report.fields.map(([name, value]) => [name, value]));
  try {
    const answer = await fetch(report.address, { method: 'POST', body, headers: { accept: 'application/json' } });
    const said = (await answer.json()) as { next?: string; words?: string; fields?: Record<string, string> };
    if (answer.ok && said.next) {
      renewPages(report.address, fieldOf(report, 'versionTaskId'), fieldOf(report, 'hurt') === 'on');
      return { kind: 'taken', next: said.next };
    }
    if (answer.status < 500) return { kind: 'refused', words: said.words ?? '', fields: said.fields ?? {} };
  } catch {
    // No network, or an answer that was cut off: it stays kept.
  }
  return { kind: 'kept' };
}

const keyOf = (report: KeptReport) => fieldOf(report, 'idempotencyKey');

function fieldOf(report: KeptReport, name: string): string {
  return report.fields.find(([each]) => each === name)?.[1] ?? '';
}

function store(reports: readonly KeptReport[]): void {
  try {
    if (reports.length) localStorage.setItem(STORE, JSON.stringify(reports));
    else localStorage.removeItem(STORE);
  } catch {
    // A phone without storage still sends; it only cannot keep.
  }
}
