import { bankingDaysBetween, formatDay } from "@/core/calendar";
import { formatAmount } from "@/core/money";
import { type Explanation, explanationsOf, tieTogether } from "@/core/payouts";
import { bankLineById, type BankLineRow, openBankLines } from "@/db/bank";
import { usualFees } from "@/db/charges";
import { type Db } from "@/db/connection";
import { openPayouts, payoutListedById, tiesOfPayout } from "@/db/payouts";
import { itemsElsewhere, itemsOfPayout, type ProcessorItemRow } from "@/db/processor";
import { processorAccounts } from "@/db/processorAccounts";
import { rateOn } from "@/db/rates";
import { payerOfReceipt } from "@/db/receipts";

import { payoutView, type PayoutView } from "./payouts";

/** What would explain a payout that is off, and what one key would book for it. */
export type PayoutWorkings = {
  payout: PayoutView;
  explanations: Explanation[];
  items: (ProcessorItemRow & { payer: string })[];
  lines: BankLineRow[];
  openLines: BankLineRow[];
  /** The day's rate of its currency, where that is not the bank's. */
  rate: string | null;
  /** What could be tied only together with it, every way. */
  together: {
    payoutIds: number[];
    bankLineIds: number[];
    words: string;
  }[];
};

export function payoutWorkings(db: Db, payoutId: number): PayoutWorkings | null {
  const payout = payoutListedById(db, payoutId);
  if (!payout) return null;
  const open = openBankLines(db);
  const descriptors = new Map(
    processorAccounts(db).map((account) => [account.id, account.descriptor]),
  );
  const items = itemsOfPayout(db, payoutId).map((item) => ({
    ...item,
    payer: item.receiptId === null ? "" : payerOfReceipt(db, item.receiptId),
  }));
  const lines = tiesOfPayout(db, payoutId).flatMap((tie) => {
    const line = bankLineById(db, tie.bankLineId);
    return line
      ? [
          {
            ...line,
            amount: tie.atBank ?? tie.amount,
            description:
              (tie.atBank ?? tie.amount) === line.amount
                ? line.description
                : `${line.description} (its share)`,
          },
        ]
      : [];
  });
  const near = open
    .filter((line) => Math.abs(bankingDaysBetween(payout.paidOn, line.postedOn)) <= 10)
    .sort((a, b) => Math.abs(a.amount - payout.bookNet) - Math.abs(b.amount - payout.bookNet));
  const shown = payoutView(db, payout);
  return {
    payout: shown,
    explanations: explained(db, shown, items),
    items,
    lines,
    openLines: near.slice(0, 8),
    rate: shown.abroad ? (rateOn(db, payout.currency, payout.paidOn)?.rate ?? null) : null,
    together: shown.shown === "tied" ? [] : together(db, payoutId, open, descriptors),
  };
}

/** Ways to tie this payout that need more than one line, or other payouts beside it. */
function together(
  db: Db,
  payoutId: number,
  open: readonly BankLineRow[],
  descriptors: ReadonlyMap<number, string | null>,
): PayoutWorkings["together"] {
  const payouts = openPayouts(db);
  const named = new Map(payouts.map(({ id, externalId }) => [id, externalId]));
  const lines = new Map(open.map((line) => [line.id, line]));
  const ways = tieTogether(
    payouts.map((payout) => ({
      ...payout,
      descriptor: descriptors.get(payout.processorAccountId) ?? null,
    })),
    open,
  ).filter(({ payoutIds }) => payoutIds.includes(payoutId));
  const lineWords = (id: number): string => {
    const line = lines.get(id);
    return line ? `${formatAmount(line.amount, line.currency)} of ${formatDay(line.postedOn)}` : "";
  };
  return ways.slice(0, 5).map(({ payoutIds, bankLineIds }) => ({
    payoutIds: [...payoutIds],
    bankLineIds: [...bankLineIds],
    words:
      payoutIds.length > 1
        ? `with ${payoutIds
            .filter((id) => id !== payoutId)
            .map((id) => named.get(id) ?? "")
            .join(" and ")} in one line, ${lineWords(bankLineIds[0] ?? 0)}`
        : `in ${bankLineIds.length} lines: ${bankLineIds.map(lineWords).join(" and ")}`,
  }));
}

function explained(
  db: Db,
  payout: PayoutView,
  items: readonly (ProcessorItemRow & { payer: string })[],
): Explanation[] {
  if (payout.offBy === null || payout.offBy === 0) return [];
  const words = (item: ProcessorItemRow, payer = ""): string =>
    `${item.kind.replaceAll("_", " ")} ${item.externalId}${payer === "" ? "" : `, ${payer}`}`;
  return explanationsOf({
    externalId: payout.externalId,
    off: payout.offBy,
    items: items.map((item) => ({ ...item, words: words(item, item.payer) })),
    elsewhere: itemsElsewhere(db, payout.processorAccountId, payout.id).map((item) => ({
      ...item,
      words: words(item),
    })),
    usual: {
      dispute: usualFees(db, payout.processorAccountId, "dispute_fee"),
      return: usualFees(db, payout.processorAccountId, "return_fee"),
    },
  }).slice(0, 5);
}
