import {
  FIELDS,
  FILE_KINDS,
  type FileKind,
  missingFields,
  plainWords,
  type Table,
} from "@/core/formats";

import { areActivity, chargesGoBothWays, hasActivityWords, kindsSaid } from "./activityWords";
import { isAddressBook } from "./addressBook";
import { isOnMost } from "./contents";
import { columnsHeld } from "./columnsOfFile";
import {
  hasHeads,
  OF_DOCUMENTS,
  OF_NO_ADVICE,
  OF_ORIGINATORS,
  OF_OTHERS,
  OF_PAYMENTS,
  OF_WHAT_ARRIVES,
} from "./headsOfKinds";
import { likeliestKinds } from "./likelyKinds";
import { areDocuments, saysDocuments, tellsAccount } from "./namesDocuments";
import { withPayouts } from "./paysOutWhole";
import type { Columns } from "./sheet";
import { writtenSum } from "../sums/sumCells";

/** Rows that the kind of a file is told by. */
const MOST_LOOKED_AT = 2000;

/** What a kind of file has that no other has: one of these proves it. */
const SIGNS_OF_KIND: Readonly<
  Record<FileKind, (has: Has, table: Table, columns: Columns) => boolean>
> = {
  customers: (has) => has("name") && (has("email") || has("phone") || has("externalId")),
  invoices: (has) => has("number") && has("customerId") && (has("dueOn") || has("balance")),
  processor: (has, table, columns) =>
    has("occurredOn") &&
    ((saysWho(columns) &&
      (has("fee") || has("payoutId") || hasActivityWords(table, columns)) &&
      !saysDocuments(table, columns.kind) &&
      !chargesGoBothWays(table, columns)) ||
      listsPayouts(columns)),
  bank: (has, table, columns) =>
    has("postedOn") &&
    (has("balance") ||
      (has("moneyIn") && has("moneyOut") && !hasHeads(OF_ORIGINATORS, table, columns))) &&
    !saysDocuments(table, columns.direction) &&
    !tellsAccount(table, columns.description) &&
    !hasHeads(OF_DOCUMENTS, table, columns),
  remittance: (has, table, columns) =>
    has("number") &&
    has("amount") &&
    has("trace") &&
    has("paidOn") &&
    !hasHeads(OF_WHAT_ARRIVES, table, columns),
  returns: (has, table, columns) =>
    has("code") && has("originalTrace") && isOnMost(table, columns.code),
};

type Has = (field: string) => boolean;

const needed = (kind: FileKind, columns: Columns): boolean =>
  FIELDS[kind].every(
    ({ needed: must, field }) =>
      !must ||
      columns[field] !== undefined ||
      (field === "total" && (columns.debit ?? columns.balance) !== undefined),
  );

const MONEY_HEAD = /\b(amount|total|gross|net|balance|debit|credit|betrag|montant|importe|sum)\b/;

/**
 * Which kind a file is: the one whose own marks it bears and no other's; else the kinds that it could
 * be, for a question.
 */
export function kindsOf(
  table: Table,
  kinds: readonly FileKind[] = FILE_KINDS,
): { sure: FileKind | null; possible: readonly FileKind[] } {
  const allOf = (kind: FileKind): Columns => columnsHeld(table, kind);
  const columnsOf = (kind: FileKind): Columns => filledColumns(table, allOf(kind));
  if (table.headLine === 0) return { sure: null, possible: kinds };
  const hasSums = holdsSums(table);
  const money = hasSums || table.headers.some((head) => MONEY_HEAD.test(plainWords(head)));
  const readable = kinds.filter(
    (kind) => needed(kind, allOf(kind)) && (kind !== "processor" || saysWho(columnsOf(kind))),
  );
  const bearing = kinds.filter((kind) => {
    const columns = columnsOf(kind);
    if (kind === "customers" && money && !isAddressBook(table)) return false;
    return SIGNS_OF_KIND[kind]((field) => columns[field] !== undefined, table, columns);
  });
  const marked = withPayouts(bearing, table, columnsOf);
  const [only, ...others] = marked.length > 1 ? narrowed(marked, table, columnsOf) : marked;
  if (only !== undefined && others.length === 0) return { sure: only, possible: marked };
  const unsure = (among: readonly FileKind[]): ReturnType<typeof kindsOf> => ({
    sure: null,
    possible: likeliestKinds(table, among, { columnsOf, hasSums }),
  });
  if (marked.length > 1) return unsure(marked);
  const possible = readable.filter((kind) => kind !== "customers" || !money);
  // What reads like a statement or activity and names documents may be what a customer owes.
  if (possible.length > 1) return unsure(areDocuments(table, columnsOf) ? kinds : possible);
  const [single] = possible;
  // What can be read as one kind alone, and has what that kind never has, may be any other.
  return single === undefined || isOfOthers(table, single, columnsOf)
    ? unsure(kinds)
    : { sure: single, possible };
}

