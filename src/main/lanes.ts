import type { ServerResponse } from 'node:http';

/**
 * Lets so many do their work at once and so many wait, in the order in which they came; who comes then, or waits too long, is turned away at
 * once: an answer after half a minute helps nobody and keeps others waiting.
 */
export class Lanes {
  private working = 0;
  private readonly waiting: { readonly go: (isTaken: boolean) => void }[] = [];

  /**
   * @param most at work at once; where it changes by what goes on elsewhere, `admit` is called when it may have grown
   * @param onLeave told whenever somebody is done
   */
  constructor(
    private readonly most: () => number,
    private readonly mostWaiting: number,
    private readonly longestMilliseconds: number,
    private readonly onLeave: () => void = () => {},
  ) {}

  /** How many are at work or wait. */
  get count(): number {
    return this.working + this.waiting.length;
  }

  /** True once there is room; false where one is turned away. Who got room gives it back by `leave`. */
  enter(): Promise<boolean> {
    if (this.working < this.most()) {
      this.working += 1;
      return Promise.resolve(true);
    }
    if (this.waiting.length >= this.mostWaiting) return Promise.resolve(false);
    return new Promise((resolve) => {
      const place = {
        go: (isTaken: boolean) => {
          clearTimeout(timer);
          resolve(isTaken);
        },
      };
      const timer = setTimeout(() => {
        this.waiting.splice(this.waiting.indexOf(place), 1);
        resolve(false);
      }, this.longestMilliseconds);
      this.waiting.push(place);
    });
  }

  /**
   * Room for as long as a response is open. Whoever went away while they waited takes none: their response closes no second time.
   * @returns `taken`, `turned away`, or `gone`
   */
  async hold(response: ServerResponse): Promise<'taken' | 'turned away' | 'gone'> {
    if (!(await this.enter())) return 'turned away';
    if (response.closed || response.destroyed) {
      this.leave();
      return 'gone';
    }
    response.once('close', () => this.leave());
    return 'taken';
  }

  leave(): void {
    this.working -= 1;
    this.admit();
    this.onLeave();
  }

  /** Lets in whom there is room for now. */
  admit(): void {
    while (this.waiting.length > 0 && this.working < this.most()) {
      this.working += 1;
      this.waiting.shift()!.go(true);
    }
  }
}
