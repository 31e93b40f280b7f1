import type { ReferenceQuality } from "../memo/scope";
import type { Told } from "../memo/told";
import type { AmountFit } from "./candidate";
import { type Doubt, doubtIf } from "./doubts";
import type { Part } from "./sums";

const LOOSE: ReadonlySet<AmountFit> = new Set(["over", "short", "part", "fee"]);
const BY_SUM: ReadonlySet<AmountFit> = new Set(["single", "several", "discount", "rounded"]);

type Found = {
  readonly lines: readonly Part[];
  readonly sum: AmountFit;
  readonly numbers: ReferenceQuality;
};

type Around = {
  readonly amount: number;
  /** How many numbers in the words lead nowhere; whether the customer has credit notes open. */
  readonly unread: number;
  readonly notes: boolean;
};

/** What of the words of a memo tells of something else than a reading does. */
export function against(
  told: Told,
  { lines, sum, numbers }: Found,
  { amount, unread, notes }: Around,
): Doubt[] {
  const doubtful = LOOSE.has(sum) || WRONG_NUMBER.has(sum);
  const isLater = ({ item }: Part): boolean => told.until !== null && item.issuedOn > told.until;
  const known = LOOSE.has(sum) || BY_SUM.has(sum);
  return [
    ...doubtIf(known && tellsOtherwise(told, { lines, sum }, notes), "told"),
    // What is paid ahead is not for what is open, whatever its sum.
    ...doubtIf(told.ahead && numbers === "none" && lines.length > 0, "ahead"),
    ...doubtIf(told.statement && lines.some(isLater), "later"),
    ...doubtIf(told.more && (sum === "over" || sum === "short"), "more"),
    // One number that leads nowhere is the one that is wrong.
    ...doubtIf(WRONG_NUMBER.has(sum) && unread > 1, "unread"),
    ...doubtIf(sum === "over" && told.sums.length > 1, "sums"),
    ...doubtIf(doubtful && told.sums.some((said) => !explains(lines, amount, said)), "sums"),
  ];
}

const WRONG_NUMBER: ReadonlySet<AmountFit> = new Set(["gap", "mended"]);

/** Whether the words tell of a statement, the oldest, a credit note or the next one, and the reading has none. */
function tellsOtherwise(
  told: Told,
  { lines, sum }: Pick<Found, "lines" | "sum">,
  notes: boolean,
): boolean {
  const hasNote = lines.some(({ item }) => item.balance < 0);
  return (
    told.oldestFirst ||
    (told.statement && sum !== "single") ||
    (told.credit && notes && !hasNote) ||
    (told.restAndNext && lines.length < 2)
  );
}

/** Whether a sum that stands in the words is one that the reading knows. */
function explains(lines: readonly Part[], amount: number, said: number): boolean {
  const full = lines.reduce((sum, { item }) => sum + item.balance, 0);
  const paid = lines.reduce((sum, line) => sum + line.amount, 0);
  const discounts = lines.reduce((sum, line) => sum + line.discount, 0);
  return (
    [amount, full, full - paid, full - paid - discounts, discounts, amount - paid].includes(said) ||
    lines.some((line) =>
      [line.amount, line.item.balance, line.item.total, line.item.balance - line.amount].includes(
        said as never,
      ),
    )
  );
}
