import type { Day } from "@/core/calendar";
import type { Minor } from "@/core/money";

import type { Db } from "./connection";

/** A tally that writes off more than the limit and waits for a second person. `tally` is the posting as JSON. */
export type ApprovalRow = {
  id: number;
  receiptId: number;
  tally: string;
  sum: Minor;
  why: string;
  askedBy: string;
  askedOn: Day;
  state: "waiting" | "approved" | "refused" | "withdrawn";
  decidedBy: string | null;
  decidedWhy: string | null;
  actId: number;
};
const APPROVAL =
  "SELECT id, receipt_id AS receiptId, tally, sum, why, asked_by AS askedBy, asked_on AS askedOn, state, decided_by AS decidedBy, decided_why AS decidedWhy, act_id AS actId FROM approval";

export function insertApproval(
  db: Db,
  approval: Pick<
    ApprovalRow,
    "receiptId" | "tally" | "sum" | "why" | "askedBy" | "askedOn" | "actId"
  >,
): number {
  return db.run(
    "INSERT INTO approval (receipt_id, tally, sum, why, asked_by, asked_on, act_id) VALUES (?, ?, ?, ?, ?, ?, ?)",
    approval.receiptId,
    approval.tally,
    approval.sum,
    approval.why,
    approval.askedBy,
    approval.askedOn,
    approval.actId,
  ).id;
}

export function approvalById(db: Db, id: number): ApprovalRow | undefined {
  return db.get<ApprovalRow>(`${APPROVAL} WHERE id = ?`, id);
}

export function approvalsWaiting(db: Db): ApprovalRow[] {
  return db.all<ApprovalRow>(`${APPROVAL} WHERE state = 'waiting' ORDER BY id`);
}

export function approvalOf(db: Db, receiptId: number): ApprovalRow | undefined {
  return db.get<ApprovalRow>(`${APPROVAL} WHERE receipt_id = ? AND state = 'waiting'`, receiptId);
}

export function decideApproval(
  db: Db,
  id: number,
  to: { state: "approved" | "refused" | "withdrawn"; by: string; why: string | null },
): void {
  db.run(
    "UPDATE approval SET state = ?, decided_by = ?, decided_why = ? WHERE id = ? AND state = 'waiting'",
    to.state,
    to.by,
    to.why,
    id,
  );
}

/** Keeps which act posted an approved tally. */
export function setPlacedAct(db: Db, id: number, actId: number): void {
  db.run("UPDATE approval SET placed_act = ? WHERE id = ?", actId, id);
}

/** The posting of an approved tally was undone: it waits for a decision again. */
export function reopenApproval(db: Db, placedAct: number): void {
  db.run(
    "UPDATE approval SET state = 'waiting', decided_by = NULL, decided_why = NULL, placed_act = NULL WHERE placed_act = ?",
    placedAct,
  );
}
