import type { Day } from "@/core/calendar";
import type {
  Attached,
  Language,
  Ladder,
  LadderAct,
  LadderStep,
  LateFeeRule,
} from "@/core/followup";
import type { Currency, Minor } from "@/core/money";

import type { Db } from "./connection";

type StepRow = {
  ladderId: number;
  step: number;
  fromDays: number;
  act: LadderAct;
  tone: number;
  byItself: 0 | 1;
  attach: Attached;
  fee: Minor;
};

/** Every ladder with its rungs, the standard one first. */
export function ladders(db: Db): Ladder[] {
  const steps = db.all<StepRow>(
    "SELECT ladder_id AS ladderId, step, from_days AS fromDays, act, tone, by_itself AS byItself, attach, fee FROM ladder_step ORDER BY ladder_id, step",
  );
  return db
    .all<{ id: number; name: string; standard: 0 | 1 } & LateFeeRule>(
      "SELECT id, name, standard, fee_kind AS kind, fee_fixed AS fixed, fee_percent AS percent, fee_grace AS grace, fee_least AS least, fee_most AS most FROM ladder ORDER BY standard DESC, name",
    )
    .map(({ id, name, standard, ...fee }) => ({
      id,
      name,
      fee,
      standard: standard === 1,
      steps: steps
        .filter(({ ladderId }) => ladderId === id)
        .map(({ step, fromDays, act, tone, byItself, attach, fee: withIt }) => ({
          step,
          fromDays,
          act,
          tone,
          byItself: byItself === 1,
          attach,
          fee: withIt,
        })),
    }));
}

export function insertLadder(db: Db, name: string): number {
  return db.run("INSERT INTO ladder (name) VALUES (?)", name).id;
}

export function renameLadder(db: Db, id: number, name: string): void {
  db.run("UPDATE ladder SET name = ? WHERE id = ?", name, id);
}

export function setFeeRule(db: Db, id: number, fee: LateFeeRule): void {
  db.run(
    "UPDATE ladder SET fee_kind = ?, fee_fixed = ?, fee_percent = ?, fee_grace = ?, fee_least = ?, fee_most = ? WHERE id = ?",
    fee.kind,
    fee.fixed,
    fee.percent,
    fee.grace,
    fee.least,
    fee.most,
    id,
  );
}

export type ChargedFee = {
  id: number;
  itemId: number;
  number: string;
  feeItemId: number;
  feeNumber: string;
  customerId: number;
  customer: string;
  currency: Currency;
  through: Day;
  on: Day;
  sum: Minor;
  balance: Minor;
  actId: number;
  /** The letter it was charged with; null for the time that passed. */
  letterId: number | null;
};

/** Late fees that stand, newest first. */
export function lateFees(db: Db): ChargedFee[] {
  return db.all<ChargedFee>(
    `SELECT l.id, l.open_item_id AS itemId, i.number, l.fee_item_id AS feeItemId, f.number AS feeNumber, f.customer_id AS customerId, c.name AS customer, f.currency, l.through, f.issued_on AS "on", l.sum, f.balance, l.act_id AS actId, l.letter_id AS letterId
     FROM late_fee l JOIN open_item i ON i.id = l.open_item_id JOIN open_item f ON f.id = l.fee_item_id JOIN customer c ON c.id = f.customer_id JOIN act a ON a.id = l.act_id WHERE a.undone_by IS NULL ORDER BY l.id DESC`,
  );
}

/**
 * Up to which day each invoice was charged for the time that passed. What was waived counts: it is
 * not asked for again.
 */
export function feesThrough(db: Db): Map<number, Day> {
  return new Map(
    db
      .all<{ itemId: number; through: Day }>(
        "SELECT l.open_item_id AS itemId, max(l.through) AS through FROM late_fee l JOIN act a ON a.id = l.act_id WHERE l.letter_id IS NULL AND (a.undone_by IS NULL OR l.waived = 1) GROUP BY l.open_item_id",
      )
      .map(({ itemId, through }) => [itemId, through]),
  );
}

/** Letters with a fee that was neither charged nor waived, by customer. */
export function lettersToCharge(
  db: Db,
): Map<number, { letterId: number; step: number; on: Day; fee: Minor; itemIds: number[] }[]> {
  const found = new Map<
    number,
    { letterId: number; step: number; on: Day; fee: Minor; itemIds: number[] }[]
  >();
  const rows = db.all<{
    letterId: number;
    customerId: number;
    step: number;
    on: Day;
    fee: Minor;
    items: string;
  }>(
    `SELECT t.id AS letterId, t.customer_id AS customerId, t.step, t.on_day AS "on", t.fee, (SELECT json_group_array(i.open_item_id) FROM letter_item i WHERE i.letter_id = t.id) AS items FROM letter t
     WHERE t.fee > 0 AND NOT EXISTS (SELECT 1 FROM late_fee l JOIN act a ON a.id = l.act_id WHERE l.letter_id = t.id AND (a.undone_by IS NULL OR l.waived = 1)) ORDER BY t.id`,
  );
  for (const { customerId, items, ...letter } of rows)
    found.set(customerId, [
      ...(found.get(customerId) ?? []),
      { ...letter, itemIds: JSON.parse(items) as number[] },
    ]);
  return found;
}

