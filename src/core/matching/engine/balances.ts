import type { MatchItem } from "../types";

/** How many items of a book have the same balance, as they were before any receipt claimed them. */
export class Balances {
  private readonly times = new Map<string, number>();

  /** `customers`: how many there are. */
  constructor(private readonly customers: number) {}

  count({ currency, balance }: MatchItem, by: 1 | -1): void {
    const key = `${currency} ${balance}`;
    this.times.set(key, (this.times.get(key) ?? 0) + by);
  }

  /**
   * Bits that it says that somebody has an item of just this balance: how few of
   * all customers could. It hangs on that balance alone, so that a change of
   * other items changes nothing.
   */
  rarity(currency: MatchItem["currency"], balance: number): number {
    const alike = Math.max(1, this.times.get(`${currency} ${balance}`) ?? 0);
    return Math.max(0, Math.log2(this.customers / alike));
  }
}
