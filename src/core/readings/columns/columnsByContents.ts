import { FIELDS, type FileKind, headWords, plainWords, type Table } from "@/core/formats";

import { type Contents, isDate, isSum, MOST_LOOKED_AT } from "./contents";
import { codesIn } from "./codesOfKinds";
import { sureKindOf } from "../invoices/documentWords";
import { groupColumn } from "../lines/groupedRows";
import { tellsStanding } from "../lines/flags/flagWords";
import { isTotalWord, MAIN_DAY } from "../lines/rowsLeftOut";
import { statementColumns } from "./statementColumns";
import { sureKind } from "../rowWords";

/** What a column without a known name is by its cells alone. */
export function columnsByContents(
  table: Table,
  kind: FileKind,
  cellsOf: Contents,
  named: Readonly<Record<string, string>>,
): Record<string, string> {
  const taken = new Set(Object.values(named));
  const free = table.headers.filter((head) => head !== "" && !taken.has(head));
  if (table.headLine === 0) return withoutHead(kind, free, cellsOf);
  if (kind === "bank") return statementColumns(free, cellsOf, named, table.rows.length);
  const words = WORDS[kind];
  const isIn = (all: (cells: readonly string[]) => boolean): string | undefined =>
    free.find((head) => !tellsStanding(head) && all(cellsOf(head)));
  const found: Record<string, string | null | undefined> = {
    ...(words ? { [words.field]: isIn(words.all) ?? codesIn(kind, free, cellsOf) } : {}),
    ...(kind === "processor"
      ? { id: idIn(free, cellsOf, table), reference: free.find((head) => areOrders(head, cellsOf)) }
      : {}),
    ...(kind === "invoices"
      ? { customerId: groupColumn(table), number: orderIn(free, cellsOf, table) }
      : {}),
    ...(kind === "returns" ? { code: free.find((head) => areCodes(cellsOf(head))) } : {}),
    ...dayIn(kind, free, cellsOf, named),
  };
  return held(
    Object.fromEntries(
      Object.entries(found).filter(
        ([field, head]) => named[field] === undefined && head && free.includes(head),
      ),
    ),
  );
}

/** The fields that a column was found for. */
const held = (found: Readonly<Record<string, string | null | undefined>>): Record<string, string> =>
  Object.fromEntries(
    Object.entries(found).flatMap(([field, head]) => (head ? [[field, head]] : [])),
  );

