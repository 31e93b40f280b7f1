import type { ProofName, ProofSides, Role } from "@/core/ledger";
import { add, minor, type Minor } from "@/core/money";

import type { Db } from "./connection";
import { BOOK_CURRENCY, bookValue } from "./rates";
import {
  CARRIED_OTHERWISE,
  daysAndLines,
  IN_CLEARING,
  leftTogether,
  one,
  PAID_OUT,
  strays,
  unbalancedEntries,
} from "./unreconciled";

function journal(db: Db, role: Role): Minor {
  return one(
    db,
    `SELECT sum(l.book_amount) AS sum FROM entry_line l WHERE l.account_id IN (SELECT id FROM account WHERE role = '${role}')`,
  );
}

const entriesSide = (db: Db): ProofSides => ({
  name: "entries",
  journal: one(db, "SELECT sum(book_amount) AS sum FROM entry_line"),
  documents: minor(0),
  strays: unbalancedEntries(db),
});

/** What accounts moved by day by day, against the lines themselves: sums and how many there are. */
function balancesSide(db: Db): ProofSides {
  const days = daysAndLines(db);
  return {
    name: "balances",
    journal: days.sum,
    documents: minor(0),
    strays: add(days.strays, one(db, CARRIED_OTHERWISE)),
  };
}

const receivablesSide = (db: Db): ProofSides => ({
  name: "receivables",
  journal: journal(db, "receivables"),
  documents: one(
    db,
    `SELECT sum(${bookValue({ table: "i", column: "balance", role: "receivables", kind: "open_item" })}) AS sum FROM open_item i`,
  ),
  strays: strays(db, "receivables", "open_item"),
});

const clearingSide = (db: Db): ProofSides => ({
  name: "clearing",
  journal: journal(db, "clearing"),
  documents: one(
    db,
    `SELECT sum(${IN_CLEARING}) AS sum FROM processor_item i LEFT JOIN payout p ON p.id = i.payout_id WHERE i.withdrawn = 0 AND (p.state IS NULL OR p.state <> 'tied')`,
  ),
  strays: add(
    strays(db, "clearing", "processor_item"),
    strays(db, "clearing", "payout"),
    // A tied payout in another currency leaves nothing of its items in clearing.
    one(
      db,
      `SELECT count(*) AS sum FROM payout p WHERE p.state = 'tied' AND p.currency <> ${BOOK_CURRENCY} AND coalesce((SELECT sum(${IN_CLEARING}) FROM processor_item i WHERE i.payout_id = p.id), 0) + ${PAID_OUT} <> 0`,
    ),
  ),
});

const unidentifiedSide = (db: Db): ProofSides => ({
  name: "unidentified",
  journal: journal(db, "unidentified"),
  documents: one(
    db,
    `SELECT -sum(${bookValue({ table: "r", column: "unidentified", role: "unidentified", kind: "receipt", sign: -1 })}) AS sum FROM receipt r`,
  ),
  strays: strays(db, "unidentified", "receipt"),
});

const creditsSide = (db: Db): ProofSides => ({
  name: "credits",
  journal: journal(db, "credits"),
  documents: one(
    db,
    `SELECT -sum(${bookValue({ table: "r", column: "on_account", role: "credits", kind: "receipt", sign: -1 })}) AS sum FROM receipt r`,
  ),
  strays: strays(db, "credits", "receipt"),
});

const disputedSide = (db: Db): ProofSides => ({
  name: "disputed",
  journal: journal(db, "disputed"),
  documents: one(
    db,
    `SELECT sum(CASE WHEN i.currency <> ${BOOK_CURRENCY} THEN ${bookValue({ table: "i", column: "amount", role: "disputed", kind: "processor_item" })} WHEN i.settled_state IN ('opened', 'won') AND i.withdrawn = 0 THEN -i.amount END) AS sum FROM processor_item i WHERE i.kind = 'dispute'`,
  ),
  // A dispute that was won stands with the sum that came back as an item of its own: the two
  // cancel out, or show what did not come back.
  strays: add(strays(db, "disputed", "processor_item"), leftTogether(db, "disputed")),
});

const onHandSide = (db: Db): ProofSides => ({
  name: "on_hand",
  journal: journal(db, "on_hand"),
  documents: one(
    db,
    "SELECT sum(amount) AS sum FROM receipt WHERE hand_state IN ('on_hand', 'deposited')",
  ),
  strays: strays(db, "on_hand", "receipt"),
});

const reserveSide = (db: Db): ProofSides => ({
  name: "reserve",
  journal: journal(db, "reserve"),
  documents: one(
    db,
    `SELECT sum(CASE WHEN i.currency <> ${BOOK_CURRENCY} THEN ${bookValue({ table: "i", column: "amount", role: "reserve", kind: "processor_item" })} WHEN i.withdrawn = 0 THEN -i.amount END) AS sum FROM processor_item i WHERE i.kind = 'reserve'`,
  ),
  strays: leftTogether(db, "reserve"),
});

