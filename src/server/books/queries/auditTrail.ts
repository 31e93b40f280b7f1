import type { AuditTrailRow } from "@/contracts/books";
import { actCount, type ActRow, actsOfCommand, lastActs } from "@/db/acts";
import type { Db } from "@/db/connection";

import { isUndoable } from "../reversals";
import { chainHead } from "@/db/trail";
import { momentInZone } from "@/core/calendar";
import { readSettings } from "@/db/settings";

const PAGES: Partial<Record<ActRow["subjectKind"], string>> = {
  receipt: "receipts",
  payout: "payouts",
  bank_line: "lines",
  customer: "customers",
  import_file: "files",
  open_item: "invoices",
  schedule: "schedules",
};

/** A page of the audit trail, newest first. */
export function auditTrail(
  db: Db,
  limit: number,
  offset: number,
): { rows: AuditTrailRow[]; count: number; head: string } {
  const { timeZone } = readSettings(db);
  const together = new Map<number, number>();
  const standing = (commandId: number): number => {
    const known =
      together.get(commandId) ??
      actsOfCommand(db, commandId).filter((act) => act.undoneBy === null && isUndoable(act.kind))
        .length;
    together.set(commandId, known);
    return known;
  };
  const rows = lastActs(db, limit, offset).map((act): AuditTrailRow => {
    const page = PAGES[act.subjectKind];
    return {
      id: act.id,
      commandId: act.commandId,
      onDay: act.onDay,
      at: momentInZone(act.at, timeZone),
      actor: act.actor,
      text: act.text,
      undoneBy: act.undoneBy,
      undoable: act.undoneBy === null && isUndoable(act.kind),
      together: standing(act.commandId),
      href: page === undefined ? null : `${page}/${act.subjectId}`,
    };
  });
  return { rows, count: actCount(db), head: chainHead(db)?.chain ?? "" };
}
