import type { CalendarDay } from '@/core/calendar';
import { nameOf, type Access, type Child } from '@/core/students';
import { plain } from '@/core/text';
import { reportLog, versionHolding, type Work } from '@/db';
import type { PersonActor } from '../actor';
import { may } from '../may';
import { askedByText, type AskedByText } from './replies/replyTasks';

/** The children of the person, and what was asked of them and told of them on a day; each is read once. */
export class KnownChildren {
  private readonly versions = new Map<string, readonly AskedByText[]>();
  private readonly days = new Map<string, readonly AskedByText[]>();
  private readonly told = new Map<number, ReadonlySet<string>>();
  private readonly children: readonly Child[];

  constructor(
    private readonly work: Work,
    own: readonly { readonly child: Child; readonly access: Access }[],
    actor: PersonActor,
    private readonly since: CalendarDay,
  ) {
    this.children = own.filter(({ access }) => may(actor, access, 'settleDecision')).map(({ child }) => child);
  }

  /** Finds a child by name and initial, or by the name alone where it is unique. */
  childrenCalled(text: string): Child[] {
    const wanted = plain(text).replace(/\.$/, '');
    const exact = this.children.filter((child) => plain(nameOf(child)).replace(/\.$/, '') === wanted);
    return exact.length > 0 ? exact : this.children.filter(({ calledName }) => plain(calledName) === wanted);
  }

  /** Finds a task by its title in English or the family's language, or by its letter. */
  async task(child: Child, day: CalendarDay, text: string): Promise<AskedByText | null> {
    const asked = await this.askedOn(child, day);
    const wanted = plain(text);
    return asked.find(({ titles, letter }) => titles.some((title) => plain(title) === wanted) || plain(letter ?? '') === wanted) ?? null;
  }

  private async askedOn(child: Child, day: CalendarDay): Promise<readonly AskedByText[]> {
    const place = `${child.id} ${day}`;
    const before = this.days.get(place);
    if (before) return before;
    const version = await versionHolding(this.work, child.id, day);
    const isHeld = version !== null && version.startsOn <= day;
    const key = `${child.id} ${version?.programId} ${version?.number}`;
    const asked = !isHeld ? [] : (this.versions.get(key) ?? (await askedByText(this.work, child.id, version, child.familyLanguage)));
    if (isHeld) this.versions.set(key, asked);
    this.days.set(place, asked);
    return asked;
  }

  async isTold(childId: number, taskId: number, day: CalendarDay): Promise<boolean> {
    const told =
      this.told.get(childId) ??
      new Set(
        (await reportLog(this.work, childId, { since: this.since, most: MOST_TOLD })).map(({ taskId, doneOn }) => `${taskId}:${doneOn}`),
      );
    this.told.set(childId, told);
    return told.has(`${taskId}:${day}`);
  }
}

/** More than a child tells in the days that are typed in. */
const MOST_TOLD = 3_000;
