import type { ExpectedPayments, ExpectedRow, ReturnRow } from "@/contracts/payouts";
import { addBankingDays, addDays, type Day } from "@/core/calendar";
import { earlierFirst } from "@/core/calendar";
import { type Currency, type Minor, sumOf, ZERO } from "@/core/money";
import { expectedOf } from "@/core/payouts";
import { RATE_DAYS, retryOf, returnCodeOf, returnRates } from "@/core/receipts";
import { lastStatementDay } from "@/db/bank";
import { unpaidByDay } from "@/db/clearing";
import type { Db } from "@/db/connection";
import { openItemsOf } from "@/db/openItems";
import { worthOn } from "@/db/rates";
import {
  debitsBetween,
  type NoticeRow,
  noticesSince,
  retriesOf,
  type ReturnOrDisputeRow,
  returnsAndDisputesSince,
  returnsOfDebits,
} from "@/db/returnsAndDisputes";
import { readSettings } from "@/db/settings";
import { onTheirWay } from "@/db/started";

import { type PayoutView, payoutViews } from "./payouts";

/** Days for which what is done with stays on the list. */
const LOOK_BACK_DAYS = 60;

/** Everything that came back, on one list: what must be done first by its day, then the newest. */
export function returnsAndDisputes(
  db: Db,
  today: Day,
): { rows: ReturnRow[]; open: number; sum: Minor; listed: Minor } {
  const { currency: book } = readSettings(db);
  const rows = [
    ...returnsAndDisputesSince(db, addDays(today, -LOOK_BACK_DAYS)).map((row) =>
      backRow(db, row, today),
    ),
    ...noticesSince(db, addDays(today, -LOOK_BACK_DAYS)).map((notice) => noticeRow(notice, book)),
  ];
  rows.sort(
    (a, b) =>
      Number(b.open) - Number(a.open) || order(a.until, b.until) || earlierFirst(b.on, a.on),
  );
  const open = rows.filter((row) => row.open);
  const worth = ({ sum, currency, on }: ReturnRow): Minor =>
    worthOn(db, { amount: sum ?? ZERO, currency, book, on });
  return { rows, open: open.length, sum: sumOf(open, worth), listed: sumOf(rows, worth) };
}

/** Earlier first; what has no day comes after what has one. */
const order = (a: Day | null, b: Day | null): number => {
  if (a === b) return 0;
  if (a === null) return 1;
  if (b === null || a < b) return -1;
  return 1;
};

function backRow(db: Db, row: ReturnOrDisputeRow, today: Day): ReturnRow {
  const base = {
    id: row.id,
    from: row.name,
    customerId: row.customerId,
    receiptId: row.receiptId,
    on: row.on,
    sum: -row.amount as Minor,
    currency: row.currency,
  };
  if (row.reason !== null)
    return {
      ...base,
      what: row.kind === "refund" ? "refund" : "ACH return",
      words: `${row.reason}: it is joined as soon as its charge comes`,
      until: null,
      open: true,
      todo: null,
    };
  if (row.kind === "ach_return")
    return {
      ...base,
      what: `ACH return${row.returnCode === null ? "" : ` ${row.returnCode}`}`,
      ...returned(db, row, today),
    };
  if (row.kind === "refund") return { ...base, what: "refund", ...refunded(db, row) };
  return { ...base, what: "dispute", ...disputed(row, today) };
}

type WhatToDo = Pick<ReturnRow, "words" | "until" | "open" | "todo">;

const done = (words: string): WhatToDo => ({ words, until: null, open: false, todo: null });

/** A dispute is won, lost, waits for its outcome, or wants its answer. */
function disputed(row: ReturnOrDisputeRow, today: Day): WhatToDo {
  if (row.settledState === "won") return done("won: the money came back");
  if (row.settledState !== "opened") return done("lost: what it had paid is open again");
  const todo = { as: "answer", processorItemId: row.id } as const;
  if (row.answeredOn !== null) return { ...done("answered; the outcome is awaited"), todo };
  return { words: answerInWords(row.answerBy, today), until: row.answerBy, open: true, todo };
}

function answerInWords(answerBy: Day | null, today: Day): string {
  if (answerBy === null) return "to be answered; the file gives no day";
  return answerBy < today ? "not answered in time" : "to be answered";
}

