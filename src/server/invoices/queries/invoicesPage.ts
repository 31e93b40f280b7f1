import { openItemPage } from "@/db/openItemPages";
import type { BookContext } from "@/server/runtime/bookContext";

const COLUMNS: Record<string, string> = {
  number: "i.number",
  customer: "c.name",
  issued: "i.issued_on",
  due: "i.due_on",
  total: "i.total",
  open: "i.balance",
};

/** Which invoices a list shows. */
export const INVOICE_STATES = ["open", "overdue", "paid", "all"] as const;

type Asked = {
  state: (typeof INVOICE_STATES)[number];
  text: string;
  /** A month or day of issue, as it begins: 2026-11. */
  issued: string | null;
  sort: string;
  page: number;
  pageRows: number;
};

/** A page of the list of invoices, with how many there are and their sums. */
export function invoicesPage(
  { db, today }: BookContext,
  { state, text, issued, sort, page, pageRows }: Asked,
): ReturnType<typeof openItemPage> {
  const column = COLUMNS[sort.replace("-", "")] ?? "i.issued_on";
  return openItemPage(db, {
    state,
    today,
    text: text || null,
    issued,
    order: `${column}${sort.startsWith("-") ? " DESC" : ""}, i.id`,
    limit: pageRows,
    offset: (page - 1) * pageRows,
  });
}
