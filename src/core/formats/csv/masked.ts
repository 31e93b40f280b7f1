import { maskedNumbers, writtenOver } from "@/core/gate";

import { FIELDS } from "../fields";
import { plainWords } from "../plainWords";
import { delimiterOf } from "./delimiter";
import { SHEET_MARK } from "./sheets";

/** Heads of a bank account of somebody, whatever the list is of. */
const OF_A_BANK =
  /\b(?:bank|payer|payee|sender|recipient|receiver|remitter|originator|beneficiary|counter ?party)(?:'?s)? ?(?:bank ?)?(?:account|acct|a\/c)\b(?! ?(?:name|type|holder))|\biban\b|\brdfi account\b|\bauftragskonto\b|\btegenrekening\b/i;
/** Heads of an account that is a bank's in a statement, and perhaps a customer's elsewhere. */
const OF_AN_ACCOUNT: ReadonlySet<string> = new Set(
  FIELDS.bank.find(({ field }) => field === "account")?.names ?? [],
);
/** Heads that stand beside a bank account's number alone. */
const BESIDE_A_BANK = /\b(?:routing|aba|sort ?code|bic|swift|blz|bankleitzahl|bsb|ifsc|transit)\b/i;
/** Heads of a statement, and heads that no statement has. */
const OF_A_STATEMENT =
  /\b(?:balance|debits?|credits?|withdrawals?|deposits?|saldo|solde|soll|haben|valuta|value date|post(?:ed|ing) ?(?:on|date)|buchung\w*|description|narrative|payee|transaction date)\b/i;
const OF_A_LEDGER =
  /\b(?:customer|client|invoice|document|voucher|order|due|terms|bill(?:ing|ed)?|aging|kunde\w*|rechnung\w*|facture|cliente|fattura|factura|klant|factuur)\b/i;

/** Lines in which a head is looked for. */
const MOST_BEFORE_HEAD = 60;
/** A number with its groups: of so many digits, by how sure it is that the column has a bank's. */
const NUMBERS = {
  sure: /(?<!\d)\d(?:[ -]?\d){5,39}/g,
  likely: /(?<!\d)\d(?:[ -]?\d){7,39}/g,
} as const;

type Column = { readonly at: number; readonly number: RegExp };

/**
 * Separated values as they may be kept: of card numbers, of IBANs, and of what a column calls a bank's
 * account, the last four digits. Everything else stays sign by sign.
 */
export function maskedCsv(text: string): string {
  if (
    !/acc(?:oun)?t|a\/c|konto|compte|cuenta|conto|rekening|conta|iban/i.test(text.slice(0, 40_000))
  )
    return maskedNumbers(text);
  const parts = text.split(/(\r\n|\n|\r)/);
  const delimiter = delimiterOf(text);
  const above = linesAbove(parts, delimiter);
  let columns: readonly Column[] = [];
  let [seen, before]: [number, Place] = [0, BEGIN];
  const kept = parts.map((line, at) => {
    if (at % 2 === 1) return line;
    if (line.startsWith(SHEET_MARK)) [columns, seen] = [[], 0];
    seen += 1;
    if (above.has(at)) return line.replace(NAMED_ABOVE, (_, ...found: string[]) => over(found));
    if (columns.length === 0 && seen > MOST_BEFORE_HEAD) return line;
    const { cells, end } = cellsOf(line, delimiter, before);
    const first = before.at;
    before = end;
    if (columns.length === 0) columns = columnsOf(cells);
    return cells.map((cell, nth) => withoutNumber(cell, first + nth, columns)).join(delimiter);
  });
  return maskedNumbers(kept.join(""));
}

/** An account that a line above the head of a statement names; a day is none. */
const NAMED_ABOVE =
  /(\b(?:accounts?|acct|a\/c|konto\w{0,10}|compte|cuenta|conto|rekening\w{0,10}|conta)\b[^\d\n]{0,40})(?!(?:19|20)\d\d[ -]?\d\d[ -]?\d\d\b|\d\d[ -]\d\d[ -]\d{4}\b)(\d(?:[ -]?\d){7,39})/gi;

const over = ([before = "", number = ""]: readonly string[]): string =>
  before + writtenOver(number);

/** The parts of a text that stand above the head of a statement, by sheet where it has several. */
function linesAbove(parts: readonly string[], delimiter: string): ReadonlySet<number> {
  const found = new Set<number>();
  let waiting: number[] | null = [];
  for (const [at, line] of parts.entries()) {
    if (at % 2 === 1) continue;
    if (line.startsWith(SHEET_MARK)) waiting = [];
    if (waiting === null || waiting.length >= MOST_BEFORE_HEAD) continue;
    const head = headIn(cellsOf(line, delimiter, BEGIN).cells);
    if (!head?.isLikely && !head?.isSure) waiting.push(at);
    else {
      for (const one of waiting) found.add(one);
      waiting = null;
    }
  }
  return found;
}

/** Where a line begins: in which cell, and whether within its quotes, as the line before left it. */
type Place = { readonly at: number; readonly isQuoted: boolean };
const BEGIN: Place = { at: 0, isQuoted: false };

/** The cells of a line as they stand, quotes and all; a cell of several lines goes on in the next. */
function cellsOf(
  line: string,
  delimiter: string,
  { at, isQuoted: within }: Place,
): { cells: string[]; end: Place } {
  if (!within && !line.includes('"')) return { cells: line.split(delimiter), end: BEGIN };
  const cells: string[] = [];
  let [from, isQuoted] = [0, within];
  for (let here = 0; here < line.length; here += 1) {
    const sign = line[here];
    if (sign === delimiter && !isQuoted) {
      cells.push(line.slice(from, here));
      from = here + 1;
    }
    if (sign !== '"') continue;
    const first = here;
    while (line[here + 1] === '"') here += 1;
    // A quote opens a cell where it stands first, and two of them are one that belongs to it (RFC 4180).
    if ((here - first) % 2 === 0) isQuoted = !isQuoted && line.slice(from, first).trim() === "";
  }
  cells.push(line.slice(from));
  return { cells, end: isQuoted ? { at: at + cells.length - 1, isQuoted } : BEGIN };
}

type Head = {
  readonly heads: readonly string[];
  /** A bank's code stands beside, or the heads are those of a statement. */
  readonly isSure: boolean;
  readonly isLikely: boolean;
};

/** What a line says as a head; null where it is none. */
function headIn(cells: readonly string[]): Head | null {
  const heads = cells.map((cell) => cell.replace(/["*]/g, "").replace(/_/g, " ").trim());
  if (heads.filter((head) => head !== "").length < 3 || heads.some((head) => /\d{3}/.test(head)))
    return null;
  const has = (words: RegExp): boolean => heads.some((head) => words.test(head));
  return {
    heads,
    isSure: has(BESIDE_A_BANK),
    isLikely: has(OF_A_STATEMENT) && !has(OF_A_LEDGER),
  };
}

/** Columns of a head in which a bank's account numbers stand; none where the line is no head. */
function columnsOf(cells: readonly string[]): Column[] {
  const { heads = [], isSure = false, isLikely = false } = headIn(cells) ?? {};
  return heads.flatMap((head, at): Column[] => {
    if (OF_A_BANK.test(head) || (isSure && OF_AN_ACCOUNT.has(plainWords(head))))
      return [{ at, number: NUMBERS.sure }];
    return isLikely && OF_AN_ACCOUNT.has(plainWords(head)) ? [{ at, number: NUMBERS.likely }] : [];
  });
}

function withoutNumber(cell: string, at: number, columns: readonly Column[]): string {
  const column = columns.find((one) => one.at === at);
  return column ? cell.replace(column.number, writtenOver) : cell;
}