function returned(db: Db, row: ReturnOrDisputeRow, today: Day): WhatToDo {
  const code = returnCodeOf(row.returnCode ?? "");
  const says =
    code?.words ?? (row.returnCode === null ? "no code in the file" : "a code of its own");
  const tried = row.receiptId === null ? [] : retriesOf(db, row.receiptId);
  const planned = tried.find(({ plannedOn }) => plannedOn >= today);
  if (planned)
    return {
      ...done(`${says}; tried again, the ${planned.nth === 1 ? "first" : "second"} time`),
      until: planned.plannedOn,
    };
  const may = retryOf(row.returnCode ?? "", tried.length, row.settledOn ?? row.on, today);
  if (may.may)
    return {
      words: `${says}; may be tried again`,
      until: may.until,
      open: true,
      todo: {
        as: "retry",
        returnItemId: row.id,
        until: may.until,
        first: addBankingDays(addDays(today, 1), 0),
      },
    };
  const then = {
    account: "the account must be mended before it is charged again",
    unauthorized: "never again: ask for another way to pay",
    tries: "was tried twice: ask for another way to pay",
    days: "too old to be tried again",
    code: "talk to the customer",
  }[may.why];
  return done(`${says}; ${then}`);
}

/** A refund of money that had been applied wants its credit note. */
function refunded(db: Db, row: ReturnOrDisputeRow): WhatToDo {
  if ((row.onAccount ?? 0) >= 0 || row.receiptId === null || row.customerId === null)
    return done("explained");
  const missing = -(row.onAccount ?? 0) as Minor;
  const notes = openItemsOf(db, row.customerId)
    .filter(({ balance }) => balance < 0)
    .map((item) => ({ itemId: item.id, number: item.number, sum: -item.balance as Minor }));
  return {
    words:
      notes.length > 0
        ? "of money that had been applied: take the credit note it is for"
        : "of money that had been applied: a credit note is missing",
    until: null,
    open: true,
    todo: {
      as: "credit_note",
      receiptId: row.receiptId,
      customerId: row.customerId,
      notes,
      missing,
    },
  };
}

function noticeRow(notice: NoticeRow, currency: Currency): ReturnRow {
  const mended = notice.mendedOn !== null;
  return {
    id: -notice.id,
    what: `change of account ${notice.code}`,
    words: mended ? "mended" : `mend the account: ${notice.correction}`,
    from: notice.name,
    customerId: notice.customerId,
    receiptId: notice.receiptId,
    on: notice.toldOn,
    sum: null,
    currency,
    until: mended ? null : notice.mendBy,
    open: !mended,
    todo: mended ? null : { as: "mend", noticeId: notice.id },
  };
}

export function expectedPage(db: Db, today: Day): ExpectedPayments {
  // What the statement does not reach yet cannot be late on it.
  const statementTo = lastStatementDay(db);
  const recent = debitsBetween(db, addDays(today, -RATE_DAYS), today);
  const { codes, debits } = returnsOfDebits(db, addDays(today, -RATE_DAYS), today);
  const payouts = payoutViews(db, today, today)
    .filter(({ shown }) => shown !== "tied")
    .map((view): ExpectedRow => ({
      key: `payout ${view.id}`,
      on: view.expectedOn,
      account: view.processorName,
      what: `${view.externalId}, ${view.chargeCount} ${view.chargeCount === 1 ? "charge" : "charges"}${atBankInWords(view)}`,
      from: view.takenFrom,
      to: view.takenTo,
      sum: view.bookNet,
      late: view.shown === "late",
      href: `payouts?show=open&open=${view.id}`,
    }));
  const loose = expectedOf(
    unpaidByDay(db).map((entry) => ({ ...entry, amount: entry.book })),
    statementTo === null || statementTo > today ? today : statementTo,
  ).map((expected): ExpectedRow => ({
    key: `${expected.account} ${expected.on}`,
    on: expected.on,
    account: expected.account,
    what: `in no payout yet, ${expected.charges} ${expected.charges === 1 ? "charge" : "charges"}`,
    from: expected.from,
    to: expected.to,
    sum: expected.sum,
    late: expected.late,
    href: null,
  }));
  return {
    rows: [...payouts, ...loose].sort(
      (a, b) => Number(b.late) - Number(a.late) || earlierFirst(a.on, b.on),
    ),
    started: onTheirWay(db).map((started) => ({
      id: started.id,
      startedOn: started.startedOn,
      from: started.payerName || started.payerEmail || "payer not known",
      customerId: started.customerId,
      sum: started.amount,
      currency: started.currency,
    })),
    returnable: recent
      .map((row) => ({ ...row, until: addBankingDays(row.settledOn, 2) }))
      .filter(({ until }) => until >= today),
    sixty: {
      count: recent.reduce((so, { count }) => so + count, 0),
      sum: sumOf(recent, ({ sum }) => sum),
    },
    rates: returnRates(codes, debits),
  };
}

function atBankInWords(view: PayoutView): string {
  if (view.shown === "off") return ", at the bank with another sum";
  if (view.shown === "fits") return ", at the bank: tie it";
  return "";
}
