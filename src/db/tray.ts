import type { Day } from "@/core/calendar";

import type { Db } from "./connection";

/** A line of a file that was refused, or says otherwise than the book, and waits. */
export type TrayLine = {
  id: number;
  fileId: number;
  file: string;
  onDay: Day;
  line: number;
  /** The head of the column whose cell was refused; empty for the line as a whole. */
  column: string;
  why: string;
  state: "waits" | "dropped" | "read";
  reason: string | null;
};

const TRAY = `SELECT t.id, t.file_id AS fileId, f.name AS file, f.on_day AS onDay, t.line_no AS line, t.column_head AS "column", t.why, t.state, t.reason
  FROM tray_line t JOIN import_file f ON f.id = t.file_id`;

/** Puts a refused line into the tray, once. */
export function layInTray(
  db: Db,
  { fileId, line, column, why }: Pick<TrayLine, "fileId" | "line" | "column" | "why">,
): void {
  const into =
    "INSERT OR IGNORE INTO tray_line (file_id, line_no, column_head, why) VALUES (?, ?, ?, ?)";
  db.run(into, fileId, line, column, why);
}

export const trayLine = (db: Db, id: number): TrayLine | undefined =>
  db.get<TrayLine>(`${TRAY} WHERE t.id = ?`, id);

/** Lines that wait, those of the latest file first. */
export function trayPage(
  db: Db,
  limit: number,
  offset: number,
): { rows: TrayLine[]; count: number } {
  const order = "ORDER BY t.file_id DESC, t.line_no";
  return {
    rows: db.all<TrayLine>(
      `${TRAY} WHERE t.state = 'waits' ${order} LIMIT ? OFFSET ?`,
      limit,
      offset,
    ),
    count: trayCount(db),
  };
}

export const trayCount = (db: Db): number =>
  db.get<{ n: number }>("SELECT count(*) AS n FROM tray_line WHERE state = 'waits'")?.n ?? 0;

export function setTrayState(
  db: Db,
  id: number,
  { state, reason }: Pick<TrayLine, "state" | "reason">,
): void {
  db.run("UPDATE tray_line SET state = ?, reason = ? WHERE id = ?", state, reason, id);
}

/** What was dropped of a file stays dropped where it is refused anew, as its file is read again. */
export function dropAgain(db: Db, fileId: number, again: number): void {
  db.run(
    `UPDATE tray_line SET state = 'dropped',
       reason = (SELECT b.reason FROM tray_line b WHERE b.file_id = ?2 AND b.line_no = tray_line.line_no)
     WHERE file_id = ?1 AND line_no IN (SELECT line_no FROM tray_line WHERE file_id = ?2 AND state = 'dropped')`,
    fileId,
    again,
  );
}

/** Its file was read again: what it refuses now waits under the new reading. */
export function emptyTrayOf(db: Db, fileId: number): void {
  db.run("UPDATE tray_line SET state = 'read' WHERE file_id = ? AND state = 'waits'", fileId);
}
