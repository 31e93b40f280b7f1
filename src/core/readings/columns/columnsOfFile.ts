import {
  FIELDS,
  type FieldSpec,
  type FileKind,
  guessColumns,
  plainWords,
  type Table,
} from "@/core/formats";
import { currencyOf } from "@/core/money";

import { areEntryCodes } from "../activity/achCodes";
import { isNothing } from "../canonical";
import { areOrders, columnsByContents } from "./columnsByContents";
import { type Contents, contentsOf, isDate, isSum } from "./contents";
import { withCustomerCodes } from "./customerCodes";
import { withCustomerName } from "./customerName";
import { foreignColumns } from "./foreignColumns";
import { kindsBySigns } from "./kindsBySigns";
import { isOwnAccount } from "./ownAccount";
import { withNetTotal } from "./netTotal";
import { areNoIds, areNumbers, areSame } from "./noIds";
import { provenColumns } from "./provenColumns";
import { withSumOfElse } from "./sumOfElse";
import { writtenDay } from "../days/writtenDay";
import { returnColumns } from "./returnColumns";
import { sureKind, sureState } from "../rowWords";

/**
 * Field to the head of its column: by the names that columns go by, by what the columns hold, and by
 * what their sums prove of one another. A first mapping, for people to correct.
 */
export const columnsOfFile = (table: Table, kind: FileKind): Record<string, string> =>
  foreignColumns(table, kind, provenColumns(table, kind, columnsHeld(table, kind)));

/** The same without what sums prove: a proof says what a column is once it is known what the lines are. */
export function columnsHeld(table: Table, kind: FileKind): Record<string, string> {
  if (table.kind !== undefined) return guessColumns(table.headers, kind);
  const cellsOf = contentsOf(table);
  const byName = (headers: readonly string[]): Record<string, string> => {
    const named = guessColumns(
      headers,
      kind,
      (spec, head) => fits(spec, head, cellsOf(head)) && !isOfElse(table, spec, head, cellsOf),
    );
    return plainest(withFilled(headers, kind, cellsOf, named), kind === "processor");
  };
  const named = byName(table.headers);
  const all = { ...named, ...columnsByContents(table, kind, cellsOf, named) };
  const found =
    kind === "returns"
      ? returnColumns(table, all, cellsOf)
      : withSums(table, kind, { columns: withOnlyDay(withOwnId(all)), cellsOf });
  const kinds =
    kind === "processor" && found.kind === undefined ? kindsBySigns(table, found) : null;
  if (kinds === null) return found;
  const others = byName(table.headers.filter((head) => head !== kinds));
  return { ...others, ...columnsByContents(table, kind, cellsOf, others), kind: kinds };
}

/** Where the sums of a list, and its customers, stand under heads of something else. */
const withSums = (
  table: Table,
  kind: FileKind,
  { columns, cellsOf }: { columns: Record<string, string>; cellsOf: Contents },
): Record<string, string> =>
  withSumOfElse(table, kind, {
    columns: withNetTotal(table, kind, withCustomers(table, kind, columns)),
    cellsOf,
  });

const withCustomers = (
  table: Table,
  kind: FileKind,
  columns: Record<string, string>,
): Record<string, string> => withCustomerCodes(table, kind, withCustomerName(table, kind, columns));

/** Of words that are needed a column that holds some goes before one of a better name that holds none. */
function withFilled(
  headers: readonly string[],
  kind: FileKind,
  cellsOf: Contents,
  named: Record<string, string>,
): Record<string, string> {
  const isEmpty = ({ field, type, needed }: FieldSpec): boolean =>
    needed === true &&
    type === "text" &&
    named[field] !== undefined &&
    cellsOf(named[field]).length === 0;
  const open = FIELDS[kind].filter(isEmpty);
  if (open.length === 0) return named;
  const filled = headers.filter((head) => cellsOf(head).length > 0);
  const others = guessColumns(filled, kind, (spec, head) => fits(spec, head, cellsOf(head)));
  const taken = new Set(Object.values(named));
  return open.reduce((columns, { field }) => {
    const head = others[field];
    return head === undefined || taken.has(head) ? columns : { ...columns, [field]: head };
  }, named);
}

/** Where no column says what a line is, and none has an id, what names a charge names the line. */
function withOwnId({ relatedId, ...columns }: Record<string, string>): Record<string, string> {
  if (relatedId === undefined) return columns;
  return columns.id === undefined && columns.kind === undefined
    ? { ...columns, id: relatedId }
    : { ...columns, relatedId };
}

/** The only day of a list is that of its lines, be it when they settled or were paid out. */
function withOnlyDay(columns: Record<string, string>): Record<string, string> {
  const { settledOn, payoutOn, ...others } = columns;
  if (columns.occurredOn !== undefined) return columns;
  if (settledOn !== undefined)
    return { ...others, ...(payoutOn === undefined ? {} : { payoutOn }), occurredOn: settledOn };
  return payoutOn === undefined ? columns : { ...others, occurredOn: payoutOn };
}

