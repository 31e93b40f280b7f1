/** Numbers that look like chance and are the same for the same seed (mulberry32). */
export class Dice {
  constructor(private state: number) {}

  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  }

  upTo(most: number): number {
    return Math.floor(this.next() * most);
  }

  chance(of: number): boolean {
    return this.next() < of;
  }

  one<T>(of: readonly T[]): T {
    return of[this.upTo(of.length)] as T;
  }
}
