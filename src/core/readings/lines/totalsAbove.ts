import { headWords, plainWords } from "@/core/formats";
import { type Currency, formatAmount, sumOf } from "@/core/money";

import type { Reading } from "../canonical";
import { type SumAbove, sumsAbove } from "../sums/sumsAbove";
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

function totalOf(reading: Reading, list: List, { words }: SumAbove): Of | null {
  const plain = plainWords(beforeColon(words).replace(/\(\d+\)/, ""));
  if (!TOTAL.test(plain)) return null;
  const name = plain.replace(TOTAL, "").trim();
  const field = addedFields(reading.cells).find(
    (one) => headWords(reading.cells.head(one)) === name,
  );
  if (field !== undefined)
    return {
      head: reading.cells.head(field),
      comes: waysOf(reading, list, field).map(whole),
    };
  if (reading.cells.file.kind !== "bank") return null;
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
