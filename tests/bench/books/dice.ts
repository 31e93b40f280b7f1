/** A seeded generator of chances (mulberry32), so that every book is the same every time. */
export class Dice {
  constructor(private state: number) {}

  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  }
  chance(of: number): boolean {
    return this.next() < of;
  }
  whole(from: number, to: number): number {
    return from + Math.floor(this.next() * (to - from + 1));
  }
  pick<T>(list: readonly T[]): T {
    return list[Math.floor(this.next() * list.length)] as T;
  }
  /** Small numbers often, large ones seldom. */
  tail(most: number): number {
    return Math.min(most, Math.floor(1 / (1 - this.next() * 0.98)));
  }
  shuffled<T>(list: readonly T[]): T[] {
    return list
      .map((entry) => ({ one: entry, key: this.next() }))
      .sort((a, b) => a.key - b.key)
      .map(({ one }) => one);
  }
}