/** Columns of money in and out say what a column of sums says already. */
function plainest(columns: Record<string, string>, isActivity: boolean): Record<string, string> {
  // One side alone says nothing of the other.
  const both = columns.moneyIn !== undefined && columns.moneyOut !== undefined;
  const isSaid = (columns.gross ?? columns.total) !== undefined;
  const sides: readonly string[] = [
    ...(isSaid || (!both && isActivity) ? ["moneyIn", "moneyOut"] : []),
    ...(isSaid ? ["debit", "credit"] : []),
  ];
  return Object.fromEntries(Object.entries(columns).filter(([field]) => !sides.includes(field)));
}

/** What stands beside a sum may be how often and not how much: payments 2, refunds 0. */
const isCounted = (field: string): boolean => /^(paid|credited|refunded|fee2|feeTax)$/.test(field);
const isCount = (cell: string): boolean => /^\d{1,3}$/.test(cell);

/** Heads of shares in a hundred, which are no sums. */
const RATE = /%|\b(?:percent|pct|rate)\b/i;

/** How a card was read is no kind of what was done. */
const ENTRY_MODE =
  /^(?:chip|tap|dip|swiped?|keyed|manual|contactless|e-?commerce|moto|inserted|mag ?stripe|emv|nfc|icc)$/i;

/** A day of eight digits (`20261202`), which would be millions. */
const isEightDay = (cell: string): boolean => /^\d{8}$/.test(cell) && isDate(cell);

const holdsSums = (field: string, cells: readonly string[]): boolean =>
  cells.some(isSum) && !(isCounted(field) && cells.every(isCount)) && !cells.every(isEightDay);

/** Whether a column by its name is something else by what it holds. */
function isOfElse(table: Table, { field }: FieldSpec, head: string, cellsOf: Contents): boolean {
  if (field === "customerId") return isOwnAccount(table, head);
  if (field === "parentId")
    return plainWords(head) === "group" && !namesLines(table, head, cellsOf);
  if (field === "id") return areNoIds(head, cellsOf(head));
  if (field === "payoutId") return plainWords(head) === "deposit" && areNumbers(cellsOf(head));
  if (field === "reference") return areEntryCodes(head, cellsOf(head));
  if (field !== "payerName") return false;
  // A company that is the same on every line is whose list it is.
  return areOrders(head, cellsOf) || (/^company\b/i.test(head) && areSame(cellsOf(head)));
}

/** Whether a cell of a column is the whole cell of another: a group of customers may be what sort they are. */
function namesLines(table: Table, head: string, cellsOf: Contents): boolean {
  const others = table.headers.filter((other) => other !== head);
  const all = new Set(others.flatMap((other) => cellsOf(other).map((cell) => plainWords(cell))));
  return cellsOf(head).some((cell) => all.has(plainWords(cell)));
}

/** The way that money went, or the kind of a card. */
const WAY = /^(?:credit|debit)$/i;

/** Sums, days, ways to read a card, or states of what was done say nothing of what it was. */
const areNoKinds = (cells: readonly string[]): boolean =>
  cells.every((cell) => isSum(cell) || isDate(cell) || ENTRY_MODE.test(cell)) ||
  cells.every((cell) => WAY.test(cell)) ||
  (cells.every((cell) => sureState(cell) !== null && sureKind(cell) === null) &&
    cells.some((cell) => sureState(cell) === "counts"));

/** Sums, and not days alone, but those that are as good as numbers. */
const areAmounts = (cells: readonly string[]): boolean =>
  cells.some(isSum) && (!cells.every(isDate) || cells.some(isEightDay));

/** Whether a column holds anything that its field could be; an empty one may hold it another time. */
function fits(
  { field, type, needed }: FieldSpec,
  head: string,
  filled: readonly string[],
): boolean {
  if (type === "amount" && RATE.test(head)) return false;
  const cells = filled.filter((cell) => !isNothing(cell));
  if (cells.length === 0) return true;
  // A head that may be of a sum as well as of a day is what it holds.
  if (needed) return type !== "amount" || areAmounts(cells);
  if (type === "kind") return !areNoKinds(cells);
  if (field === "brand") return !cells.every((cell) => isSum(cell) && /[.,]\d\d$/.test(cell));
  if (/^id$|Id$/.test(field)) return !cells.every((cell) => isSum(cell) && /[.,]\d\d$/.test(cell));
  if (type === "amount") return holdsSums(field, cells);
  if (type === "currency")
    return cells.some((cell) => currencyOf(cell.toUpperCase()) !== undefined);
  return type === "day" ? cells.some((cell) => writtenDay(cell) !== null) : true;
}
