import { type FeeKind, type ProcessorItemKind } from "@/core/activity/index";
import { type Minor } from "@/core/money";

export type Item = {
  readonly id: number;
  readonly kind: ProcessorItemKind;
  readonly amount: Minor;
  readonly externalId: string;
  readonly words: string;
};

/** A payout that is off: what the bank got less what its items make. */
export type OffPayout = {
  readonly externalId: string;
  readonly off: Minor;
  readonly items: readonly Item[];
  /** Items of the processor account that are in no payout, or in another that is open. */
  readonly elsewhere: readonly (Item & { readonly payout: string | null })[];
  /** What the processor took for a dispute or a return before, each sum once. */
  readonly usual: { readonly dispute: readonly Minor[]; readonly return: readonly Minor[] };
};

/** An item that changes its place; `from` and `to` name payouts, null: none. */
export type MovedItem = {
  readonly words: string;
  readonly amount: Minor;
  readonly from: string | null;
  readonly to: string | null;
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
  /** What it would move into the payout or out of it, item by item; empty where it moves nothing. */
  readonly moved: readonly MovedItem[];
  readonly weight: number;
};