/** A code of letters and digits, as what happened goes by. */
const CODE = /^(?=.*\d)(?=.*[A-Za-z_#-])[\w#-]{3,40}$/;
/** Digits of a card or an account behind marks, and columns of who or where: they go by nothing. */
const MASKED = /^[x*•.]+\d{2,4}$/i;
/** Heads of what may be an id: a code of something else may come again with another payment. */
const ID_HEAD =
  /\b(id|key|number|reference|transaction|payment|charge|trace|token|uuid|activity)\b|^column \d+$/;
const OF_SOMEBODY =
  /\b(account|card|phone|zip|postcode|customer|client|payer|payor|donor|member|student|tenant|patient|buyer|individual|receiver|person|user|contact|company|merchant|terminal|location|store|device|register|employee|cashier|vendor|iban|routing|last)\b/;

/** A column of codes of which no two lines have the same, and every line has one. */
const idIn = (free: readonly string[], cellsOf: Contents, { rows }: Table): string | undefined =>
  free.find((head) => {
    const cells = cellsOf(head);
    const plain = headWords(head);
    if (!ID_HEAD.test(plain) || OF_SOMEBODY.test(plain) || cells.some((cell) => MASKED.test(cell)))
      return false;
    const isWhole = cells.length >= Math.min(rows.length, MOST_LOOKED_AT);
    return (
      isWhole &&
      new Set(cells).size === cells.length &&
      cells.every((cell) => CODE.test(cell) && !isDate(cell))
    );
  });

/** Shops call an order by its number with a sign before it, in a column of its name. */
export const areOrders = (head: string, cellsOf: Contents): boolean =>
  /^(?:name|order|order name)$/.test(headWords(head)) &&
  cellsOf(head).length > 0 &&
  cellsOf(head).every((cell) => /^#?[A-Z]{0,5}-?\d{2,12}$/.test(cell));

const orderIn = (free: readonly string[], cellsOf: Contents, { rows }: Table): string | undefined =>
  free.find((head) => {
    const cells = cellsOf(head);
    return (
      areOrders(head, cellsOf) &&
      cells.length >= Math.min(rows.length, MOST_LOOKED_AT) &&
      new Set(cells).size === cells.length
    );
  });

/** Columns of few different words of which more than a third is known to be kinds; the others are asked about. */
const WORDS: Partial<
  Record<FileKind, { field: string; all: (cells: readonly string[]) => boolean }>
> = {
  invoices: { field: "type", all: (cells) => areKinds(cells, sureKindOf) },
  processor: { field: "kind", all: (cells) => areKinds(cells, sureKind) },
};

/** Kinds are few different words; a column of more is none of them. */
const MOST_KINDS = 15;

function areKinds(all: readonly string[], kindOf: (word: string) => string | null): boolean {
  const words = new Set(all);
  const known = all.filter((cell) => kindOf(cell) !== null).length;
  // What nobody knows and has a number in it goes by that number.
  const areWords = all.every((cell) => kindOf(cell) !== null || !/\d/.test(cell));
  return words.size > 1 && words.size <= MOST_KINDS && known * 3 > all.length && areWords;
}

/** Codes of returns and of changes (Nacha Operating Rules, Appendix Four). */
const areCodes = (cells: readonly string[]): boolean =>
  cells.length > 0 && cells.every((cell) => /^[RC]\d\d$/.test(cell));

/** A total has its name where others have their day. */
const isDateOrTotal = (cell: string): boolean => isDate(cell) || isTotalWord(plainWords(cell));

/** The only column of days, where none has the name of one. */
function dayIn(
  kind: FileKind,
  free: readonly string[],
  cellsOf: Contents,
  named: Readonly<Record<string, string>>,
): Record<string, string | undefined> {
  const field = MAIN_DAY[kind];
  const days = FIELDS[kind].filter(({ type }) => type === "day");
  if (field === undefined || days.some((day) => named[day.field] !== undefined)) return {};
  const [only, ...others] = free.filter(
    (head) => cellsOf(head).some(isDate) && cellsOf(head).every(isDateOrTotal),
  );
  // The day of what was paid is not the day on which it was.
  const isOfDocument =
    kind === "remittance" && /\b(?:inv|invoice|doc|document|bill)\b/.test(headWords(only ?? ""));
  return others.length === 0 && !isOfDocument ? { [field]: only } : {};
}

/** The fields that a list without a head surely needs, by kind: its day, its sum, its words. */
const MAIN: Partial<Record<FileKind, { day: string; sum: string; words: string }>> = {
  bank: { day: "postedOn", sum: "amount", words: "description" },
  processor: { day: "occurredOn", sum: "gross", words: "reference" },
  invoices: { day: "issuedOn", sum: "total", words: "description" },
};

/** A list without a head, to begin with: the first day, the only sum, the longest words. */
function withoutHead(
  kind: FileKind,
  free: readonly string[],
  cellsOf: Contents,
): Record<string, string> {
  const main = MAIN[kind];
  if (!main) return {};
  const all = (head: string, is: (cell: string) => boolean): boolean =>
    cellsOf(head).length > 0 && cellsOf(head).every(is);
  const day = free.find((head) => all(head, isDate));
  const sums = free.filter(
    (head) => all(head, isSum) && /[.,]\d\d\b/.test(cellsOf(head).join(" ")),
  );
  const length = (head: string): number => cellsOf(head).join("").length;
  const [words] = free
    .filter((head) => !all(head, isDate) && !all(head, isSum))
    .sort((a, b) => length(b) - length(a));
  return {
    ...(day === undefined ? {} : { [main.day]: day }),
    ...(sums.length === 1 && sums[0] !== undefined ? { [main.sum]: sums[0] } : {}),
    ...(words === undefined ? {} : { [main.words]: words }),
  };
}
