import type { Reason, Spot } from "../types";

/** What a reason rests on: pieces of the memo, or the payer's name, the address, the sum. */
export type RestsOn = {
  readonly spots: readonly Spot[];
  readonly field: "name" | "email" | "sum" | null;
};

export function restsOn(reason: Reason): RestsOn {
  switch (reason.code) {
    case "numbers":
    case "po":
    case "left_out":
    case "against_unread":
    case "against_number":
    case "against_closed":
      return { spots: reason.spots, field: null };
    case "email":
    case "domain":
      return { spots: [], field: "email" };
    case "name":
    case "paid_before":
    case "against_payer":
      return { spots: [], field: "name" };
    case "sum_one":
    case "sum_several":
    case "sum_all_open":
    case "sum_of_quoted":
    case "discount":
    case "equal_items":
    case "credit_note":
    case "mended":
    case "sums_beside":
    case "against_short":
    case "against_over":
    case "against_double":
    case "against_also":
    case "on_account":
      return { spots: [], field: "sum" };
    case "group":
    case "remittance":
    case "habit":
    case "usual_day":
    case "surcharge":
    case "against_other_reading":
    case "against_currency":
    case "against_claimed":
      return { spots: [], field: null };
    default:
      throw reason satisfies never;
  }
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
