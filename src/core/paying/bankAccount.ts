import { fail, ok, type Result } from "@/core/result";

/** A bank account as it is typed; it goes to the processor alone and is never kept. */
export type TypedAccount = {
  readonly routing: string;
  readonly account: string;
  readonly again: string;
};

/** What is kept of a bank account. */
export type AccountFace = { readonly bankName: string; readonly lastFour: string };

export type AccountProblem = "account.routing" | "account.form" | "account.again";

/** The first two digits that a routing number may have (ABA routing number policy). */
const isPrefix = (first: number): boolean =>
  (first >= 0 && first <= 12) ||
  (first >= 21 && first <= 32) ||
  (first >= 61 && first <= 72) ||
  first === 80;

/**
 * Whether a routing number is one by its form: nine digits, prefix, check digit 3-7-1 (ABA routing
 * number policy). @example isRouting("011000015") // true
 */
export function isRouting(text: string): boolean {
  if (!/^\d{9}$/.test(text) || /^0{9}$/.test(text)) return false;
  const weights = [3, 7, 1];
  const sum = [...text].reduce((all, digit, at) => all + Number(digit) * (weights[at % 3] ?? 0), 0);
  return sum % 10 === 0 && isPrefix(Number(text.slice(0, 2)));
}

/** What may be kept of an account that is typed right; the name of its bank comes from the practice list. */
export function accountFace(typed: TypedAccount): Result<AccountFace, AccountProblem> {
  const routing = typed.routing.trim();
  if (!isRouting(routing)) return fail("account.routing", { field: "routing" });
  const account = typed.account.trim();
  if (!/^\d{4,17}$/.test(account)) return fail("account.form", { field: "account" });
  if (account !== typed.again.trim()) return fail("account.again", { field: "again" });
  return ok({ bankName: bankOf(routing), lastFour: account.slice(-4) });
}

/** Names of practice banks; the Federal Reserve's own numbers are real ones. */
const BANKS: Readonly<Record<string, string>> = {
  "011000015": "Federal Reserve Bank",
  "021001208": "Federal Reserve Bank",
};
const PRACTICE_BANKS = ["Harbor Practice Bank", "Millrace Savings", "Cobalt Credit Union"];

/** The bank behind a routing number. */
export const bankOf = (routing: string): string =>
  BANKS[routing] ?? PRACTICE_BANKS[Number(routing.slice(4, 8)) % PRACTICE_BANKS.length] ?? "a bank";
