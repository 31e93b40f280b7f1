import { type Day, parseDay } from "@/core/calendar";
import { type Currency, currencyOf, type Minor, parseAmount } from "@/core/money";
import { emailAddresses, maskedNumbers, MOST_IN_CELL, textProblem } from "@/core/gate";
import type { Failure } from "@/core/result";

import type { Table } from "./csv/table";
import { type MappingSpec } from "./mapping";
import { dayInZone } from "./zones";

/** A line that stays out, with the field and the reason. */
export type Refusal = {
  readonly line: number;
  readonly field: string;
  readonly column: string;
  readonly error: Failure;
};

/**
 * Other currencies than the book's are refused unless `anyCurrency` is set (matching files without
 * a book).
 */
export type ReadContext = {
  readonly bookCurrency: Currency;
  readonly timeZone: string;
  readonly anyCurrency?: boolean;
  /** Other currencies that may come, as the book has rates for them. */
  readonly others?: readonly Currency[];
};

/** Fields that people write freely: a card number that somebody put there is not taken in. */
const WRITTEN_BY_PEOPLE: ReadonlySet<string> = new Set([
  "reference",
  "description",
  "payerName",
  "payer_name",
]);

/** Which cell of a row holds each field. */
type Places = Readonly<Record<string, number>>;

function placesOf(table: Table, spec: MappingSpec): Places {
  return Object.fromEntries(
    Object.entries(spec.columns).map(([field, header]) => [field, table.headers.indexOf(header)]),
  );
}

/** Reads the cells of one row by the mapping; problems are collected, never thrown. */
export class RowReader {
  readonly problems: Refusal[] = [];

  constructor(
    private readonly places: Places,
    private readonly spec: MappingSpec,
    private readonly row: Table["rows"][number],
    private readonly context: ReadContext,
  ) {}

  get line(): number {
    return this.row.line;
  }

  text(field: string): string {
    const place = this.places[field];
    if (place === undefined) return "";
    const value = (this.row.cells[place] ?? "").trim();
    const problem = textProblem(value, MOST_IN_CELL);
    if (problem) {
      this.refuseOnce(field, { code: problem, where: field, most: MOST_IN_CELL });
      return "";
    }
    return WRITTEN_BY_PEOPLE.has(field) ? maskedNumbers(value) : value;
  }

  needed(field: string): string {
    const value = this.text(field);
    if (value === "") this.refuse(field, { code: "field.empty", field });
    return value;
  }

  /**
   * An empty cell is null; one that cannot be read is a problem. A moment in UTC becomes a day in
   * the book's time zone.
   */
  day(field: string): Day | null {
    const value = this.text(field);
    if (value === "") return null;
    const moment = /^\d{4}-\d\d-\d\dT.*(?:Z|[+-]\d\d:?\d\d)$/.test(value) ? new Date(value) : null;
    if (moment && !Number.isNaN(moment.getTime())) return dayInZone(moment, this.context.timeZone);
    const day = parseDay(value, this.spec.dayOrder);
    if (day.ok) return day.value;
    this.refuse(field, day.error);
    return null;
  }

  currency(field: string): Currency {
    const value = this.text(field);
    if (value === "") return this.context.bookCurrency;
    const currency = currencyOf(value);
    if (!currency) this.refuse(field, { code: "currency.unknown", text: value });
    else if (
      currency !== this.context.bookCurrency &&
      !this.context.anyCurrency &&
      !this.context.others?.includes(currency)
    )
      this.refuse(field, {
        code: "currency.other",
        text: currency,
        book: this.context.bookCurrency,
      });
    return currency ?? this.context.bookCurrency;
  }

  amount(field: string, currency: Currency): Minor | null {
    const value = this.text(field);
    if (value === "") return null;
    const amount = parseAmount(value, this.spec.decimalMark, currency);
    if (amount.ok) return amount.value;
    this.refuse(field, amount.error);
    return null;
  }

  /** The addresses of a cell as one text, `a@x.example, b@x.example`; null where it is empty. */
  emails(field: string): string | null {
    const value = this.text(field);
    const addresses = emailAddresses(value);
    if (addresses === null) this.refuseOnce(field, { code: "email.unreadable", text: value });
    return addresses === null || addresses.length === 0 ? null : addresses.join(", ");
  }

  /** A cell may be read more than once; it is refused once. */
  private refuseOnce(field: string, error: Failure): void {
    if (!this.problems.some((problem) => problem.field === field)) this.refuse(field, error);
  }

  refuse(field: string, error: Failure): void {
    this.problems.push({
      line: this.row.line,
      field,
      column: this.spec.columns[field] ?? "",
      error,
    });
  }
}

/** Reads every row with `read`; rows with problems are refused, the others given in order. */
export function readRows<T>(
  table: Table,
  spec: MappingSpec,
  context: ReadContext,
  read: (row: RowReader) => T | null,
): { rows: T[]; refused: Refusal[] } {
  const rows: T[] = [];
  const refused: Refusal[] = [];
  const places = placesOf(table, spec);
  for (const row of table.rows) {
    const reader = new RowReader(places, spec, row, context);
    if (
      row.cells.length > table.headers.length &&
      row.cells.slice(table.headers.length).some((cell) => cell.trim() !== "")
    ) {
      refused.push({
        line: row.line,
        field: "",
        column: "",
        error: { code: "row.fields", found: row.cells.length, expected: table.headers.length },
      });
      continue;
    }
    const value = read(reader);
    if (reader.problems.length > 0) refused.push(...reader.problems);
    else if (value !== null) rows.push(value);
  }
  return { rows, refused };
}
