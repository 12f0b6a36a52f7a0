import type { ServerResponse } from 'node:http';

/** No page takes so long; a file on a slow line has a lane of its own. Our own choice. */
const LONGEST_HELD_MILLISECONDS = 90_000;

/**
 * Lets so many do their work at once and so many wait, in the order in which they came; who comes then, or waits too long, is turned away at
 * once: an answer after half a minute helps nobody and keeps others waiting.
 */
export class ConcurrencyLimiter {
  private working = 0;
  /** When a place was last given or given back. */
  private movedAt = Date.now();
  private readonly waiting: { readonly go: (isTaken: boolean) => void }[] = [];

  /**
   * @param most at work at once; where it changes by what goes on elsewhere, `admit` is called when it may have grown
   * @param onLeave told whenever somebody is done
   * @param longestHeldMilliseconds after which a place is given back and its connection closed
   */
  constructor(
    private readonly most: () => number,
    private readonly mostWaiting: number,
    private readonly longestMilliseconds: number,
    private readonly onLeave: () => void = () => {},
    private readonly longestHeldMilliseconds = LONGEST_HELD_MILLISECONDS,
  ) {}

  /** How many are at work or wait. */
  get count(): number {
    return this.working + this.waiting.length;
  }

  /** True where every place is held and none was given back for so long: nobody is served here. */
  isStuckFor(milliseconds: number): boolean {
    return this.working >= this.most() && Date.now() - this.movedAt >= milliseconds;
  }

  /** True once there is room; false where one is turned away. Who got room gives it back by `leave`. */
  enter(): Promise<boolean> {
    if (this.working < this.most()) {
      this.working += 1;
      this.movedAt = Date.now();
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
    // A response behind another one of its connection never closes once the connection is gone: the connection gives its place back, too.
    const { socket } = response.req;
    let isHeld = true;
    const giveBack = () => {
      if (!isHeld) return;
      isHeld = false;
      clearTimeout(timer);
      socket.off('close', giveBack);
      this.leave();
    };
    // A client that reads too slowly while others wait is disconnected.
    const timer = setTimeout(() => {
      socket.destroy();
      giveBack();
    }, this.longestHeldMilliseconds).unref();
    response.once('close', giveBack);
    socket.once('close', giveBack);
    if (socket.destroyed) giveBack();
    return 'taken';
  }

  leave(): void {
    this.working -= 1;
    this.movedAt = Date.now();
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
