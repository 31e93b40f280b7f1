import { add, minor, type Minor } from "@/core/money";
import { fail, ok, type Result } from "@/core/result";

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

type MoveProblem = "receipt.not_to_match" | "receipt.sum";

/** The parts besides what is to match and what went back. */
const STANDING = ["applied", "parked", "income", "surcharge", "recovered"] as const;
const PARTS = ["unidentified", "onAccount", ...STANDING] as const;

/**
 * The only way a receipt changes: the state machine of its life. Errors:
 * receipt.not_to_match where it was already dealt with, receipt.sum where the
 * parts would not come out.
 */
export function move(
  state: ReceiptState,
  parts: Parts,
  event: ReceiptEvent,
): Result<Moved, MoveProblem> {
  switch (event.kind) {
    case "placed":
      return placed(state, parts, event);
    case "moved_from_account":
      return movedFromAccount(state, parts, event.applied);
    case "set_aside":
      return setAside(state, parts, "parked");
    case "other_income":
      return setAside(state, parts, "income");
    case "taken_back":
      return takenBack(parts);
    case "gone_back":
      return goneBack(parts, event.parts, state);
    default:
      throw event satisfies never;
  }
}

function placed(
  state: ReceiptState,
  parts: Parts,
  event: Extract<ReceiptEvent, { kind: "placed" }>,
): Result<Moved, MoveProblem> {
  const { applied, onAccount, surcharge, recovered } = event;
  if (state !== "to_match") return fail("receipt.not_to_match", { state });
  if (add(applied, onAccount, surcharge, recovered) !== parts.unidentified)
    return fail("receipt.sum");
  if (onAccount < 0 || surcharge < 0 || recovered < 0) return fail("receipt.sum");
  return ok({
    state: "placed",
    parts: {
      ...parts,
      unidentified: minor(0),
      applied: add(parts.applied, applied),
      onAccount: add(parts.onAccount, onAccount),
      surcharge: add(parts.surcharge, surcharge),
      recovered: add(parts.recovered, recovered),
    },
  });
}

function movedFromAccount(
  state: ReceiptState,
  parts: Parts,
  sum: Minor,
): Result<Moved, MoveProblem> {
  if (state !== "placed") return fail("receipt.not_to_match", { state });
  if (sum > parts.onAccount) return fail("receipt.sum");
  const [applied, onAccount] = [add(parts.applied, sum), add(parts.onAccount, -sum)];
  return ok({ state, parts: { ...parts, applied, onAccount } });
}

function setAside(
  state: ReceiptState,
  parts: Parts,
  as: "parked" | "income",
): Result<Moved, MoveProblem> {
  if (state !== "to_match") return fail("receipt.not_to_match", { state });
  const sum = add(parts[as], parts.unidentified);
  return ok({ state: "set_aside", parts: { ...parts, unidentified: minor(0), [as]: sum } });
}

/**
 * More may have gone back than came in: what is missing stays on account, below zero, and nothing
 * is left to match.
 */
function takenBack(parts: Parts): Result<Moved, never> {
  const left = add(...PARTS.map((part) => parts[part]));
  return ok({
    state: left > 0 ? "to_match" : "returned",
    parts: {
      ...allToMatch(minor(Math.max(0, left))),
      onAccount: minor(Math.min(0, left)),
      goneBack: parts.goneBack,
    },
  });
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
    goneBack: add(parts.goneBack, ...PARTS.map((part) => back[part])),
  };
  const kept = [next.unidentified, ...STANDING.map((part) => next[part])];
  if (kept.some((sum) => sum < 0)) return fail("receipt.sum");
  const onlyGone = kept.every((sum) => sum === 0) && next.onAccount <= 0;
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

export { ADVICE_DAYS, type Advised, type Joined, joinAdvice, type Unadvised } from "./advice";
