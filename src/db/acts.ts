import type { Day } from "@/core/calendar";

import type { Db } from "./connection";

export const ACT_KINDS = [
  "import",
  "place",
  "set_aside",
  "tie",
  "elsewhere",
  "bank_receipt",
  "dispute_lost",
  "letter",
  "contact",
  "leave_out",
  "settings",
  "rule",
  "tray",
  "undo",
  "account",
  "hand_receipt",
  "deposit",
  "deposit_banked",
  "bounce",
  "ask",
  "decide",
  "forget",
  "lock",
  "accrue",
  "fee_bill",
  "refund",
  "retry",
  "mend",
  "answer",
  "export",
  "rates",
  "revalue",
  "allowance",
  "late_fee",
  "write_off",
  "run",
  "draft",
  "approve",
  "set_off",
  "schedule",
  "release",
  "paying",
  "question",
  "customer",
  "customer_new",
  "merge",
  "attachment",
] as const;
export type ActKind = (typeof ACT_KINDS)[number];
export type SubjectKind =
  | "import_file"
  | "receipt"
  | "payout"
  | "bank_line"
  | "customer"
  | "processor_item"
  | "act"
  | "book"
  | "processor_account"
  | "bank_account"
  | "bank_rule"
  | "deposit"
  | "change_notice"
  | "open_item"
  | "document"
  | "schedule"
  | "tray_line";

export type ActRow = {
  id: number;
  commandId: number;
  kind: ActKind;
  subjectKind: SubjectKind;
  subjectId: number;
  customerId: number | null;
  text: string;
  onDay: Day;
  at: string;
  actor: string;
  undoneBy: number | null;
};
const ACT = `SELECT id, command_id AS commandId, kind, subject_kind AS subjectKind, subject_id AS subjectId, customer_id AS customerId, text, on_day AS onDay, at, actor, undone_by AS undoneBy FROM act`;

export function insertAct(db: Db, act: Omit<ActRow, "id" | "undoneBy">): number {
  return db.run(
    "INSERT INTO act (command_id, kind, subject_kind, subject_id, customer_id, text, on_day, at, actor) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)",
    act.commandId,
    act.kind,
    act.subjectKind,
    act.subjectId,
    act.customerId,
    act.text,
    act.onDay,
    act.at,
    act.actor,
  ).id;
}

export function markUndone(db: Db, actId: number, by: number): void {
  db.run("UPDATE act SET undone_by = ? WHERE id = ? AND undone_by IS NULL", by, actId);
}

export function actById(db: Db, id: number): ActRow | undefined {
  return db.get<ActRow>(`${ACT} WHERE id = ?`, id);
}

export function actsOf(db: Db, subjectKind: SubjectKind, subjectId: number): ActRow[] {
  return db.all<ActRow>(
    `${ACT} WHERE subject_kind = ? AND subject_id = ? ORDER BY id`,
    subjectKind,
    subjectId,
  );
}

/** What one command did, in its order. */
export function actsOfCommand(db: Db, commandId: number): ActRow[] {
  return db.all<ActRow>(`${ACT} WHERE command_id = ? ORDER BY id`, commandId);
}

export function actsOfCustomer(db: Db, customerId: number): ActRow[] {
  return db.all<ActRow>(`${ACT} WHERE customer_id = ? ORDER BY id DESC`, customerId);
}

/** The audit trail, newest first. */
export function lastActs(db: Db, limit: number, offset: number): ActRow[] {
  return db.all<ActRow>(`${ACT} ORDER BY id DESC LIMIT ? OFFSET ?`, limit, offset);
}

export function actCount(db: Db): number {
  return db.get<{ n: number }>("SELECT count(*) AS n FROM act")?.n ?? 0;
}

export function commandByKey(
  db: Db,
  key: string,
): { name: string; result: string; inputHash: string } | undefined {
  return db.get("SELECT name, result, input_hash AS inputHash FROM command WHERE key = ?", key);
}

export function nextCommandId(db: Db): number {
  return db.get<{ id: number }>("SELECT coalesce(max(id), 0) + 1 AS id FROM command")?.id ?? 1;
}

/**
 * The last command that changed what pages compute with. That a letter went out,
 * or that a customer looked at its page, changes no sum and no list: while a
 * thousand letters go, nothing is recomputed.
 */
export function lastChange(db: Db): number {
  return (
    db.get<{ id: number }>(
      "SELECT id FROM command WHERE name <> 'noteVisit' ORDER BY id DESC LIMIT 1",
    )?.id ?? 0
  );
}

/**
 * The last command that can have changed what is owed, and by whom: what is only said to customers,
 * or noted of them, is none.
 */
export function lastChangeOfSums(db: Db): number {
  return (
    db.get<{ id: number }>(
      "SELECT id FROM command WHERE name NOT IN ('noteVisit', 'sendLetter', 'sendLetters', 'runLetters', 'skipRun', 'logContact') ORDER BY id DESC LIMIT 1",
    )?.id ?? 0
  );
}

/** A command as the audit trail knows it: what it was told and what it said by their hashes. */
export type CommandRecord = {
  id: number;
  key: string;
  name: string;
  actor: string;
  at: string;
  inputHash: string;
  resultHash: string;
};

export function insertCommand(
  db: Db,
  command: Omit<CommandRecord, "resultHash"> & { result: string },
): void {
  db.run(
    "INSERT INTO command (id, key, name, actor, at, input_hash, result) VALUES (?, ?, ?, ?, ?, ?, ?)",
    command.id,
    command.key,
    command.name,
    command.actor,
    command.at,
    command.inputHash,
    command.result,
  );
}
