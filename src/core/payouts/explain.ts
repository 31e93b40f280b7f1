import { minor, sumOf, type Minor } from "@/core/money";

import { type FeeKind, PROCESSOR_ITEM_KINDS, type ProcessorItemKind } from "../activity";

export type Item = {
  readonly id: number;
  readonly kind: ProcessorItemKind;
  readonly amount: Minor;
  readonly externalId: string;
  readonly words: string;
};
/** A payout that is off: what the bank got less what its items make. */
export type OffPayout = {
  readonly off: Minor;
  readonly items: readonly Item[];
  /** Items of the processor account that are in no payout, or in another that is open. */
  readonly elsewhere: readonly (Item & { readonly payout: string | null })[];
  /** What the processor took for a dispute or a return before, each sum once. */
  readonly usual: { readonly dispute: readonly Minor[]; readonly return: readonly Minor[] };
};

/** What one key would book for it. */
export type Remedy =
  | { readonly as: "fee"; readonly kind: FeeKind }
  | { readonly as: "take_in"; readonly itemIds: readonly number[] }
  | { readonly as: "take_out"; readonly itemIds: readonly number[] }
  | {
      readonly as: "ask";
      /** Nothing can be booked: the file is wrong, and must be mended at its source. */
      readonly item: number;
    };
export type Explanation = {
  readonly code:
    | "fee_missing"
    | "fee_twice"
    | "fee_not_taken"
    | "item_missing"
    | "item_of_another"
    | "item_not_paid"
    | "went_back"
    | "digits"
    | "sign"
    | "rounding";
  readonly words: string;
  readonly remedy: Remedy;
  readonly weight: number;
};

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

function fees(payout: OffPayout): Explanation[] {
  return [...feesOfReturns(payout), ...feesOfItems(payout), ...chargesWithoutFee(payout)];
}

/** What comes back costs a fee as a rule; the sum that the processor usually takes says so. */
function feesOfReturns({ off, items, usual }: OffPayout): Explanation[] {
  if (off >= 0) return [];
  const has = (kind: ProcessorItemKind): boolean => items.some((item) => item.kind === kind);
  const kinds = [
    ["dispute", "dispute", "dispute_fee", "a dispute"],
    ["return", "ach_return", "return_fee", "a returned debit"],
  ] as const;
  return kinds
    .filter(([, from, fee]) => has(from) && !has(fee))
    .map(([kind, , , what]): Explanation => {
      const before = usual[kind].includes(minor(-off));
      return {
        code: "fee_missing",
        words: `${what} is in it without a fee${before ? ", and the processor took this very sum before" : ""}`,
        remedy: { as: "fee", kind },
        weight: before ? 95 : 60,
      };
    });
}

/** A fee that is in the file once and was taken twice, or not at all. */
function feesOfItems({ off, items }: OffPayout): Explanation[] {
  const twice = items.find((item) => item.kind === "fee" && item.amount === off);
  const spared = items.find(
    (item) => PROCESSOR_ITEM_KINDS[item.kind].feeKind !== null && item.amount === -off,
  );
  const found: Explanation[] = [];
  if (twice)
    found.push({
      code: "fee_twice",
      words: `the fee ${twice.words} was taken twice`,
      remedy: { as: "fee", kind: "processing" },
      weight: 80,
    });
  if (spared)
    found.push({
      code: "fee_not_taken",
      words: `the fee ${spared.words} was not taken`,
      remedy: { as: "take_out", itemIds: [spared.id] },
      weight: 75,
    });
  return found;
}

function chargesWithoutFee({ off, items }: OffPayout): Explanation[] {
  const charges = items.filter(({ kind }) => kind === "charge");
  const without = charges.length - items.filter(({ kind }) => kind === "fee").length;
  if (off >= 0 || without <= 0 || -off * 8 >= sumOf(charges, ({ amount }) => amount)) return [];
  return [
    {
      code: "fee_missing",
      words: `${without === 1 ? "a charge has" : `${without} charges have`} no fee in the file`,
      remedy: { as: "fee", kind: "processing" },
      weight: 40,
    },
  ];
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
