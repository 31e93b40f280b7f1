import type { LineChoices } from "@/contracts/arrivals";
import type { DepositUnderWay, HandRow, OnHandFacts } from "@/contracts/match";
import { formatDay } from "@/core/calendar";
import { sumOf } from "@/core/money";
import {
  bankAccounts,
  bankLineById,
  type BankLineRow,
  openBankLines,
  smallDebitsBeside,
} from "@/db/bank";
import type { Db } from "@/db/connection";
import { depositsUnderWay } from "@/db/deposits";
import { type AccrualRow, accruals } from "@/db/fees";
import type { ReceiptRow } from "@/db/receipts";
import { creditsThatMayBeRefunded } from "@/db/refunds";
import { checksThatMayBounce, receiptsByHand, receiptsOfDeposit } from "@/db/receiptsByHand";
import { bulkPayoutsOf } from "@/server/payouts/queries/bulkPayouts";

import { depositFits } from "../steps/deposits";
import { METHOD_WORDS } from "./match";

/** Checks and cash on hand, and the deposits that no statement shows yet. */
export function onHand(db: Db): OnHandFacts {
  const rows = receiptsByHand(db, "on_hand").map(handRow);
  const banks = bankAccounts(db);
  const open = openBankLines(db);
  const deposits = depositsUnderWay(db).map((deposit): DepositUnderWay => ({
    id: deposit.id,
    onDay: deposit.onDay,
    bank: banks.find(({ id }) => id === deposit.bankAccountId)?.name ?? "",
    sum: deposit.sum,
    rows: receiptsOfDeposit(db, deposit.id).map(handRow),
    lines: open
      .filter((line) => depositFits(deposit, line))
      .map(({ id, postedOn, description, amount }) => ({ id, postedOn, description, amount })),
  }));
  return {
    rows,
    sum: sumOf(rows, ({ amount }) => amount),
    deposits,
    depositsSum: sumOf(deposits, ({ sum }) => sum),
    banks: banks.map(({ code, name }) => ({ code, name })),
  };
}

function handRow(receipt: ReceiptRow): HandRow {
  return {
    id: receipt.id,
    paidOn: receipt.paidOn,
    what: `${METHOD_WORDS[receipt.method] ?? receipt.method}${receipt.number === null ? "" : ` ${receipt.number}`}`,
    from: receipt.payerName || "payer not known",
    memo: receipt.reference,
    amount: receipt.amount,
    state: receipt.state,
  };
}

export function lineChoices(db: Db, lineId: number): LineChoices | null {
  const line = bankLineById(db, lineId);
  if (!line) return null;
  const deposits = depositsUnderWay(db)
    .filter((deposit) => depositFits(deposit, line))
    .map((deposit) => ({
      id: deposit.id,
      onDay: deposit.onDay,
      words: `${receiptsOfDeposit(db, deposit.id).length} by hand`,
      sum: deposit.sum,
    }));
  return {
    deposits,
    bounced: line.amount < 0 ? takenBack(db, line) : [],
    fees: line.amount < 0 ? feesBeside(db, line) : [],
    lumps: line.state === "open" ? bulkPayoutsOf(db, line) : [],
    bills: line.amount < 0 ? billsOf(db, line) : [],
    refunds: line.amount < 0 ? refundsOf(db, line) : [],
  };
}

function takenBack(db: Db, line: BankLineRow): LineChoices["bounced"] {
  return checksThatMayBounce(db, line).map(
    ({ receiptId, paidOn, payer, number, method, amount }) => ({
      receiptId,
      paidOn,
      words: `${METHOD_WORDS[method] ?? method}${number === null ? "" : ` ${number}`}, ${payer || "payer not known"}`,
      amount,
    }),
  );
}

/** A bill is near what was accrued, for one account's month or all its months. */
function billsOf(db: Db, line: BankLineRow): LineChoices["bills"] {
  const open = accruals(db).filter(
    ({ state, currency, onDay }) =>
      state === "accrued" && currency === line.currency && onDay <= line.postedOn,
  );
  const byMonth = new Map<string, AccrualRow[]>();
  for (const accrual of open)
    for (const key of [
      `${accrual.account}, ${accrual.month}`,
      `${accrual.account}, all that was accrued`,
    ])
      byMonth.set(key, [...(byMonth.get(key) ?? []), accrual]);
  return [...byMonth]
    .map(([words, all]) => ({
      ids: all.map(({ id }) => id),
      words,
      sum: sumOf(all, ({ sum }) => sum),
    }))
    .filter(
      (entry, at, all) =>
        all.findIndex(({ ids }) => ids.join() === entry.ids.join()) === at &&
        Math.abs(entry.sum + line.amount) * 4 <= Math.abs(line.amount),
    )
    .sort((a, b) => Math.abs(a.sum + line.amount) - Math.abs(b.sum + line.amount));
}

function refundsOf(db: Db, line: BankLineRow): LineChoices["refunds"] {
  return creditsThatMayBeRefunded(db, line).map(({ receiptId, paidOn, name, credit }) => ({
    receiptId,
    words: `${name}, on account since ${formatDay(paidOn)}`,
    credit,
  }));
}

const FEE_AT_MOST = 10_000;

function feesBeside(db: Db, line: BankLineRow): LineChoices["fees"] {
  return smallDebitsBeside(db, line, FEE_AT_MOST);
}
