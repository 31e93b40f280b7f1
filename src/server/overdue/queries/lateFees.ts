import type { ProposedFee } from "@/contracts/overdue";
import type { Day } from "@/core/calendar";
import { lateFeeOn, type LateFeeRule } from "@/core/followup";
import { type Currency, type Minor } from "@/core/money";
import type { Db } from "@/db/connection";
import { ladders } from "@/db/ladders";
import {
  type ChargedFee,
  feesThrough,
  lateFees,
  lettersToCharge,
  type LetterToCharge,
} from "@/db/lateFees";
import { inOther } from "@/db/rates";
import { readSettings } from "@/db/settings";

import type { OverdueRow, RowItem } from "./overdueRow";

export type LateFeesPage = {
  /** Those that are charged together next. */
  proposed: ProposedFee[];
  /** How many there are in all. */
  count: number;
  charged: ChargedFee[];
  rules: { name: string; fee: LateFeeRule }[];
  /** Whether the letters of some rung are charged for. */
  byLetter: boolean;
};

const MOST_CHARGED = 100;
/** Fees that are looked at and charged at a time. */
const AT_A_TIME = 1000;

/**
 * What may be charged for paying late, by each customer's ladder: never on a fee, never on what is
 * left out, never while the customer waits.
 */
export function proposedFees(db: Db, today: Day, rows: readonly OverdueRow[]): ProposedFee[] {
  const rules = new Map(ladders(db).map(({ name, fee }) => [name, fee]));
  const letters = lettersToCharge(db);
  const through = feesThrough(db);
  const { currency: book } = readSettings(db);
  const rateOf =
    (currency: Currency): RateOf =>
    (amount) =>
      inOther(db, { amount, currency, book, on: today });
  return rows
    .filter(({ state }) => state === "ready" || state === "later")
    .flatMap((row) => {
      const rule = rules.get(row.ladder);
      const sent = letters.get(row.customer.id) ?? [];
      if ((!rule || rule.kind === "none") && sent.length === 0) return [];
      const late = lateInvoices(row, today);
      return [
        ...late.flatMap((item) => {
          const own = rule ? inCurrencyOf(rule, rateOf(item.currency)) : null;
          return own ? feeForTime(row, item, own, { through, today }) : [];
        }),
        ...sent.flatMap((letter) => feeForLetter(row, late, letter)),
      ];
    });
}

/** A sum of the book's currency in another; null where no rate is known. */
type RateOf = (amount: Minor) => Minor | null;

/** A rule whose sums are set in the book's currency, with its sums in that of an invoice. */
function inCurrencyOf(rule: LateFeeRule, inTheirs: RateOf): LateFeeRule | null {
  const [fixed, least] = [inTheirs(rule.fixed), inTheirs(rule.least)];
  const most = rule.most === null ? null : inTheirs(rule.most);
  if (fixed === null || least === null || (most === null) !== (rule.most === null)) return null;
  return { ...rule, fixed, least, most };
}

/** Invoices that a letter of today would name, past their date. */
function lateInvoices(row: OverdueRow, today: Day): RowItem[] {
  const { items, named: ids } = row.detail();
  const named = new Set(ids);
  return items.filter(
    ({ id, balance, dueOn, kind }) =>
      named.has(id) && balance > 0 && dueOn < today && kind === "invoice",
  );
}

const feeOn = (row: OverdueRow, item: RowItem) => ({
  itemId: item.id,
  number: item.number,
  customerId: item.customerId,
  customer: row.customer.name,
  dueOn: item.dueOn,
  balance: item.balance,
  balanceIn: item.currency,
});

function feeForTime(
  row: OverdueRow,
  item: RowItem,
  rule: LateFeeRule,
  { through, today }: { through: ReadonlyMap<number, Day>; today: Day },
): ProposedFee[] {
  const { balance, dueOn, currency } = item;
  const chargedThrough = through.get(item.id) ?? null;
  const fee = lateFeeOn({ balance, dueOn, chargedThrough }, rule, today);
  if (fee === null) return [];
  const { through: until, sum } = fee;
  const on = feeOn(row, item);
  return [{ ...on, letterId: null, currency, through: until, sum, words: row.ladder }];
}

/**
 * The fee of a letter stands on the oldest invoice in its currency that it named and that is still
 * open; where none is, it is not asked for.
 */
function feeForLetter(
  row: OverdueRow,
  late: readonly RowItem[],
  letter: LetterToCharge,
): ProposedFee[] {
  const oldest = late.find(
    (item) => item.currency === letter.currency && letter.itemIds.includes(item.id),
  );
  if (!oldest) return [];
  const { letterId, on, fee, currency, step } = letter;
  const words = `letter ${step}`;
  return [{ ...feeOn(row, oldest), letterId, currency, through: on, sum: fee, words }];
}

export function lateFeesPage(db: Db, today: Day, rows: readonly OverdueRow[]): LateFeesPage {
  const all = ladders(db);
  const proposed = proposedFees(db, today, rows);
  return {
    proposed: proposed.slice(0, AT_A_TIME),
    count: proposed.length,
    charged: lateFees(db).slice(0, MOST_CHARGED),
    rules: all.map(({ name, fee }) => ({ name, fee })),
    byLetter: all.some(({ steps }) => steps.some(({ fee }) => fee > 0)),
  };
}
