import type { Found } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import { type Currency, formatMoney, parseAmount } from "@/core/money";
import type { Db } from "@/db/connection";
import {
  findBankLines,
  findCustomersByText,
  findItems,
  findPayouts,
  findReceipts,
  type FoundItem,
} from "@/db/find";

/** A reference beside a receipt's sum is cut here, so that the line stays one. */
const MOST_LETTERS = 60;

/** Finds anything: a customer by name, an invoice by number, a receipt by payer or memo, and sums. */
export function find(db: Db, text: string, currency: Currency): Found[] {
  const query = text.trim();
  if (query.length < 2) return [];
  const sum = parseAmount(query, ".", currency);
  const wanted = { text: query, sum: sum.ok && /[.,]\d\d$/.test(query) ? sum.value : null };
  const amount = (of: number, own: Currency): string => formatMoney(of, own, currency);
  return [
    ...findCustomersByText(db, wanted).map(({ id, name, externalId }): Found => ({
      kind: "customer",
      id,
      words: name,
      more: externalId,
    })),
    ...findItems(db, wanted).map((item) => foundItem(item, amount)),
    ...findReceipts(db, wanted).map((receipt): Found => ({
      kind: "receipt",
      id: receipt.id,
      words: `${receipt.payer || "receipt"}, ${formatDay(receipt.paidOn)}`,
      more: `${amount(receipt.amount, receipt.currency)} ${receipt.reference}`.slice(
        0,
        MOST_LETTERS,
      ),
    })),
    ...findPayouts(db, wanted).map((payout): Found => ({
      kind: "payout",
      id: payout.id,
      words: `${payout.externalId}, ${formatDay(payout.paidOn)}`,
      more: amount(payout.net, payout.currency),
    })),
    ...findBankLines(db, wanted).map((line): Found => ({
      kind: "bank line",
      id: line.id,
      words: `${line.description}, ${formatDay(line.postedOn)}`,
      more: amount(line.amount, currency),
    })),
  ];
}

function foundItem(item: FoundItem, amount: (of: number, own: Currency) => string): Found {
  const paid = item.balance === 0;
  return {
    kind: "invoice",
    id: item.id,
    words: `${item.number}, ${item.customer}`,
    more: paid
      ? `${amount(item.total, item.currency)}, paid`
      : `${amount(item.balance, item.currency)} open`,
  };
}
