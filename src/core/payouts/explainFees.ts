import { PROCESSOR_ITEM_KINDS, type ProcessorItemKind } from "@/core/activity/index";
import { minor, sumOf } from "@/core/money";

import { type Explanation, type OffPayout } from "./explanation";

export function fees(payout: OffPayout): Explanation[] {
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
        moved: [],
        weight: before ? 95 : 60,
      };
    });
}

/** A fee that is in the file once and was taken twice, or not at all. */
function feesOfItems({ externalId, off, items }: OffPayout): Explanation[] {
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
      moved: [],
      weight: 80,
    });
  if (spared)
    found.push({
      code: "fee_not_taken",
      words: `the fee ${spared.words} was not taken`,
      remedy: { as: "take_out", itemIds: [spared.id] },
      moved: [{ words: spared.words, amount: spared.amount, from: externalId, to: null }],
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
      moved: [],
      weight: 40,
    },
  ];
}
