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

type Elsewhere = OffPayout["elsewhere"][number];

/** Items that stand elsewhere and make up the difference; never all that another payout has. */
function elsewhere({ externalId, off, elsewhere: others }: OffPayout): Explanation[] {
  const leavesSome = (moved: readonly Elsewhere[]): boolean =>
    moved.every(
      ({ payout }) =>
        payout === null || others.some((item) => item.payout === payout && !moved.includes(item)),
    );
  const takenIn = (
    moved: readonly [Elsewhere, ...Elsewhere[]],
    { words, weight }: { words: string; weight: number },
  ): Explanation => {
    const [{ payout }] = moved;
    return {
      code: payout === null ? "item_missing" : "item_of_another",
      words,
      remedy: { as: "take_in", itemIds: moved.map(({ id }) => id) },
      moved: moved.map((item) => ({
        words: item.words,
        amount: item.amount,
        from: item.payout,
        to: externalId,
      })),
      weight: payout === null ? weight + 20 : weight,
    };
  };
  const stands = ({ payout }: Elsewhere): string =>
    payout === null ? "is in no payout" : `stands in payout ${payout}`;
  const single = others
    .filter((item) => item.amount === off && leavesSome([item]))
    .map((item) =>
      takenIn([item], { words: `${item.words} ${stands(item)}, and is just that`, weight: 70 }),
    );
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
      return fee && leavesSome([charge, fee])
        ? [
            takenIn([charge, fee], {
              words: `${charge.words} with its fee ${stands(charge)}`,
              weight: 68,
            }),
          ]
        : [];
    });
  return [...single, ...paired].slice(0, 4);
}

function ofItems({ externalId, off, items }: OffPayout): Explanation[] {
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
        moved: [{ words: item.words, amount: item.amount, from: externalId, to: null }],
        weight: 65,
      });
    if (item.kind === "charge" && off === -item.amount)
      found.push({
        code: "went_back",
        words: `${item.words} may have gone back: a refund or dispute that is in no file`,
        remedy: { as: "ask", item: item.id },
        moved: [],
        weight: 35,
      });
    if (off === -2 * item.amount)
      found.push({
        code: "sign",
        words: `${item.words} has the wrong sign`,
        remedy: { as: "ask", item: item.id },
        moved: [],
        weight: 55,
      });
    if (swaps(item.amount).includes(item.amount + off))
      found.push({
        code: "digits",
        words: `two digits of ${item.words} changed places: the difference is divisible by 9`,
        remedy: { as: "ask", item: item.id },
        moved: [],
        weight: 50,
      });
  }
  if (Math.abs(off) <= ROUNDING && items.length > 1)
    found.push({
      code: "rounding",
      words: "the cents were rounded item by item",
      remedy: { as: "fee", kind: "processing" },
      moved: [],
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
