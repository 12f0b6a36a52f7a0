import { MILLISECONDS_PER_DAY } from '@/core/calendar';
const MOST_KEPT = 10_000;

/** Counts tries by who makes them, over a day, in this process alone. */
export class Tries {
  private readonly made = new Map<string, number[]>();

  /** Counts one more; false where that is more than so many within a day. */
  mayTry(who: string, now: number, most: number): boolean {
    const lately = (this.made.get(who) ?? []).filter((at) => at > now - MILLISECONDS_PER_DAY);
    if (lately.length >= most) return false;
    this.made.delete(who);
    this.made.set(who, [...lately, now]);
    // The oldest attempts are forgotten first.
    for (const oldest of this.made.keys()) {
      if (this.made.size <= MOST_KEPT) break;
      this.made.delete(oldest);
    }
    return true;
  }
}
