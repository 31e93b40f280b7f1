/** A small seeded generator (mulberry32, public domain algorithm by Tommy Ettinger): the same book every time. */
export class Random {
  constructor(private state: number) {}

  /** From 0 up to, not including, 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  }

  /** A whole number from low to high, both included. */
  whole(low: number, high: number): number {
    return low + Math.floor(this.next() * (high - low + 1));
  }

  pick<T>(from: readonly T[]): T {
    const picked = from[Math.floor(this.next() * from.length)];
    if (picked === undefined) throw new RangeError("nothing to pick from");
    return picked;
  }

  chance(of: number): boolean {
    return this.next() < of;
  }
}
