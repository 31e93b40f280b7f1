import type { Day } from "@/core/calendar";
import {
  type FileKind,
  missingFields,
  type ProcessorRecord,
  readActivity,
  readBankLine,
  type ReadContext,
  readInvoice,
  readRows,
  readTable,
} from "@/core/formats";
import type { Currency } from "@/core/money";
import { columnsOfFile, kindsOf, understand, type UnderstoodFile } from "@/core/readings";

import { bankExport } from "./bank";
import { Dice } from "./dice";
import { type Truth, truthOf } from "./export";
import { invoiceExport } from "./invoices";
import { processorExport } from "./processor";
import { twisted } from "./twists";

/** What became of an export: taken in right, asked about, refused with its lines named, or wrong without a word. */
export type Verdict = {
  readonly is: "right" | "asked" | "refused" | "wrong";
  readonly why: string;
};

const CONTEXT: ReadContext = { bookCurrency: "USD" as Currency, timeZone: "America/New_York" };
const TODAY = "2026-11-28" as Day;

type Told = { readonly rows: string[]; readonly refused: number };

/** The records that a file was understood as, in the words in which the truth is told. */
const RECORDS: Partial<Record<FileKind, (read: UnderstoodFile) => Told>> = {
  bank(read) {
    const seen = new Map<string, number>();
    const { rows, refused } = readRows(read.table, read.mapping, CONTEXT, (row) =>
      readBankLine(row, seen),
    );
    return {
      rows: rows.map(({ postedOn, amount, description }) => `${postedOn} ${amount} ${description}`),
      refused: refused.length,
    };
  },
  invoices(read) {
    const { rows, refused } = readRows(read.table, read.mapping, CONTEXT, readInvoice);
    return {
      rows: rows.map(
        ({ number, customerId, issuedOn, dueOn, total, balance }) =>
          `${number} ${customerId} ${issuedOn} ${dueOn} ${total} ${balance}`,
      ),
      refused: refused.length,
    };
  },
  processor(read) {
    const { rows, refused } = readRows(read.table, read.mapping, CONTEXT, (row) =>
      readActivity(row, read.mapping),
    );
    return { rows: rows.map(activityWords), refused: refused.length };
  },
};

function activityWords(items: readonly ProcessorRecord[]): string {
  const [item, fee] = items;
  if (!item) return "nothing";
  if (item.kind === "payout") return `${item.externalId} ${item.paidOn} payout ${item.net} 0`;
  const cost = fee && fee.kind !== "payout" ? -fee.amount : 0;
  return `${item.externalId} ${item.occurredOn} ${item.kind} ${item.amount} ${cost}`;
}

/** Reads an export as the program does, and holds what it says against what is true. */
export function judged(truth: Truth): Verdict {
  const table = readTable(truth.text);
  if (!table.ok) return { is: "refused", why: table.error.code };
  const columnsOf = (kind: FileKind): Record<string, string> => columnsOfFile(table.value, kind);
  const kind = kindsOf(table.value).sure;
  if (kind === null) return { is: "asked", why: "kind" };
  if (kind !== truth.kind) return { is: "wrong", why: `kind ${kind}` };
  const [missing] = missingFields({ kind, columns: columnsOf(kind) });
  if (missing !== undefined) return { is: "asked", why: `field ${missing}` };
  const read = understand(
    { table: table.value, kind, columns: columnsOf(kind), answers: {} },
    { today: TODAY, cutOverOn: null, currency: CONTEXT.bookCurrency, timeZone: CONTEXT.timeZone },
  );
  if (read.questions.length > 0)
    return { is: "asked", why: read.questions.map(({ key }) => key).join(" ") };
  const told = RECORDS[kind]?.(read) ?? { rows: [], refused: 0 };
  // Where no column is an id, a line goes by what it says.
  const isNamed = kind !== "processor" || columnsOf(kind).id !== undefined;
  const nameless = (rows: readonly string[]): string[] =>
    (isNamed ? [...rows] : rows.map((row) => row.replace(/^.* (?=\d{4}-\d\d-\d\d )/, ""))).sort();
  return compared(nameless(truth.rows), nameless(told.rows), told.refused + read.refused.length);
}

/** Lines that are missing are no lie where as many were refused; a line that is not true always is. */
function compared(truth: readonly string[], told: readonly string[], refused: number): Verdict {
  if (JSON.stringify(told) === JSON.stringify(truth)) return { is: "right", why: "" };
  const untrue = told.find((row) => !truth.includes(row));
  if (untrue === undefined && refused > 0) return { is: "refused", why: `${refused} lines` };
  const missing = truth.find((row) => !told.includes(row));
  return { is: "wrong", why: `${untrue ?? "nothing"} for ${missing ?? "nothing"}` };
}

const MAKERS = [bankExport, processorExport, invoiceExport] as const;
/** 2026-05-31 as days since 1970: exports are of the half year before today. */
const LAST_DAY = 20_604;

/** One export of a known history, by its number: the same every time. */
export function exportOf(seed: number): Truth {
  const dice = new Dice(seed);
  const make = MAKERS[seed % MAKERS.length] ?? bankExport;
  return truthOf(make(dice, LAST_DAY - dice.upTo(150)));
}

/** One of them twisted: with what programs put around, between and beside the lines of a list. */
export function twistedOf(seed: number): Truth {
  const dice = new Dice(seed);
  const make = MAKERS[seed % MAKERS.length] ?? bankExport;
  return truthOf(twisted(dice, make(dice, LAST_DAY - dice.upTo(150))));
}
