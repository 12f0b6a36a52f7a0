/** Data of the page for its script. */
export interface PageData {
  readonly link: string;
  /** Pages to keep for the time without network; none where this page leads to no more than is kept already. */
  readonly pages: readonly string[];
  /** Changes when the kept pages are no longer true. */
  readonly stamp: string;
  readonly locale: string;
  readonly timeZone: string;
  /** The same for every link of this child. */
  readonly family: string;
  /** The server's moment when the page was made. */
  readonly now: number;
  /** The day on which the page was made, in the family's zone. */
  readonly day: string;
  /** Address of the danger reader, set by the frame of the page. */
  readonly danger?: string;
  readonly words: Readonly<Record<string, string>>;
  readonly task?: TaskData;
}

export interface TaskData {
  readonly versionTaskId: string;
  /** The day that is told of, where it is another than today; what is kept of it is kept apart. */
  readonly otherDay: string;
  /** The step that the page shows first. */
  readonly step: number;
  /** Every step that may be done, easiest first. */
  readonly steps: readonly StepData[];
}

export interface StepData {
  readonly step: number;
  readonly pad: PadData;
}

/** How one step is counted. */
export interface PadData {
  readonly kind: 'count' | 'hands' | 'time' | 'hold' | 'untilDone' | 'watch';
  /** Which boxes it counts into: `left` and `right`, or `amount`. */
  readonly boxes: readonly { readonly name: string; readonly label: string; readonly target: number | null }[];
  readonly rounds: number;
  readonly restSeconds: number;
  /** A round in the order of its turns, for those who like the hands mixed. */
  readonly mixed: readonly number[];
  readonly holdSeconds: number;
}

export function pageData(): PageData {
  return JSON.parse(document.getElementById('page-data')!.textContent ?? '') as PageData;
}

/** False once the script has failed: then nothing is kept from the plain form. */
export const isScripted = () => document.documentElement.classList.contains('scripted');

export const all = <Found extends HTMLElement>(selector: string, within: ParentNode = document): Found[] =>
  Array.from(within.querySelectorAll<Found>(selector));

export const one = <Found extends HTMLElement>(selector: string, within: ParentNode = document): Found | null =>
  within.querySelector<Found>(selector);

/** Words with their holes filled. @example filled('{count} of 5', { count: 3 }) */
export function filled(words: string | undefined, holes: Readonly<Record<string, string | number>> = {}): string {
  return Object.entries(holes).reduce((said, [hole, value]) => said.replace(`{${hole}}`, String(value)), words ?? '');
}

/** An element with what it says and what stands in it. */
export function made<Tag extends keyof HTMLElementTagNameMap>(
  tag: Tag,
  about: Partial<Omit<HTMLElementTagNameMap[Tag], 'style'>> & { readonly className?: string },
  ...within: (Node | string)[]
): HTMLElementTagNameMap[Tag] {
  const element = Object.assign(document.createElement(tag), about);
  element.append(...within);
  return element;
}

const SKEW = 'yard-skew';

/**
 * Now, by the server's clock: a phone may be a day off. A page that came fresh says how far; a kept one is older than what was learned last.
 */
export function serverNow({ now }: PageData): number {
  try {
    const known = JSON.parse(localStorage.getItem(SKEW) ?? 'null') as { readonly made: number; readonly skew: number } | null;
    if (known && known.made >= now) return Date.now() + known.skew;
    const skew = now - Date.now();
    localStorage.setItem(SKEW, JSON.stringify({ made: now, skew }));
    return Date.now() + skew;
  } catch {
    return Date.now();
  }
}
