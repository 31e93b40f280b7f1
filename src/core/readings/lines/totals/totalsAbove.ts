import type { RowKind } from "@/core/activity/index";
import { headWords, plainWords } from "@/core/formats";
import { type Currency, formatAmount, sumOf } from "@/core/money";

import type { Reading } from "../../canonical";
import { type SumAbove, sumsAbove } from "../../sums/sumsAbove";
import {
  addedFields,
  countedLines,
  type Found,
  type List,
  NOTHING_FOUND,
  oneWay,
  onlyCurrency,
  type Way,
  waysOf,
} from "./addedUp";

/** Words of a total above a list, in six languages (common practice, no source). */
const TOTAL =
  /^(?:grand )?(?:totals?|sum|summe|gesamt|totale|totaal|suma)\b(?: of)? ?|\b(?:totals?|summe|gesamt)$/;
/** What came in and what went out of an account, behind such a word. */
const INTO =
  /^(?:credits?|deposits?|deposits credits|money in|paid in|in|received|gutschriften|haben)$/;
const OUT_OF =
  /^(?:debits?|withdrawals?|withdrawals debits|money out|paid out|out|payments|lastschriften|soll)$/;

/** What a total above a list is of: a column, or one way of the money of a statement. */
type Of = { readonly head: string; readonly comes: readonly number[] };

/**
 * Totals that stand above a list, held against what its columns come to, as its lines stand or as they
 * were understood; those of a statement against what came in and what went out.
 */
export function totalsAbove(reading: Reading, list: List): Found {
  const { answers } = reading.cells.file;
  const currency = onlyCurrency(reading, countedLines(list));
  if (currency === null || answers.totals !== undefined) return NOTHING_FOUND;
  const held = sumsAbove(reading).flatMap((said) => {
    const of = totalOf(reading, list, said);
    return of ? [{ said, of }] : [];
  });
  const off = held.find(
    ({ said, of }) => !of.comes.some((sum) => Math.abs(sum) === Math.abs(said.sum)),
  );
  if (off) return { questions: [offQuestion(off, currency)], proofs: [] };
  const names = held.map(({ said }) => `“${beforeColon(said.words).trim().slice(0, 40)}”`);
  return {
    questions: [],
    proofs:
      names.length === 0
        ? []
        : [
            `${names.join(", ")} above the list ${names.length === 1 ? "is" : "are"} what its lines come to`,
          ],
  };
}

/** What a total is called that names no column: it is that of one of them. */
const OF_ANY = /^(?:amount|remittance|payment|invoices?|open|report|list|file)?$/;

/** Kinds of activity as the totals above a list name them. */
const OF_KIND: Readonly<Record<string, RowKind>> = {
  charge: "charge",
  sale: "charge",
  payment: "charge",
  refund: "refund",
  payout: "payout",
  dispute: "dispute",
  chargeback: "dispute",
};

function totalOf(reading: Reading, list: List, { words }: SumAbove): Of | null {
  const plain = plainWords(beforeColon(words).replace(/\(\d+\)/, ""));
  if (!TOTAL.test(plain)) return null;
  const name = plain.replace(TOTAL, "").trim();
  const { cells } = reading;
  const fields = addedFields(cells);
  const wholes = (field: string): number[] => waysOf(reading, list, field).map(whole);
  const field = fields.find((one) => singular(headWords(cells.head(one))) === singular(name));
  if (field !== undefined) return { head: cells.head(field), comes: wholes(field) };
  if (cells.file.kind === "bank") return ofOneWay(reading, list, name);
  const kind = cells.file.kind === "processor" ? OF_KIND[singular(name)] : undefined;
  if (kind !== undefined) return { head: name, comes: [ofKind(reading, list, kind)] };
  return OF_ANY.test(name)
    ? { head: beforeColon(words).trim(), comes: fields.flatMap(wholes) }
    : null;
}

/** One of a thing that stands as several. */
const singular = (name: string): string => name.replace(/s$/, "");

/** What the lines of a kind come to, as they were understood. */
const ofKind = (reading: Reading, { made, ...list }: List, kind: RowKind): number => {
  const lines = made.filter(({ fields }) => fields.kind === kind);
  const [, , asMade] = waysOf(reading, { ...list, made: lines }, "gross");
  return asMade ? whole(asMade) : 0;
};

function ofOneWay(reading: Reading, list: List, name: string): Of | null {
  const sign = wayIn(name);
  if (sign === null) return null;
  const ways = waysOf(reading, list, "amount").map((way) => oneWay(way, sign));
  return { head: name, comes: ways.map(whole) };
}

const beforeColon = (words: string): string => words.split(":")[0] ?? "";

/** Which way of the money a name says. */
function wayIn(name: string): 1 | -1 | null {
  if (INTO.test(name)) return 1;
  return OUT_OF.test(name) ? -1 : null;
}

const whole = (way: Way): number => sumOf([...way.values()], (sum) => sum);

const offQuestion = ({ said, of }: { said: SumAbove; of: Of }, currency: Currency) => ({
  key: "totals",
  words: `Above the list stands that “${of.head}” comes to ${formatAmount(said.sum, currency)}; its lines come to ${formatAmount(nearest(of.comes, said.sum), currency)}. A line may be missing.`,
  choices: [{ answer: "take", result: "take the lines in as they stand" }],
});

const nearest = (comes: readonly number[], sum: number): number =>
  comes.reduce((a, b) => (apart(b, sum) < apart(a, sum) ? b : a), comes[0] ?? 0);
const apart = (a: number, b: number): number => Math.abs(Math.abs(a) - Math.abs(b));
