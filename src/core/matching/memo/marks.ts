import type { Reason, Spot } from "../types";

/** What a reason rests on: pieces of the memo, or the payer's name, the address, the sum. */
export type RestsOn = {
  readonly spots: readonly Spot[];
  readonly field: "name" | "email" | "sum" | null;
};

/** What each reason rests on: spots of the memo, a field of the receipt, or nothing one could mark. */
const RESTS_ON: Record<Reason["code"], "spots" | RestsOn["field"]> = {
  numbers: "spots",
  po: "spots",
  left_out: "spots",
  against_unread: "spots",
  against_number: "spots",
  against_closed: "spots",
  email: "email",
  domain: "email",
  name: "name",
  paid_before: "name",
  against_payer: "name",
  sum_one: "sum",
  sum_several: "sum",
  sum_all_open: "sum",
  sum_of_quoted: "sum",
  discount: "sum",
  discount_allowed: "sum",
  equal_items: "sum",
  credit_note: "sum",
  mended: "sum",
  sums_beside: "sum",
  against_short: "sum",
  against_over: "sum",
  against_double: "sum",
  against_also: "sum",
  on_account: "sum",
  statement: "sum",
  fee: "sum",
  claim: "sum",
  rounded: "sum",
  oldest_first: null,
  rest_next: null,
  group: null,
  remittance: null,
  habit: null,
  usual_day: null,
  surcharge: null,
  against_other_reading: null,
  against_currency: null,
  against_claimed: null,
  against_risk: null,
};

export function restsOn(reason: Reason): RestsOn {
  const on = RESTS_ON[reason.code];
  if (on !== "spots") return { spots: [], field: on };
  return { spots: "spots" in reason ? reason.spots : [], field: null };
}

/**
 * A memo in pieces, in its order; `mark` is the place of the spot in the list that was given, null
 * between them. Put together they are the memo.
 */
export type Piece = { readonly text: string; readonly mark: number | null };

/**
 * Cuts a memo at its spots. A number that was written with gaps is marked to
 * its last digit; spots that overlap an earlier one, or lie behind the end, are
 * left out.
 */
export function piecesOf(memo: string, spots: readonly Spot[]): Piece[] {
  const pieces: Piece[] = [];
  let done = 0;
  const sorted = spots.map((spot, mark) => ({ ...spot, mark })).sort((a, b) => a.at - b.at);
  for (const { at, text, mark } of sorted) {
    const end = endOf(memo, at, text);
    if (at < done || end <= at || end > memo.length) continue;
    if (at > done) pieces.push({ text: memo.slice(done, at), mark: null });
    pieces.push({ text: memo.slice(at, end), mark });
    done = end;
  }
  return done < memo.length ? [...pieces, { text: memo.slice(done), mark: null }] : pieces;
}

/** Where a piece ends that has as many letters and digits as the number that was read. */
function endOf(memo: string, at: number, text: string): number {
  let wanted = text.replace(/[^A-Za-z0-9]/g, "").length;
  let end = at;
  while (wanted > 0 && end < memo.length) {
    if (/[A-Za-z0-9]/.test(memo.charAt(end))) wanted -= 1;
    end += 1;
  }
  return wanted === 0 ? end : memo.length + 1;
}
