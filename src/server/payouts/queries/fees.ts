import { z } from "zod";

import type { FeeLine, FeesFacts } from "@/contracts/payouts";
import { addMonths, type Day } from "@/core/calendar";
import { achInstead, type CheckedFee, checkFees, feesByMonth } from "@/core/fees";
import { type Currency, minor, type Minor, sumOf } from "@/core/money";
import type { Db } from "@/db/connection";
import { accruals, agreedRates, chargesWithFees } from "@/db/fees";
import { type ProcessorAccountRow, processorAccounts } from "@/db/processorAccounts";
import { worthOn } from "@/db/rates";
import { readSettings } from "@/db/settings";
import { searched } from "@/server/output/queries";

const MOST_LINES = 200;

/** Of which month, method and account (by its code) the fees are asked for; all where it is not said. */
export const feesAsked = z.object({ month: searched, method: searched, account: searched });
export const ALL_FEES = feesAsked.parse({});
type FeesAsked = z.infer<typeof feesAsked>;

/** Every charge of the last months against what was agreed, by account; of them those asked for are listed. */
export function feeCheck(db: Db, today: Day, asked: FeesAsked, months = 12): FeesFacts {
  const from = `${addMonths(`${today.slice(0, 7)}-01` as Day, 1 - months)}` as Day;
  const rates = agreedRates(db);
  const names = new Map(processorAccounts(db).map((account) => [account.id, account]));
  const byAccount = processorAccounts(db).map((account): AccountFees => {
    const charges = chargesWithFees(db, account.id, from, today);
    const agreed = rates.filter(({ processorAccountId }) => processorAccountId === account.id);
    return { account, charges, checked: checkFees(charges, agreed) };
  });
  const askedFor = byAccount
    .filter(({ account }) => asked.account === null || account.code === asked.account)
    .map((one) => ({ ...one, checked: one.checked.filter((fee) => isAsked(fee, asked)) }));
  const lines = askedFor.flatMap(linesOff).sort((a, b) => b.off - a.off || a.id - b.id);
  const { currency: book, achFixedPerMonth } = readSettings(db);
  return {
    lines: lines.slice(0, MOST_LINES),
    count: lines.length,
    checked: askedFor.reduce(
      (all, { checked }) => all + checked.filter(({ expected }) => expected !== null).length,
      0,
    ),
    over: sumOf(
      lines.filter(({ off }) => off > 0),
      ({ off, currency, on }) => worthOn(db, { amount: off, currency, book, on }),
    ),
    months: byAccount.flatMap(({ account, checked }) =>
      feesByMonth(checked).map((month) => ({
        ...month,
        account: account.name,
        code: account.code,
        monthly: account.feeBilling === "monthly",
        currency: account.currency,
      })),
    ),
    rates: rates.map((rate) => ({
      ...rate,
      account: names.get(rate.processorAccountId)?.name ?? "",
      currency: names.get(rate.processorAccountId)?.currency ?? book,
    })),
    accounts: processorAccounts(db).map(({ code, name, feeBilling }) => ({
      code,
      name,
      monthly: feeBilling === "monthly",
    })),
    accrued: accruedMonths(db, byAccount),
    ach: achSaving(byAccount, rates, { book, fixed: minor(achFixedPerMonth), months }),
  };
}

const isAsked = ({ on, method }: CheckedFee, asked: FeesAsked): boolean =>
  (asked.month === null || on.startsWith(asked.month)) &&
  (asked.method === null || method === asked.method);

type AccountFees = {
  account: ProcessorAccountRow;
  charges: ReturnType<typeof chargesWithFees>;
  checked: readonly CheckedFee[];
};

/** Charges whose fee is not as agreed; what is billed by the month is checked by month. */
function linesOff({ account, charges, checked }: AccountFees): FeeLine[] {
  if (account.feeBilling === "monthly") return [];
  const byId = new Map(charges.map((charge) => [charge.id, charge]));
  return checked
    .filter(({ off }) => off !== 0)
    .map((fee) => ({
      ...fee,
      externalId: byId.get(fee.id)?.externalId ?? "",
      payer: byId.get(fee.id)?.payer ?? "",
      receiptId: byId.get(fee.id)?.receiptId ?? null,
      account: account.name,
      currency: account.currency,
    }));
}

/** What the book's card charges would have cost by ACH; null where no rate for it was agreed. */
function achSaving(
  byAccount: readonly AccountFees[],
  rates: ReturnType<typeof agreedRates>,
  { book, fixed, months }: { book: Currency; fixed: Minor; months: number },
): FeesFacts["ach"] {
  const cards = byAccount
    .filter(({ account }) => account.currency === book)
    .flatMap(({ charges }) => charges.filter(({ method }) => method === "card"));
  const rate = rates.find(({ method, to }) => method === "ach_debit" && to === null);
  const instead = rate ? achInstead(cards, rate, fixed) : null;
  if (!instead) return null;
  const perMonth = Math.round(cards.length / months);
  return { saved: instead.saved, perMonth, from: instead.from, fixed };
}

/** Months of the accounts that are billed by the month: accrued, billed, or with charges that are not accrued yet. */
function accruedMonths(
  db: Db,
  byAccount: readonly { account: ProcessorAccountRow; checked: readonly CheckedFee[] }[],
): FeesFacts["accrued"] {
  const known = accruals(db).map(({ account, accountCode, month, sum, state }) => ({
    account,
    code: accountCode,
    month,
    sum,
    state: state === "billed" ? ("billed" as const) : ("accrued" as const),
  }));
  const missing = byAccount
    .filter(({ account }) => account.feeBilling === "monthly")
    .flatMap(({ account, checked }) => {
      const months = new Map<string, number>();
      for (const { on, expected, fee } of checked)
        months.set(on.slice(0, 7), (months.get(on.slice(0, 7)) ?? 0) + (expected ?? 0) - fee);
      for (const entry of known.filter(({ code }) => code === account.code))
        months.set(entry.month, (months.get(entry.month) ?? 0) - entry.sum);
      return [...months]
        .filter(([, sum]) => sum !== 0)
        .map(([month, sum]) => ({
          account: account.name,
          code: account.code,
          month,
          sum: sum as Minor,
          state: "to accrue" as const,
        }));
    });
  return [...missing, ...known].sort((a, b) => {
    if (a.month < b.month) return 1;
    if (a.month > b.month) return -1;
    return a.code.localeCompare(b.code);
  });
}
