import { formatDayAs, type Day, type DayOrder } from "@/core/calendar";
import { toDecimal, type Currency, type DecimalMark, type Minor } from "@/core/money";

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

/** Journal lines as rows of text in a layout, in the book's currency; what was sent before is marked. */
export function journalRows(
  lines: readonly JournalFileLine[],
  layout: JournalLayout,
  currency: Currency,
): string[][] {
  const sum = (amount: number): string => {
    const text = toDecimal(amount, currency);
    return layout.decimalMark === "," ? text.replace(".", ",") : text;
  };
  const cell = (line: JournalFileLine, field: JournalField): string => {
    switch (field) {
      case "entry_id":
        return String(line.entryId);
      case "posted_on":
        return formatDayAs(line.postedOn, layout.dayOrder);
      case "event":
        return line.event;
      case "document":
        return line.document;
      case "party":
        return line.party ?? "";
      case "account":
        return layout.accounts[line.code] ?? line.code;
      case "account_name":
        return line.name;
      case "currency":
        return currency;
      case "amount":
        return sum(line.bookAmount);
      case "debit":
        return line.bookAmount > 0 ? sum(line.bookAmount) : "";
      case "credit":
        return line.bookAmount < 0 ? sum(-line.bookAmount) : "";
      case "reverses":
        return line.reverses === null ? "" : String(line.reverses);
      case "again":
        return line.again ? "again" : "";
      default:
        throw field satisfies never;
    }
  };
  return lines.map((line) => layout.columns.map(({ field }) => cell(line, field)));
}
