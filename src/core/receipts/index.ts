import { fail, ok, type Result } from "@/core/result";
import { add, minor, type Minor } from "@/core/money";

export const METHODS = [
  "card",
  "ach_debit",
  "ach_credit",
  "wire",
  "check",
  "cash",
  "money_order",
  "other",
] as const;
export type Method = (typeof METHODS)[number];

/**
 * Where a receipt by hand lies: with us, in a deposit on its way, on the statement, or taken back
 * as a mistake.
 */
export type HandState = "on_hand" | "deposited" | "banked" | "void";

/** Where a receipt stands. `returned`: all of it went back, by a return, a refund or a lost dispute. */
export type ReceiptState = "to_match" | "placed" | "set_aside" | "returned";

/**
 * What has become of a receipt's money; the eight parts always sum to the amount. onAccount is
 * below zero after a refund of money that had been applied.
 */
export type Parts = {
  readonly unidentified: Minor;
  readonly onAccount: Minor;
  readonly applied: Minor;
  readonly parked: Minor;
  /** What was no payment of an invoice but other income. */
  readonly income: Minor;
  /** What was paid on top of the invoices, as agreed. */
  readonly surcharge: Minor;
  /** What came for a debt that had been given up. */
  readonly recovered: Minor;
  readonly goneBack: Minor;
};

export type ReceiptEvent =
  | {
      readonly kind: "placed";
      readonly applied: Minor;
      readonly onAccount: Minor;
      readonly surcharge: Minor;
      readonly recovered: Minor;
    }
  | { readonly kind: "moved_from_account"; readonly applied: Minor }
  | { readonly kind: "set_aside" }
  | { readonly kind: "other_income" }
  | { readonly kind: "taken_back" }
  | { readonly kind: "gone_back"; readonly parts: Omit<Parts, "goneBack"> };

type Moved = { readonly state: ReceiptState; readonly parts: Parts };

/**
 * The only way a receipt changes: the state machine of its life. Errors:
 * receipt.not_to_match where it was already dealt with, receipt.sum where the
 * parts would not come out.
 */
export function move(
  state: ReceiptState,
  parts: Parts,
  event: ReceiptEvent,
): Result<Moved, "receipt.not_to_match" | "receipt.sum"> {
  switch (event.kind) {
    case "placed":
      if (state !== "to_match") return fail("receipt.not_to_match", { state });
      if (
        add(event.applied, event.onAccount, event.surcharge, event.recovered) !==
          parts.unidentified ||
        event.onAccount < 0 ||
        event.surcharge < 0 ||
        event.recovered < 0
      )
        return fail("receipt.sum");
      return ok({
        state: "placed",
        parts: {
          ...parts,
          unidentified: minor(0),
          applied: add(parts.applied, event.applied),
          onAccount: add(parts.onAccount, event.onAccount),
          surcharge: add(parts.surcharge, event.surcharge),
          recovered: add(parts.recovered, event.recovered),
        },
      });
    case "moved_from_account":
      if (state !== "placed") return fail("receipt.not_to_match", { state });
      if (event.applied > parts.onAccount) return fail("receipt.sum");
      return ok({
        state,
        parts: {
          ...parts,
          applied: add(parts.applied, event.applied),
          onAccount: add(parts.onAccount, -event.applied),
        },
      });
    case "set_aside":
      if (state !== "to_match") return fail("receipt.not_to_match", { state });
      return ok({
        state: "set_aside",
        parts: { ...parts, unidentified: minor(0), parked: add(parts.parked, parts.unidentified) },
      });
    case "other_income":
      if (state !== "to_match") return fail("receipt.not_to_match", { state });
      return ok({
        state: "set_aside",
        parts: { ...parts, unidentified: minor(0), income: add(parts.income, parts.unidentified) },
      });
    case "taken_back": {
      // More may have gone back than came in: what is missing stays on account, below zero, and
      // nothing is left to match.
      const left = add(
        parts.unidentified,
        parts.applied,
        parts.onAccount,
        parts.parked,
        parts.income,
        parts.surcharge,
        parts.recovered,
      );
      return ok({
        state: left > 0 ? "to_match" : "returned",
        parts: {
          ...parts,
          unidentified: minor(Math.max(0, left)),
          onAccount: minor(Math.min(0, left)),
          applied: minor(0),
          parked: minor(0),
          income: minor(0),
          surcharge: minor(0),
          recovered: minor(0),
        },
      });
    }
    case "gone_back":
      return goneBack(parts, event.parts, state);
    default:
      throw event satisfies never;
  }
}

function goneBack(
  parts: Parts,
  back: Omit<Parts, "goneBack">,
  state: ReceiptState,
): Result<Moved, "receipt.sum"> {
  const next: Parts = {
    unidentified: add(parts.unidentified, -back.unidentified),
    onAccount: add(parts.onAccount, -back.onAccount),
    applied: add(parts.applied, -back.applied),
    parked: add(parts.parked, -back.parked),
    income: add(parts.income, -back.income),
    surcharge: add(parts.surcharge, -back.surcharge),
    recovered: add(parts.recovered, -back.recovered),
    goneBack: add(
      parts.goneBack,
      back.unidentified,
      back.onAccount,
      back.applied,
      back.parked,
      back.income,
      back.surcharge,
      back.recovered,
    ),
  };
  if (
    next.unidentified < 0 ||
    next.applied < 0 ||
    next.parked < 0 ||
    next.income < 0 ||
    next.surcharge < 0 ||
    next.recovered < 0
  )
    return fail("receipt.sum");
  const onlyGone =
    next.unidentified === 0 &&
    next.applied === 0 &&
    next.parked === 0 &&
    next.income === 0 &&
    next.surcharge === 0 &&
    next.recovered === 0 &&
    next.onAccount <= 0;
  return ok({ state: onlyGone ? "returned" : state, parts: next });
}

/** The reverse of `gone_back`, for an undo: the parts as they were. */
export function allToMatch(amount: Minor): Parts {
  return {
    unidentified: amount,
    onAccount: minor(0),
    applied: minor(0),
    parked: minor(0),
    income: minor(0),
    surcharge: minor(0),
    recovered: minor(0),
    goneBack: minor(0),
  };
}

export {
  mendBy,
  RATE_DAYS,
  returnableUntil,
  returnCodeOf,
  returnRates,
  retryOf,
  type RateName,
  type ReturnCode,
  type ReturnRate,
} from "./returnCodes";