/** Whether a column holds sums with their decimals, whatever it is called. */
function holdsSums({ headers, rows }: Table): boolean {
  const looked = rows.slice(0, MOST_LOOKED_AT);
  return headers.some((_, at) => {
    const cells = looked.map((row) => (row.cells[at] ?? "").trim()).filter((cell) => cell !== "");
    return (
      cells.length > 0 &&
      cells.every((cell) => /\d[.,]\d\d\D{0,4}$/.test(cell) && writtenSum(cell) !== null)
    );
  });
}

/** A processor says what its lines are, who paid, or by what it knows them; and what was paid. */
const saysWho = (columns: Columns): boolean =>
  ["id", "kind", "payerName", "payerEmail", "method"].some(
    (field) => columns[field] !== undefined,
  ) && missingFields({ kind: "processor", columns }).length === 0;

/** A list of payouts calls them so, and says what arrived. */
const listsPayouts = (columns: Columns): boolean =>
  /\bpayouts?\b/.test(plainWords(columns.payoutId ?? "")) &&
  missingFields({ kind: "processor", columns }).length === 0;

/** Activity that has what only invoices or an advice of a payment have: a due day, a number beside its sum. */
function isOfOthers(table: Table, kind: FileKind, columnsOf: (kind: FileKind) => Columns): boolean {
  if (kind === "bank")
    return hasHeads(OF_OTHERS, table, columnsOf(kind)) || areDocuments(table, columnsOf);
  if (kind === "invoices") return hasHeads(OF_PAYMENTS, table, columnsOf(kind));
  if (kind === "remittance") return hasHeads(OF_NO_ADVICE, table, columnsOf(kind));
  if (kind !== "processor") return false;
  // A list of days and sums is anybody's, unless each of its words is one that processors have.
  if (!areActivity(table, columnsOf(kind))) return true;
  const advice = columnsOf("remittance");
  const isAdvice = advice.number !== undefined && advice.amount !== undefined;
  return (
    columnsOf("invoices").dueOn !== undefined || (isAdvice && columnsOf(kind).id === undefined)
  );
}

/** Columns that hold something: an empty one says nothing of what a file is. */
function filledColumns({ headers, rows }: Table, columns: Columns): Columns {
  const looked = rows.slice(0, MOST_LOOKED_AT);
  return Object.fromEntries(
    Object.entries(columns).filter(([, head]) => {
      const at = headers.indexOf(head);
      return looked.some(({ cells }) => (cells[at] ?? "").trim() !== "");
    }),
  );
}

/** What activity has and a statement with fees beside its sums has not; where a balance goes on, less. */
const OWN = ["id", "net", "payoutId", "payerEmail", "method"];
const OWN_BESIDE_BALANCE = ["net", "payerEmail", "method"];

const isOwn = (table: Table, columns: Columns): boolean =>
  (columns.balance === undefined ? OWN : OWN_BESIDE_BALANCE).some(
    (field) => columns[field] !== undefined,
  ) || [...kindsSaid(table, columns)].some((kind) => kind !== null);

/** Of kinds whose marks are all there, the one that has the others' and more: fees make a statement activity. */
function narrowed(
  marked: readonly FileKind[],
  table: Table,
  columnsOf: (kind: FileKind) => Columns,
): readonly FileKind[] {
  const has = (kind: FileKind, field: string): boolean => columnsOf(kind)[field] !== undefined;
  if (marked.includes("returns")) return ["returns"];
  if (marked.includes("processor") && has("processor", "fee") && !has("invoices", "dueOn"))
    return marked.includes("bank") && !isOwn(table, columnsOf("processor"))
      ? ["processor", "bank"]
      : ["processor"];
  if (marked.includes("invoices") && has("invoices", "dueOn"))
    return marked.filter(
      (kind) => kind !== "customers" && kind !== "bank" && kind !== "remittance",
    );
  return marked.filter((kind) => kind !== "customers");
}
