import { type FeeKind, type ProcessorItemKind } from "./itemKinds";

type RowTraits = {
  /** What a clerk calls it when columns are mapped. */
  label: string;
  /** The words by which a file names it; tried by rank, the narrowest first. */
  words: RegExp | null;
  rank: number;
  /** Whether it lowers what the processor owes, where a file writes sums without a sign. */
  lowers: boolean;
  /** The item it becomes; null where it becomes none. */
  item: Exclude<ProcessorItemKind, "opening"> | null;
  /** In which order rows are taken in, so that what refers to others finds them; null where it is no item. */
  order: number | null;
  /** What is counted when it was taken in. */
  counted: string;
  /** The kind of the fee that stands on its own row. */
  fee: FeeKind;
};

/** What a row of a processor's file may be. `payout` is a line of its own; `ignore` is not of this job. */
export const ROW_KINDS = {
  charge: {
    label: "charge",
    words: /charge|payment|sale|capture|debit|receipt/,
    rank: 11,
    lowers: false,
    item: "charge",
    order: 0,
    counted: "receipts, at their gross",
    fee: "processing",
  },
  fee: {
    label: "fee",
    words: /fee|cost/,
    rank: 9,
    lowers: true,
    item: "fee",
    order: 1,
    counted: "fees, as an expense",
    fee: "processing",
  },
  refund: {
    label: "refund",
    words: /refund/,
    rank: 6,
    lowers: true,
    item: "refund",
    order: 4,
    counted: "refunds",
    fee: "processing",
  },
  dispute: {
    label: "dispute",
    words: /dispute|chargeback/,
    rank: 5,
    lowers: true,
    item: "dispute",
    order: 5,
    counted: "disputes opened",
    fee: "dispute",
  },
  dispute_won: {
    label: "dispute won",
    words:
      /^(?:(?!dispute|chargeback).)*(?:dispute|chargeback).*(?:won|revers|returned to you|reinstat)/s,
    rank: 4,
    lowers: false,
    item: "dispute",
    order: 7,
    counted: "disputes won",
    fee: "dispute",
  },
  dispute_fee: {
    label: "dispute fee",
    words: /^(?=.*(?:dispute|chargeback)).*fee/s,
    rank: 2,
    lowers: true,
    item: "dispute_fee",
    order: 6,
    counted: "dispute fees",
    fee: "processing",
  },
  ach_return: {
    label: "ACH return",
    words: /return|reject/,
    rank: 7,
    lowers: true,
    item: "ach_return",
    order: 8,
    counted: "ACH returns",
    fee: "return",
  },
  return_fee: {
    label: "return fee",
    words: /^(?=.*return).*fee/s,
    rank: 3,
    lowers: true,
    item: "return_fee",
    order: 9,
    counted: "return fees",
    fee: "processing",
  },
  reserve: {
    label: "reserve",
    words: /reserve|hold/,
    rank: 8,
    lowers: false,
    item: "reserve",
    order: 3,
    counted: "reserves held or released",
    fee: "processing",
  },
  adjustment: {
    label: "adjustment",
    words: /adjust|correction/,
    rank: 10,
    lowers: false,
    item: "adjustment",
    order: 2,
    counted: "adjustments",
    fee: "processing",
  },
  started: {
    label: "debit on its way",
    words: /\b(pending|initiated|started|submitted|in process|processing debit)\b/,
    rank: 0,
    lowers: false,
    item: null,
    order: 10,
    counted: "debits on their way",
    fee: "processing",
  },
  payout: {
    label: "payout",
    words:
      /^(?!.*(?:failed|cancel+ed)).*(?:pay ?out|transfer to bank|withdrawal to bank|deposit to bank)/,
    rank: 1,
    lowers: false,
    item: null,
    order: null,
    counted: "payouts",
    fee: "processing",
  },
  ignore: {
    label: "not of this job",
    // What has ended is no row of its own: what it was is looked up.
    words: /pay ?out (?:failed|cancel+ed)|(?:failed|cancel+ed) pay ?out/,
    rank: 12,
    lowers: false,
    item: null,
    order: null,
    counted: "rows not of this job",
    fee: "processing",
  },
} as const satisfies Record<string, RowTraits>;
export type RowKind = keyof typeof ROW_KINDS;

export const ROW_KIND_NAMES = Object.keys(ROW_KINDS) as RowKind[];

/** Rows that become items, or debits on their way, in the order in which they are taken in. */
export type ActivityKind = Exclude<RowKind, "payout" | "ignore">;
export const ACTIVITY_ORDER: readonly ActivityKind[] = ROW_KIND_NAMES.filter(
  (kind): kind is ActivityKind => ROW_KINDS[kind].order !== null,
).sort((a, b) => ROW_KINDS[a].order - ROW_KINDS[b].order);

const BY_RANK = [...ROW_KIND_NAMES].sort((a, b) => ROW_KINDS[a].rank - ROW_KINDS[b].rank);

/** The kind of row a word stands for, by the trade's words; undefined where none fits. */
export function guessRowKind(word: string): RowKind | undefined {
  const lower = word.toLowerCase().replace(/[_-]+/g, " ");
  return BY_RANK.find((kind) => ROW_KINDS[kind].words?.test(lower) ?? false);
}
