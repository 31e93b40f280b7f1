import { ROW_KINDS, type RowKind } from "@/core/activity";
import { type Day, formatDay } from "@/core/calendar";
import { FIELDS, type FileKind, type Table } from "@/core/formats";
import { type Currency, currencyOf, formatMoney, parseAmount } from "@/core/money";

/** How many lines are shown as they are understood. */
const SHOWN = 6;

type Shown = { day: string; sum: string; what: string; who: string };
/** Which fields of a kind say its day, its sum, what it is, and whom it is of; the first that is filled. */
const SHOWN_FIELDS: Readonly<Record<FileKind, Readonly<Record<keyof Shown, readonly string[]>>>> = {
  bank: { day: ["postedOn"], sum: ["amount"], what: [], who: ["description"] },
  processor: {
    day: ["occurredOn"],
    sum: ["gross"],
    what: ["kind"],
    who: ["payerName", "reference", "payoutId"],
  },
  invoices: {
    day: ["dueOn", "issuedOn"],
    sum: ["balance", "total"],
    what: ["number"],
    who: ["customerId"],
  },
  customers: { day: [], sum: [], what: ["externalId"], who: ["name"] },
  remittance: { day: ["paidOn"], sum: ["amount"], what: ["number"], who: ["payerName"] },
  returns: { day: ["on"], sum: ["amount"], what: ["code"], who: ["name"] },
};

/** A kind of row as people say it; anything else as it is. */
const kindInWords = (text: string): string =>
  text in ROW_KINDS ? ROW_KINDS[text as RowKind].label : text;

/** The first lines of a file in the agreed layout, in a clerk's words. */
export function understoodLines(
  kind: FileKind,
  table: Table,
  { today, currency }: { today: Day; currency: Currency },
): ({ line: number } & Shown)[] {
  const at = new Map(
    FIELDS[kind].map(({ field, names }) => [field, table.headers.indexOf(names[0] ?? field)]),
  );
  return table.rows.slice(0, SHOWN).map(({ line, cells }) => {
    const first = (fields: readonly string[]): string =>
      fields.map((field) => cells[at.get(field) ?? -1] ?? "").find((cell) => cell !== "") ?? "";
    const { day, sum, what, who } = SHOWN_FIELDS[kind];
    const own = currencyOf(first(["currency"])) ?? currency;
    const amount = parseAmount(first(sum), ".", own);
    return {
      line,
      day: /^\d{4}-\d\d-\d\d$/.test(first(day)) ? formatDay(first(day) as Day, today) : first(day),
      sum: amount.ok ? formatMoney(amount.value, own, currency) : first(sum),
      what: kindInWords(first(what)),
      who: first(who).slice(0, 60),
    };
  });
}
