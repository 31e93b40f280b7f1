import { addBankingDays, addDays, type Day } from "@/core/calendar";

import { Random } from "./random";

/** What a customer does about an invoice: when, and how rightly. */
export type Fate = {
  paysOn: Day;
  /** Never by itself. */
  forgets: boolean;
  paysTwice: boolean;
  /** Minor units that it pays less, as for broken bags. */
  short: number;
  disputes: boolean;
};

/** A number of a text, the same every time (FNV-1a, public domain). */
export function seedOf(...parts: readonly (string | number)[]): number {
  let hash = 0x811c9dc5;
  for (const char of parts.join("|")) {
    hash ^= char.codePointAt(0) ?? 0;
    hash = Math.imul(hash, 0x01000193);
  }
  return hash >>> 0;
}

/** What becomes of an invoice with its customer, drawn from the customer's habit and the seed. */
export function fateOf(seed: number, number: string, due: { dueOn: Day; lateDays: number }): Fate {
  const random = new Random(seedOf(seed, number));
  const late =
    due.lateDays + random.whole(-4, 5) + (random.chance(0.05) ? random.whole(10, 45) : 0);
  return {
    paysOn: addBankingDays(addDays(due.dueOn, late), 0),
    forgets: random.chance(0.03),
    paysTwice: random.chance(0.01),
    short: random.chance(0.02) ? random.whole(5, 480) : 0,
    disputes: random.chance(0.008),
  };
}
