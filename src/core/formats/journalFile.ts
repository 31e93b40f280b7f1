import { type Day, type DayOrder, formatDayAs } from "@/core/calendar";
import { type Currency, type DecimalMark, type Minor, toDecimal } from "@/core/money";

/** What a column of a file for another ledger can hold. */
export const JOURNAL_FIELDS = [
  "entry_id",
  "posted_on",
  "event",
  "document",
  "party",
  "account",
  "account_name",
  "currency",
  "amount",
  "debit",
  "credit",
  "reverses",
  "again",
] as const;
export type JournalField = (typeof JOURNAL_FIELDS)[number];

/** How a file for another ledger is laid out: its columns in order, its accounts by ours, its days and decimal mark. */
export type JournalLayout = {
  readonly columns: readonly { readonly header: string; readonly field: JournalField }[];
  readonly accounts: Readonly<Record<string, string>>;
  readonly dayOrder: DayOrder;
  readonly decimalMark: DecimalMark;
};

export type JournalFileLine = {
  readonly entryId: number;
  readonly postedOn: Day;
  readonly event: string;
  readonly document: string;
  readonly party: string | null;
  readonly code: string;
  readonly name: string;
  readonly bookAmount: Minor;
  readonly reverses: number | null;
  readonly again: boolean;
};

/** The layout that is offered first: plain columns, debit and credit apart, our own account codes. */
export const FIRST_LAYOUT: JournalLayout = {
  columns: [
    { header: "Date", field: "posted_on" },
    { header: "Journal no", field: "entry_id" },
    { header: "Account", field: "account" },
    { header: "Account name", field: "account_name" },
    { header: "Debit", field: "debit" },
    { header: "Credit", field: "credit" },
    { header: "Description", field: "document" },
    { header: "Name", field: "party" },
    { header: "Again", field: "again" },
  ],
  accounts: {},
  dayOrder: "ymd",
  decimalMark: ".",
};

type CellOf = (line: JournalFileLine, layout: JournalLayout, currency: Currency) => string;

/** What stands in each column. */
const CELLS: Record<JournalField, CellOf> = {
  entry_id: (line) => String(line.entryId),
  posted_on: (line, layout) => formatDayAs(line.postedOn, layout.dayOrder),
  event: (line) => line.event,
  document: (line) => line.document,
  party: (line) => line.party ?? "",
  account: (line, layout) => layout.accounts[line.code] ?? line.code,
  account_name: (line) => line.name,
  currency: (_line, _layout, currency) => currency,
  amount: (line, layout, currency) => sumInLayout(line.bookAmount, layout, currency),
  debit: (line, layout, currency) =>
    line.bookAmount > 0 ? sumInLayout(line.bookAmount, layout, currency) : "",
  credit: (line, layout, currency) =>
    line.bookAmount < 0 ? sumInLayout(-line.bookAmount, layout, currency) : "",
  reverses: (line) => (line.reverses === null ? "" : String(line.reverses)),
  again: (line) => (line.again ? "again" : ""),
};

function sumInLayout(amount: number, layout: JournalLayout, currency: Currency): string {
  const text = toDecimal(amount, currency);
  return layout.decimalMark === "," ? text.replace(".", ",") : text;
}

/** Journal lines as rows of text in a layout, in the book's currency; what was sent before is marked. */
export function journalRows(
  lines: readonly JournalFileLine[],
  layout: JournalLayout,
  currency: Currency,
): string[][] {
  return lines.map((line) =>
    layout.columns.map(({ field }) => CELLS[field](line, layout, currency)),
  );
}
