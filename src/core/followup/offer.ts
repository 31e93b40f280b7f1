import { addBankingDays, type Day } from "@/core/calendar";
import { minor, type Minor } from "@/core/money";

/** What a caller may offer: the whole on a day, or parts. */
export type Offer = {
  readonly why: "usual" | "large" | "broken" | "new";
  readonly parts: readonly { readonly dueOn: Day; readonly sum: Minor }[];
};

/** Banking days until the first sum, and between parts (common practice, no source). */
const FIRST = 5;
const BETWEEN = 10;
/** A sum of so many times what the customer usually pays at once is offered in parts. */
const LARGE = 3;

/**
 * What to offer on the telephone: after a broken promise half now and half
 * later; a sum that is large for this customer in three parts; else all of it
 * within a week. Sums are whole, the first part takes the odd cents.
 * @param asked what is overdue; usual: the middle of its payments before, null where it has not paid yet
 */
export function offerFor({
  asked,
  usual,
  broken,
  today,
}: {
  asked: Minor;
  usual: Minor | null;
  broken: boolean;
  today: Day;
}): Offer | null {
  if (asked <= 0) return null;
  const why = reasonOf(broken, usual, asked);
  const count = partsFor(why);
  const part = Math.floor(asked / count);
  return {
    why,
    parts: Array.from({ length: count }, (_, at) => ({
      dueOn: addBankingDays(today, (why === "broken" && at === 0 ? 1 : FIRST) + at * BETWEEN),
      sum: minor(at === 0 ? asked - part * (count - 1) : part),
    })),
  };
}

function reasonOf(
  broken: boolean,
  usual: Minor | null,
  asked: Minor,
): "broken" | "new" | "large" | "usual" {
  if (broken) return "broken";
  if (usual === null) return "new";
  if (asked > LARGE * usual) return "large";
  return "usual";
}

function partsFor(why: string): number {
  if (why === "broken") return 2;
  if (why === "large") return 3;
  return 1;
}

/** How a customer has kept its promises so far. */
export function keptOf(promises: readonly { readonly state: "open" | "kept" | "broken" }[]): {
  kept: number;
  broken: number;
} {
  return {
    kept: promises.filter(({ state }) => state === "kept").length,
    broken: promises.filter(({ state }) => state === "broken").length,
  };
}
