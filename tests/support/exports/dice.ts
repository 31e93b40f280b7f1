import { Random } from "@/practice/random";

/** What exports are thrown by: the same for the same seed. */
export class Dice extends Random {
  upTo(most: number): number {
    return Math.floor(this.next() * most);
  }

  one<T>(of: readonly T[]): T {
    return this.pick(of);
  }
}
