import { formatDay } from "@/core/calendar";
import { formatMoney } from "@/core/money";
import { bankLineById } from "@/db/bank";
import type { Db } from "@/db/connection";
import { customerById } from "@/db/customers";
import { importFileById } from "@/db/files";
import { openItemById } from "@/db/openItems";
import { payoutById } from "@/db/payouts";
import { receiptById } from "@/db/receipts";
import type { BookContext } from "@/server/runtime/bookContext";

type Asked = Pick<BookContext, "db" | "currency">;

const ITEM_WORDS = {
  invoice: "Invoice",
  late_fee: "Late fee",
  credit_note: "Credit note",
} as const;

/** What each kind of document is called, in few words; null where there is none of that number. */
const TITLES = {
  customer: ({ db }: Asked, id: number) => customerById(db, id)?.name ?? null,
  statement: ({ db }: Asked, id: number) => {
    const customer = customerById(db, id);
    return customer ? `Statement of ${customer.name}` : null;
  },
  invoice: ({ db }: Asked, id: number) => {
    const item = openItemById(db, id);
    return item ? `${ITEM_WORDS[item.kind]} ${item.number}` : null;
  },
  receipt: ({ db, currency: book }: Asked, id: number) => {
    const receipt = receiptById(db, id);
    if (!receipt) return null;
    const { amount, currency, settledOn } = receipt;
    return `Receipt of ${formatMoney(amount, currency, book)}, ${formatDay(settledOn)}`;
  },
  payout: ({ db }: Asked, id: number) => {
    const payout = payoutById(db, id);
    return payout ? `Payout ${payout.externalId}` : null;
  },
  line: ({ db, currency: book }: Asked, id: number) => {
    const line = bankLineById(db, id);
    if (!line) return null;
    const { amount, currency, postedOn } = line;
    return `Bank line of ${formatMoney(amount, currency, book)}, ${formatDay(postedOn)}`;
  },
  file: ({ db }: { db: Db }, id: number) => importFileById(db, id)?.name ?? null,
} as const;

export type DocumentKind = keyof typeof TITLES;

/** What a document is called in the title of its page; null where there is none. */
export function documentTitle(asked: Asked, kind: DocumentKind, id: number): string | null {
  return TITLES[kind](asked, id);
}
