import type { RowKind } from "@/core/activity/index";
import { plainWords } from "@/core/formats";

import { type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";
import { isBack, tellsStanding } from "../lines/flags/flagWords";
import { kindBegun, sureKind } from "../rowWords";
import { movedIn } from "./bothSides";
import { givenBack } from "./refundsBeside";

/**
 * What a line does to the balance, as its columns write it; by what arrives where nothing was charged,
 * unless a refund beside it says why.
 */
export const movedBy = (reading: Reading, row: Row): number =>
  (sumOfCell(reading, row, "gross") || null) ??
  (givenBack(reading, row) !== 0 ? 0 : null) ??
  sumOfCell(reading, row, "net") ??
  movedIn(reading, row)[0] ??
  0;

/**
 * Where no column says the kind of a line, what its text begins with: `Payout to bank`, `Refund A.
 * Potter`. Only of lines that take money, and of disputes that were won: a charge may be for anything.
 */
export function kindsInText(reading: Reading, rows: readonly Row[]): (row: Row) => string {
  const { cells } = reading;
  const none = (): string => "";
  if (cells.has("kind")) return none;
  const places = placesOf(reading);
  const named = (at: number): number =>
    rows.filter((row) => wordIn(reading, row, row.cells[at] ?? "") !== "").length;
  const best = places.reduce<{ at: number; count: number }>(
    (found, at) => (named(at) > found.count ? { at, count: named(at) } : found),
    { at: -1, count: 0 },
  );
  if (best.at < 0) return none;
  return (row) => wordIn(reading, row, row.cells[best.at] ?? "");
}

/** The word of a kind that the text of a line begins with. */
function wordIn(reading: Reading, row: Row, text: string): string {
  if (movedBy(reading, row) < 0) return takingWord(text);
  const word = kindBegun(text);
  const kind = sureKind(word);
  if (kind === "dispute_won") return word;
  if (!GOES_BACK.has(kind)) return "";
  // Sums without a sign: what went back may be among them, and is asked about whatever its words are.
  const words = plainWords(text).split(" ").slice(0, MOST_WORDS).join(" ");
  return sureKind(words) === null ? words : `${words}, by its text`;
}

/** Kinds that a text may tell of beside a sum without a sign; a fee may be what a customer paid for. */
const GOES_BACK: ReadonlySet<RowKind | null> = new Set(["refund", "dispute", "payout"]);
const MOST_WORDS = 4;

/** Columns of words that a processor may write the kind into; somebody may be called Refund Depot. */
export const placesOf = ({ cells }: Reading): number[] => [
  ...cells.unread().flatMap(({ head, at }) => (isOfElse(head) ? [] : [at])),
  ...[cells.file.table.headers.indexOf(cells.head("reference"))].filter((at) => at >= 0),
];

/** Columns of people, and of how a line stands or what came back of it, which are asked about by that. */
const isOfElse = (head: string): boolean =>
  OF_SOMEBODY.test(plainWords(head)) || isBack("processor", head) || tellsStanding(head);

const OF_SOMEBODY =
  /\b(?:name|payer|payor|payee|customer|client|company|business|buyer|contact|merchant|member|donor|kunde|cliente?|nom|nombre)\b/;

/** A kind that a line which takes money can be. */
function takingWord(text: string): string {
  const word = kindBegun(text);
  return ["charge", "started", "dispute_won", null].includes(sureKind(word)) ? "" : word;
}
