import { numberWords, propose, type MatchingInput, type Proposal } from "@/core/matching";
import { addDays } from "@/core/calendar";
import { allCustomers } from "@/db/customers";
import type { Db } from "@/db/connection";
import { closedNumbers, openItems } from "@/db/openItems";
import { payerHistory, receiptsInState } from "@/db/receipts";
import { readSettings } from "@/db/settings";

/** How far back receipts that were placed are looked at for a payment made twice. */
const DOUBLE_LOOK_BACK_DAYS = 30;

/** A book as matching sees it: what is open, what came, and who paid before. */
function matchingInput(db: Db): MatchingInput {
  const settings = readSettings(db);
  const receipts = receiptsInState(db, "to_match").map((receipt) => ({ ...receipt, amount: receipt.unidentified }));
  const words = receipts.flatMap((receipt) => numberWords(receipt.reference).flatMap((word) => [word, word.toUpperCase()]));
  const earliest = receipts[0]?.paidOn;
  const placed = earliest === undefined ? [] : db.all<MatchingInput["placed"][number]>(
    "SELECT id, customer_id AS customerId, paid_on AS paidOn, amount FROM receipt WHERE state = 'placed' AND customer_id IS NOT NULL AND paid_on >= ?", addDays(earliest, -DOUBLE_LOOK_BACK_DAYS),
  );
  return {
    customers: allCustomers(db), items: openItems(db), receipts, history: payerHistory(db), closed: closedNumbers(db, [...new Set(words)]), placed,
    settings: { discountGraceDays: settings.discountGraceDays, smallDifferenceLimit: settings.smallDifferenceLimit },
  };
}

/** Proposals for every receipt that has no home yet. */
export function proposalsOf(db: Db): Proposal[] {
  return receiptsInState(db, "to_match").length === 0 ? [] : propose(matchingInput(db));
}
