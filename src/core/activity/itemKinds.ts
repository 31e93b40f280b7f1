/**
 * What a processor reports, each kind declared once with everything that differs by kind. Orders,
 * signs, words, columns and fees of it are read from here; a kind without a row does not compile.
 */

/** What a fee is for; each kind has its own expense account and its own item. */
export const FEE_KINDS = {
  processing: { item: "fee", label: "processing fee" },
  dispute: { item: "dispute_fee", label: "dispute fee" },
  return: { item: "return_fee", label: "return fee" },
} as const;

export type FeeKind = keyof typeof FEE_KINDS;

/** The terms of a payout's sum line. */
export const PAYOUT_COLUMNS = ["charges", "fees", "refunds", "disputes", "other"] as const;

export type PayoutColumn = (typeof PAYOUT_COLUMNS)[number];

type ItemTraits = {
  label: string;
  /** Where it stands in a payout's sum line. */
  column: PayoutColumn;
  /** What it is the fee for; null where it is none. */
  feeKind: FeeKind | null;
};

/** What stands in a processor's clearing account, item by item. */
export const PROCESSOR_ITEM_KINDS = {
  charge: { label: "charge", column: "charges", feeKind: null },
  fee: { label: "fee", column: "fees", feeKind: "processing" },
  refund: { label: "refund", column: "refunds", feeKind: null },
  dispute: { label: "dispute", column: "disputes", feeKind: null },
  dispute_fee: { label: "dispute fee", column: "fees", feeKind: "dispute" },
  ach_return: { label: "ACH return", column: "other", feeKind: null },
  return_fee: { label: "return fee", column: "fees", feeKind: "return" },
  reserve: { label: "reserve", column: "other", feeKind: null },
  adjustment: { label: "adjustment", column: "other", feeKind: null },
  opening: { label: "opening", column: "other", feeKind: null },
} as const satisfies Record<string, ItemTraits>;

export type ProcessorItemKind = keyof typeof PROCESSOR_ITEM_KINDS;

export const PROCESSOR_ITEM_KIND_NAMES = Object.keys(PROCESSOR_ITEM_KINDS) as ProcessorItemKind[];

/** The kinds of items in a column of a payout's sum line. */
export function kindsInColumn(column: PayoutColumn): ProcessorItemKind[] {
  return PROCESSOR_ITEM_KIND_NAMES.filter((kind) => PROCESSOR_ITEM_KINDS[kind].column === column);
}