export function insertLateFee(
  db: Db,
  fee: {
    itemId: number;
    feeItemId: number;
    through: Day;
    sum: Minor;
    actId: number;
    letterId: number | null;
  },
): void {
  db.run(
    "INSERT INTO late_fee (open_item_id, fee_item_id, through, sum, act_id, letter_id) VALUES (?, ?, ?, ?, ?, ?)",
    fee.itemId,
    fee.feeItemId,
    fee.through,
    fee.sum,
    fee.actId,
    fee.letterId,
  );
}

/** Marks a fee as waived, so that it is not asked for again. */
export function setWaived(db: Db, feeId: number): void {
  db.run("UPDATE late_fee SET waived = 1 WHERE id = ?", feeId);
}

/** A ladder's rungs, all of them anew. */
export function setSteps(db: Db, id: number, steps: readonly LadderStep[]): void {
  db.run("DELETE FROM ladder_step WHERE ladder_id = ?", id);
  for (const step of steps)
    db.run(
      "INSERT INTO ladder_step (ladder_id, step, from_days, act, tone, by_itself, attach, fee) VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
      id,
      step.step,
      step.fromDays,
      step.act,
      step.tone,
      Number(step.byItself),
      step.attach,
      step.fee,
    );
}

/** Takes a ladder away; who was on it is on the standard one. */
export function deleteLadder(db: Db, id: number): void {
  db.run("UPDATE customer_followup SET ladder_id = NULL WHERE ladder_id = ?", id);
  db.run("DELETE FROM ladder_step WHERE ladder_id = ?", id);
  db.run("DELETE FROM ladder WHERE id = ? AND standard = 0", id);
}

/** How a customer is followed up, where that differs from what the book does. */
export type FollowedRow = {
  customerId: number;
  ladderId: number | null;
  language: Language;
  byItself: boolean;
  smallest: Minor | null;
  quietUntil: Day | null;
};
const FOLLOWED =
  "SELECT customer_id AS customerId, ladder_id AS ladderId, language, by_itself AS byItself, smallest, quiet_until AS quietUntil FROM customer_followup";

export function followedRows(db: Db): FollowedRow[] {
  return db
    .all<Omit<FollowedRow, "byItself"> & { byItself: 0 | 1 }>(FOLLOWED)
    .map((row) => ({ ...row, byItself: row.byItself === 1 }));
}

export function followedRow(db: Db, customerId: number): FollowedRow {
  const row = db.get<Omit<FollowedRow, "byItself"> & { byItself: 0 | 1 }>(
    `${FOLLOWED} WHERE customer_id = ?`,
    customerId,
  );
  return row ? { ...row, byItself: row.byItself === 1 } : followedAs(customerId);
}

/** A customer who is followed up as the book does. */
export function followedAs(customerId: number): FollowedRow {
  return {
    customerId,
    ladderId: null,
    language: "en",
    byItself: false,
    smallest: null,
    quietUntil: null,
  };
}

export function setFollowed(db: Db, row: FollowedRow): void {
  db.run(
    `INSERT INTO customer_followup (customer_id, ladder_id, language, by_itself, smallest, quiet_until) VALUES (?1, ?2, ?3, ?4, ?5, ?6)
     ON CONFLICT (customer_id) DO UPDATE SET ladder_id = ?2, language = ?3, by_itself = ?4, smallest = ?5, quiet_until = ?6`,
    row.customerId,
    row.ladderId,
    row.language,
    Number(row.byItself),
    row.smallest,
    row.quietUntil,
  );
}

/** Invoices that no letter names, with why. */
export function itemsLeftOut(db: Db): Map<number, string> {
  return new Map(
    db
      .all<{ id: number; reason: string }>("SELECT open_item_id AS id, reason FROM item_left_out")
      .map(({ id, reason }) => [id, reason]),
  );
}

export function setItemLeftOut(db: Db, itemId: number, reason: string | null): void {
  db.run("DELETE FROM item_left_out WHERE open_item_id = ?", itemId);
  if (reason !== null)
    db.run("INSERT INTO item_left_out (open_item_id, reason) VALUES (?, ?)", itemId, reason);
}

/** What was a rung of a ladder, by customer: letters, and calls and tasks with their step. */
export function stepsSaid(db: Db): Map<number, { step: number; on: Day }[]> {
  const said = new Map<number, { step: number; on: Day }[]>();
  const rows = db.all<{ customerId: number; step: number; on: Day }>(
    `SELECT customer_id AS customerId, step, on_day AS "on" FROM letter UNION ALL
     SELECT c.customer_id, c.step, c.on_day FROM contact c JOIN act a ON a.id = c.act_id WHERE c.step IS NOT NULL AND a.undone_by IS NULL`,
  );
  for (const { customerId, step, on } of rows) {
    const list = said.get(customerId);
    if (list) list.push({ step, on });
    else said.set(customerId, [{ step, on }]);
  }
  return said;
}
