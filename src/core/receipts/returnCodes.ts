import { addBankingDays, addDays, type Day } from "@/core/calendar";

/** What a return says: no money, a wrong account, no authorization, or else. */
export type ReturnKind = "funds" | "account" | "unauthorized" | "other";
export type ReturnCode = {
  readonly code: string;
  readonly words: string;
  readonly kind: ReturnKind;
  /** Time that the payer's bank has: so many banking days, or calendar days, after settlement. */
  readonly within: { readonly bankingDays: number } | { readonly calendarDays: number };
};

/**
 * Return codes of ACH debits with the time the payer's bank has (Nacha Operating
 * Rules; values from memory): two banking days, and 60 calendar days where a
 * consumer says that the debit was not authorized.
 */
const CODES: readonly ReturnCode[] = [
  ...(
    [
      ["R01", "insufficient funds", "funds"],
      ["R02", "account closed", "account"],
      ["R03", "no such account", "account"],
      ["R04", "invalid account number", "account"],
      ["R08", "payment stopped", "other"],
      ["R09", "uncollected funds", "funds"],
      ["R16", "account frozen", "other"],
      ["R20", "not a transaction account", "account"],
      ["R23", "credit refused", "other"],
      ["R24", "duplicate entry", "other"],
      ["R29", "corporate customer says not authorized", "unauthorized"],
      ["R31", "permissible return of a corporate entry", "other"],
    ] as const
  ).map(([code, words, kind]): ReturnCode => ({ code, words, kind, within: { bankingDays: 2 } })),
  ...(
    [
      ["R05", "consumer debit under a corporate code", "unauthorized"],
      ["R07", "authorization revoked", "unauthorized"],
      ["R10", "customer says not authorized", "unauthorized"],
      ["R11", "not by the terms of the authorization", "unauthorized"],
      ["R51", "notice or item improper", "unauthorized"],
    ] as const
  ).map(([code, words, kind]): ReturnCode => ({ code, words, kind, within: { calendarDays: 60 } })),
];

const BY_CODE = new Map(CODES.map((returnCode) => [returnCode.code, returnCode]));

export function returnCodeOf(code: string): ReturnCode | undefined {
  return BY_CODE.get(code.trim().toUpperCase());
}

/**
 * The last day on which the payer's bank may send a debit back by a code, by its settlement.
 * Unknown codes have two banking days.
 */
export function returnableUntil(code: string, settledOn: Day): Day {
  const within = returnCodeOf(code)?.within ?? { bankingDays: 2 };
  return "bankingDays" in within
    ? addBankingDays(settledOn, within.bankingDays)
    : addDays(settledOn, within.calendarDays);
}

/**
 * Days from the first settlement within which a debit may be tried again, and how often (Nacha
 * Operating Rules; from memory).
 */
const RETRY_DAYS = 180;
const MOST_RETRIES = 2;
const RETRY_CODES: ReadonlySet<string> = new Set(["R01", "R09"]);

/**
 * Whether a returned debit may be tried again: only for want of funds, at most
 * twice, within 180 days of its first settlement. Else why not: the account is
 * to be mended first, it was not authorized, or the tries or the days are used up.
 * @example retryOf("R01", 0, "2026-11-02", "2026-11-20") // { may: true, until: "2027-05-01" }
 */
export function retryOf(
  code: string,
  tried: number,
  settledOn: Day,
  today: Day,
):
  | { readonly may: true; readonly until: Day }
  | { readonly may: false; readonly why: "account" | "unauthorized" | "tries" | "days" | "code" } {
  const known = returnCodeOf(code);
  if (known?.kind === "account") return { may: false, why: "account" };
  if (known?.kind === "unauthorized") return { may: false, why: "unauthorized" };
  if (!RETRY_CODES.has(code.trim().toUpperCase())) return { may: false, why: "code" };
  if (tried >= MOST_RETRIES) return { may: false, why: "tries" };
  const until = addDays(settledOn, RETRY_DAYS);
  return today > until ? { may: false, why: "days" } : { may: true, until };
}

/**
 * Banking days within which an account that a notification of change corrects must be mended (Nacha
 * Operating Rules; from memory).
 */
const MEND_BANKING_DAYS = 6;

export function mendBy(toldOn: Day): Day {
  return addBankingDays(toldOn, MEND_BANKING_DAYS);
}

export type RateName = "unauthorized" | "administrative" | "all";
/** One return rate: returns of its kind, debits, and both the rate and its limit in parts per million. */
export type ReturnRate = {
  readonly name: RateName;
  readonly returns: number;
  readonly debits: number;
  readonly perMillion: number;
  readonly limitPerMillion: number;
};

/** Days of debits that the rates are taken over. */
export const RATE_DAYS = 60;
const RATES: readonly (readonly [RateName, number, ReadonlySet<string> | null])[] = [
  ["unauthorized", 5000, new Set(["R05", "R07", "R10", "R11", "R29", "R51"])],
  ["administrative", 30_000, new Set(["R02", "R03", "R04"])],
  ["all", 150_000, null],
];

/**
 * Return rates against the published limits: unauthorized 0.5 %, administrative 3 %, all 15 % of
 * debits over 60 days (Nacha Operating Rules; from memory).
 */
export function returnRates(codes: readonly string[], debits: number): ReturnRate[] {
  return RATES.map(([name, limitPerMillion, of]) => {
    const returns = codes.filter((code) => of === null || of.has(code.trim().toUpperCase())).length;
    return {
      name,
      returns,
      debits,
      limitPerMillion,
      perMillion: debits === 0 ? 0 : Math.round((returns * 1_000_000) / debits),
    };
  });
}
