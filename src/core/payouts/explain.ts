import { fees } from "./explainFees";
import { type Explanation, type OffPayout } from "./explanation";

const ROUNDING = 5;

/**
 * What would explain a difference, best first: each with what it would book.
 * Nothing is booked by it. The checks are the bookkeeper's own: a difference
 * that is a fee seen before, an item's own sum, twice an item (its sign is
 * turned), or divisible by 9 (two digits changed places: any swap of neighbours
 * changes a number by a multiple of 9).
 */
export function explanationsOf(payout: OffPayout): Explanation[] {
  if (payout.off === 0) return [];
  return [...fees(payout), ...elsewhere(payout), ...ofItems(payout)].sort(
    (a, b) => b.weight - a.weight,
  );
}

function elsewhere({ off, elsewhere: others }: OffPayout): Explanation[] {
  const single = others
    .filter(({ amount }) => amount === off)
    .map((item): Explanation => ({
      code: item.payout === null ? "item_missing" : "item_of_another",
      words: `${item.words} ${item.payout === null ? "is in no payout" : `stands in payout ${item.payout}`}, and is just that`,
      remedy: { as: "take_in", itemIds: [item.id] },
      weight: item.payout === null ? 90 : 70,
    }));
  // A charge comes with its fee.
  const paired = others
    .filter(({ kind }) => kind === "charge")
    .flatMap((charge): Explanation[] => {
      const fee = others.find(
        (item) =>
          item.kind === "fee" &&
          item.payout === charge.payout &&
          charge.amount + item.amount === off,
      );
      return fee
        ? [
            {
              code: charge.payout === null ? "item_missing" : "item_of_another",
              words: `${charge.words} with its fee ${charge.payout === null ? "is in no payout" : `stands in payout ${charge.payout}`}`,
              remedy: { as: "take_in", itemIds: [charge.id, fee.id] },
              weight: charge.payout === null ? 88 : 68,
            },
          ]
        : [];
    });
  return [...single, ...paired].slice(0, 4);
}

function ofItems({ off, items }: OffPayout): Explanation[] {
  const found: Explanation[] = [];
  for (const item of items) {
    if (
      item.amount === -off &&
      ["charge", "refund", "ach_return", "dispute", "adjustment"].includes(item.kind)
    )
      found.push({
        code: "item_not_paid",
        words: `${item.words} is in it, and was not paid out with it`,
        remedy: { as: "take_out", itemIds: [item.id] },
        weight: 65,
      });
    if (item.kind === "charge" && off === -item.amount)
      found.push({
        code: "went_back",
        words: `${item.words} may have gone back: a refund or dispute that is in no file`,
        remedy: { as: "ask", item: item.id },
        weight: 35,
      });
    if (off === -2 * item.amount)
      found.push({
        code: "sign",
        words: `${item.words} has the wrong sign`,
        remedy: { as: "ask", item: item.id },
        weight: 55,
      });
    if (off % 9 === 0 && swaps(item.amount).includes(item.amount + off))
      found.push({
        code: "digits",
        words: `two digits of ${item.words} changed places: the difference is divisible by 9`,
        remedy: { as: "ask", item: item.id },
        weight: 50,
      });
  }
  if (Math.abs(off) <= ROUNDING && items.length > 1)
    found.push({
      code: "rounding",
      words: "the cents were rounded item by item",
      remedy: { as: "fee", kind: "processing" },
      weight: 30,
    });
  return found;
}

/** A sum with two neighbouring digits in each other's place, in every way. */
function swaps(amount: number): number[] {
  const digits = String(Math.abs(amount));
  return Array.from(
    { length: digits.length - 1 },
    (_, at) =>
      Math.sign(amount) *
      Number(
        digits.slice(0, at) + digits.charAt(at + 1) + digits.charAt(at) + digits.slice(at + 2),
      ),
  );
}
