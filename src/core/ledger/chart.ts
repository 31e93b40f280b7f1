import type { FeeKind } from "../activity";
import type { AccountRef, Role } from "./entry";

export type ChartAccount = {
  readonly code: string;
  readonly name: string;
  readonly role: Role;
  readonly of: string | null;
};

/** Where each kind of fee goes; processing fees are what a fee falls back to. */
const FEE_ACCOUNTS: Readonly<Record<FeeKind, ChartAccount>> = {
  processing: { code: "6000", name: "Processing fees", role: "fees", of: null },
  dispute: { code: "6010", name: "Dispute fees", role: "fees", of: "dispute" },
  return: { code: "6020", name: "Return fees paid", role: "fees", of: "return" },
};

/**
 * The chart a new book starts with. `of` is empty for the account a role falls
 * back to. Processor and bank accounts get their own as they are set up.
 */
export const DEFAULT_CHART: readonly ChartAccount[] = [
  { code: "1050", name: "Checks and cash on hand", role: "on_hand", of: null },
  { code: "1200", name: "Accounts receivable", role: "receivables", of: null },
  { code: "1210", name: "Disputed receipts", role: "disputed", of: null },
  { code: "1290", name: "Allowance for doubtful debts", role: "allowance", of: null },
  { code: "1300", name: "Reserve held by processors", role: "reserve", of: null },
  { code: "2100", name: "Credit on account", role: "credits", of: null },
  { code: "2110", name: "Receipts not identified", role: "unidentified", of: null },
  { code: "2200", name: "Sales tax payable", role: "tax", of: null },
  { code: "2300", name: "Processing fees accrued", role: "fees_accrued", of: null },
  { code: "2400", name: "Parked, due to or from others", role: "parked", of: null },
  { code: "3000", name: "Opening balances", role: "opening", of: null },
  { code: "4000", name: "Sales", role: "income", of: null },
  { code: "4100", name: "Early-payment discounts", role: "discounts", of: null },
  { code: "4200", name: "Late fees charged", role: "late_fees", of: null },
  { code: "4210", name: "Return fees charged", role: "return_fees", of: null },
  { code: "4220", name: "Surcharges", role: "surcharges", of: null },
  { code: "4800", name: "Other income", role: "other", of: null },
  ...Object.values(FEE_ACCOUNTS),
  { code: "6050", name: "Adjustments by processors", role: "other", of: "adjustments" },
  { code: "6100", name: "Small differences", role: "small_differences", of: null },
  { code: "6200", name: "Bad debt", role: "bad_debt", of: null },
  { code: "6210", name: "Recoveries", role: "recoveries", of: null },
  { code: "6300", name: "Exchange gain or loss", role: "exchange", of: null },
  { code: "9000", name: "Elsewhere in the bank", role: "elsewhere", of: null },
];

/** The account a posting rule means: the one with that role and `of`, else the role's own. */
export function accountFor<A extends { readonly role: Role; readonly of: string | null }>(
  accounts: readonly A[],
  ref: AccountRef,
): A | undefined {
  const sameRole = accounts.filter((account) => account.role === ref.role);
  return (
    sameRole.find((account) => account.of === (ref.of ?? null)) ??
    sameRole.find((account) => account.of === null)
  );
}

/** The first free code of a block, for an account that is added: 1100 to 1199 for clearing, 1000 to 1049 for banks. */
export function nextCode(taken: ReadonlySet<string>, role: "clearing" | "bank"): string {
  const start = role === "clearing" ? 1100 : 1000;
  for (let code = start; ; code += role === "clearing" ? 10 : 5)
    if (!taken.has(String(code))) return String(code);
}
