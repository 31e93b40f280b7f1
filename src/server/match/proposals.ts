import { addDays } from "@/core/calendar";
import { Matcher, type MatchingInput, numberWords, type Proposal } from "@/core/matching";
import { appliedSince } from "@/db/applications";
import type { Db } from "@/db/connection";
import { allCustomers } from "@/db/customers";
import { habits, payerHistory } from "@/db/learning";
import { closedNumbers, itemsToMatch } from "@/db/openItems";
import { creditsByCustomer, receiptsInState } from "@/db/receipts";
import { type ReceiptLine, remittanceLines } from "@/db/remittances";
import { readSettings } from "@/db/settings";

/** How far back receipts that were placed are looked at for a payment made twice. */
export const DOUBLE_LOOK_BACK_DAYS = 30;

type Told = Pick<ReceiptLine, "number" | "amount">;

/** What remittance advices say of receipts, by receipt. */
export function toldByAdvice(lines: readonly ReceiptLine[]): Map<number, Told[]> {
  const told = new Map<number, Told[]>();
  for (const { receiptId, number, amount } of lines)
    told.set(receiptId, [...(told.get(receiptId) ?? []), { number, amount }]);
  return told;
}

/** The words of receipts that may be numbers, to find those that are settled already. */
export function wordsOf(
  receipts: readonly { readonly reference: string; readonly remittance: readonly Told[] }[],
): string[] {
  const words = receipts.flatMap(({ reference, remittance }) =>
    numberWords([reference, ...remittance.map(({ number }) => number)].join(" ")),
  );
  return [...new Set(words.flatMap((word) => [word, word.toUpperCase()]))];
}

/** A book as matching sees it: what is open, what came, and who paid before. */
function matchingInput(db: Db): MatchingInput {
  const settings = readSettings(db);
  const told = toldByAdvice(remittanceLines(db));
  const receipts = receiptsInState(db, "to_match").map((receipt) => ({
    ...receipt,
    amount: receipt.unidentified,
    remittance: told.get(receipt.id) ?? [],
  }));
  const earliest = receipts[0]?.paidOn;
  const placed =
    earliest === undefined ? [] : appliedSince(db, addDays(earliest, -DOUBLE_LOOK_BACK_DAYS));
  return {
    customers: allCustomers(db),
    items: itemsToMatch(db),
    receipts,
    history: payerHistory(db),
    habits: habits(db),
    credits: creditsByCustomer(db),
    closed: closedNumbers(db, wordsOf(receipts)),
    placed,
    settings: {
      discountGraceDays: settings.discountGraceDays,
      smallDifferenceLimit: settings.smallDifferenceLimit,
      surchargePercent: settings.surchargePercent,
      riskLimit: settings.wrongPerThousand / 1000,
    },
  };
}

/** Books as they were matched last, by the connection they were read on. */
const matched = new WeakMap<Db, Matcher>();

/**
 * Proposals for every receipt that has no home yet: the first time of the whole book, then only of
 * what a change since can reach.
 */
export function proposalsOf(db: Db): Proposal[] {
  if (receiptsInState(db, "to_match").length === 0) return [];
  const input = matchingInput(db);
  const updated = matched.get(db)?.update(input);
  if (updated) return updated;
  const matcher = new Matcher(input);
  matched.set(db, matcher);
  return matcher.all();
}
