/**
 * What never changes once written, kept for the life of a connection pool and found by the hash of its content, so that
 * whatever a restore or a new seed puts into the tables can't be mistaken for it. Bounded: what was used longest ago goes.
 */
export class Remembered {
  private readonly byHash = new Map<string, unknown>();

  constructor(private readonly most: number) {}

  get<Value>(hash: string): Value | undefined {
    const value = this.byHash.get(hash) as Value | undefined;
    if (value === undefined) return undefined;
    this.byHash.delete(hash);
    this.byHash.set(hash, value);
    return value;
  }

  keep(hash: string, value: unknown): void {
    this.byHash.set(hash, value);
    for (const oldest of this.byHash.keys()) {
      if (this.byHash.size <= this.most) return;
      this.byHash.delete(oldest);
    }
  }

  get size(): number {
    return this.byHash.size;
  }
}