const feesAccruedSide = (db: Db): ProofSides => ({
  name: "fees_accrued",
  journal: journal(db, "fees_accrued"),
  documents: one(db, "SELECT -sum(sum) AS sum FROM fee_accrual WHERE state = 'accrued'"),
  strays: strays(db, "fees_accrued", "fee_accrual"),
});

const parkedSide = (db: Db): ProofSides => ({
  name: "parked",
  journal: journal(db, "parked"),
  documents: add(
    one(
      db,
      `SELECT -sum(${bookValue({ table: "r", column: "parked", role: "parked", kind: "receipt", sign: -1 })}) AS sum FROM receipt r`,
    ),
    one(
      db,
      `SELECT -sum(${bookValue({ table: "i", column: "amount", role: "parked", kind: "processor_item", sign: -1 })}) AS sum FROM processor_item i WHERE settled_state IS NULL AND reason IS NOT NULL AND withdrawn = 0 AND kind IN ('adjustment', 'refund', 'ach_return', 'dispute')`,
    ),
  ),
});

const payoutsSide = (db: Db): ProofSides => ({
  name: "payouts",
  journal: one(
    db,
    `SELECT sum(${IN_CLEARING}) AS sum FROM processor_item i JOIN payout p ON p.id = i.payout_id WHERE p.state = 'tied' AND i.withdrawn = 0`,
  ),
  documents: add(
    one(
      db,
      `SELECT sum(t.amount) AS sum FROM payout_tie t JOIN payout p ON p.id = t.payout_id WHERE t.ended_by IS NULL AND p.currency = ${BOOK_CURRENCY}`,
    ),
    one(
      db,
      `SELECT -sum(${PAID_OUT}) AS sum FROM payout p WHERE p.state = 'tied' AND p.currency <> ${BOOK_CURRENCY}`,
    ),
  ),
  strays: one(
    db,
    "SELECT count(*) AS sum FROM payout p WHERE p.net <> (SELECT coalesce(sum(amount), 0) FROM processor_item WHERE payout_id = p.id AND withdrawn = 0) OR (p.state = 'tied' AND p.net <> (SELECT coalesce(sum(amount), 0) FROM payout_tie WHERE payout_id = p.id AND ended_by IS NULL))",
  ),
});

function bankSide(db: Db): ProofSides {
  const openings = one(db, "SELECT sum(opening_balance) AS sum FROM bank_account");
  return {
    name: "bank",
    journal: journal(db, "bank"),
    documents: add(
      openings,
      one(db, "SELECT sum(amount) AS sum FROM bank_line WHERE state <> 'open'"),
    ),
    strays: strays(db, "bank", "bank_line"),
  };
}

const applicationsSide = (db: Db): ProofSides => ({
  // In the book's own currency; each receipt and each item in theirs, one by one.
  name: "applications",
  journal: one(db, `SELECT sum(applied) AS sum FROM receipt WHERE currency = ${BOOK_CURRENCY}`),
  documents: one(
    db,
    `SELECT sum(p.amount) AS sum FROM application p JOIN receipt r ON r.id = p.receipt_id WHERE p.ended_by IS NULL AND r.currency = ${BOOK_CURRENCY}`,
  ),
  strays: one(
    db,
    `SELECT (SELECT count(*) FROM receipt r WHERE r.applied <>
         (SELECT coalesce(sum(amount), 0) FROM application WHERE receipt_id = r.id AND ended_by IS NULL))
       + (SELECT count(*) FROM open_item i WHERE i.balance <> i.opened
         - (SELECT coalesce(sum(amount + discount + small_difference), 0) FROM application WHERE open_item_id = i.id AND ended_by IS NULL)
         - (SELECT coalesce(sum(sum), 0) FROM write_off WHERE open_item_id = i.id AND state = 'posted')
         - (SELECT coalesce(sum(amount), 0) FROM credit_use WHERE open_item_id = i.id AND ended_by IS NULL)
         + (SELECT coalesce(sum(amount), 0) FROM credit_use WHERE credit_item_id = i.id AND ended_by IS NULL)) AS sum`,
  ),
});

/** Each proof's two sides. */
const SIDES: Record<ProofName, (db: Db) => ProofSides> = {
  entries: entriesSide,
  balances: balancesSide,
  receivables: receivablesSide,
  clearing: clearingSide,
  unidentified: unidentifiedSide,
  credits: creditsSide,
  disputed: disputedSide,
  on_hand: onHandSide,
  reserve: reserveSide,
  fees_accrued: feesAccruedSide,
  parked: parkedSide,
  payouts: payoutsSide,
  bank: bankSide,
  applications: applicationsSide,
};

/**
 * Both sides of every proof, computed apart: the journal from its lines, the
 * documents from their own tables. Debit positive.
 */
export const controlTotals = (db: Db): ProofSides[] => Object.values(SIDES).map((side) => side(db));
