import { guessRowKind, ROW_KINDS, type RowKind } from "@/core/activity/index";
import { type DayOrder, parseDay } from "@/core/calendar";
import { type Currency, currencyOf } from "@/core/money";

import { type Table } from "./csv/table";
import { decimalMarkOf, type MarkFound } from "./decimalMark";
import { headWords } from "./plainWords";
import { FIELDS, type FieldSpec } from "./fields";
import type { FileKind, MappingSpec } from "./mapping";

/** Rows that a guess goes by. */
const MOST_LOOKED_AT = 2000;
/** Two digits, as nearly all currencies have, where nobody says which it is. */
const USUAL = "USD" as Currency;

const plain = headWords;

/** A first mapping from headers and contents, for people to correct. */
export function guessMapping(
  table: Table,
  kind: FileKind,
  {
    currency = USUAL,
    columns = guessColumns(table.headers, kind),
  }: { currency?: Currency; columns?: Record<string, string> } = {},
): MappingSpec {
  const cells = (types: FieldSpec["type"]): string[] =>
    FIELDS[kind]
      .filter(({ type, field }) => type === types && columns[field] !== undefined)
      .flatMap(({ field }) => column(table, columns[field] ?? ""));
  const spec: MappingSpec = {
    kind,
    columns,
    dayOrder: guessDayOrder(cells("day")),
    decimalMark: markOf(table, { kind, columns }, currency).mark,
    markSaid: false,
    rowKinds: {},
    signs: "by_kind",
    payoutSign: "as_written",
    feeSign: "cost",
  };
  return kind === "processor" ? guessProcessor(table, spec) : spec;
}

/** Field to the head of its column, by the names that columns go by, where the column fits the field. */
export function guessColumns(
  headers: readonly string[],
  kind: FileKind,
  fits: (spec: FieldSpec, header: string) => boolean = () => true,
): Record<string, string> {
  const found: Record<string, string> = {};
  const free = new Set(headers.filter((header) => header !== ""));
  const most = Math.max(...FIELDS[kind].map(({ names }) => names.length));
  for (const headOf of [plain, bareHead].map(onceEach))
    for (let rank = 0; rank < most; rank += 1) {
      for (const spec of FIELDS[kind]) {
        const { field, names, type } = spec;
        const name = names[rank];
        const header =
          found[field] !== undefined || name === undefined
            ? undefined
            : [...free].find((entry) => headOf(entry, type) === plain(name) && fits(spec, entry));
        if (header === undefined) continue;
        found[field] = header;
        free.delete(header);
      }
    }
  return kind === "bank" ? withWords(found) : found;
}

type HeadOf = (head: string, type: FieldSpec["type"]) => string;

/** The same, and each head of each type is looked at once: a field has up to forty names. */
function onceEach(headOf: HeadOf): HeadOf {
  const known = new Map<string, string>();
  return (head, type) => {
    const key = `${type} ${head}`;
    const seen = known.get(key) ?? headOf(head, type);
    known.set(key, seen);
    return seen;
  };
}

/** Words that say of a head what kind of thing stands below it, which its field says already. */
const FILLING: Partial<Record<FieldSpec["type"], RegExp>> = {
  amount:
    /\b(?:amount|sum|value|total|cents|pence|minor|units?|betrag|montant|importe|importo|bedrag|in|of)\b/g,
  day: /\b(?:date|day|datum|fecha|data|on|of|ms|utc|epoch|unix|timestamp)\b/g,
};

/** A head without them: a “Deposit amount” is a deposit, a “Processed date” when it was processed. */
function bareHead(head: string, type: FieldSpec["type"]): string {
  const filling = FILLING[type];
  return filling === undefined ? "" : plain(head).replace(filling, " ").replace(/ +/g, " ").trim();
}

/** A statement that says only who it was says it in its words. */
function withWords({ payerName, ...columns }: Record<string, string>): Record<string, string> {
  if (payerName === undefined) return columns;
  return columns.description === undefined
    ? { ...columns, description: payerName }
    : { ...columns, payerName };
}

function column(table: Table, header: string): string[] {
  const index = table.headers.indexOf(header);
  return index < 0
    ? []
    : table.rows
        .slice(0, MOST_LOOKED_AT)
        .map(({ cells }) => cells[index] ?? "")
        .filter((cell) => cell.trim() !== "");
}

/** The order under which the most dates can be read; month first where both can. */
export function guessDayOrder(cells: readonly string[]): DayOrder {
  const readable = (order: DayOrder): number =>
    cells.filter((cell) => parseDay(cell, order).ok).length;
  const orders: readonly DayOrder[] = ["ymd", "mdy", "dmy"];
  return orders.reduce((best, order) => (readable(order) > readable(best) ? order : best));
}

/** The decimal mark of a file's sums under a mapping, each read with the digits of its own currency. */
export function markOf(
  table: Table,
  { kind, columns }: Pick<MappingSpec, "kind" | "columns">,
  currency: Currency,
): MarkFound {
  const places = FIELDS[kind]
    .filter(({ type, field }) => type === "amount" && columns[field] !== undefined)
    .map(({ field }) => table.headers.indexOf(columns[field] ?? ""));
  const ofRow = table.headers.indexOf(columns.currency ?? "");
  return decimalMarkOf(
    table.rows.slice(0, MOST_LOOKED_AT).flatMap(({ cells }) => {
      const own = currencyOf((cells[ofRow] ?? "").trim()) ?? currency;
      return places.flatMap((place) => {
        const text = cells[place] ?? "";
        return text.trim() === "" ? [] : [{ text, currency: own }];
      });
    }),
  );
}

function guessProcessor(table: Table, spec: MappingSpec): MappingSpec {
  const kindHeader = spec.columns.kind;
  const words =
    kindHeader === undefined
      ? []
      : [...new Set(column(table, kindHeader).map((word) => word.trim().toLowerCase()))];
  const rowKinds = Object.fromEntries(
    words.map((word) => [word, guessRowKind(word) ?? ("ignore" as const)]),
  );
  const negative = (is: (kind: RowKind) => boolean): boolean =>
    table.rows.some(({ cells }) => {
      const word = (cells[table.headers.indexOf(kindHeader ?? "")] ?? "").trim().toLowerCase();
      const sum = cells[table.headers.indexOf(spec.columns.gross ?? spec.columns.net ?? "")] ?? "";
      return is(rowKinds[word] ?? "ignore") && /^\s*[(-]/.test(sum);
    });
  const fees = spec.columns.fee === undefined ? [] : column(table, spec.columns.fee);
  return {
    ...spec,
    rowKinds,
    signs: negative((kind) => ROW_KINDS[kind].lowers) ? "as_written" : "by_kind",
    payoutSign: negative((kind) => kind === "payout") ? "turned" : "as_written",
    feeSign:
      fees.some((cell) => /^\s*[(-]/.test(cell)) && !fees.some((cell) => /^\s*\+?[1-9]/.test(cell))
        ? "effect"
        : "cost",
  };
}
