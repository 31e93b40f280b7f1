import type { JournalFileLine, JournalLayout } from "@/core/formats";
import type { Day } from "@/core/calendar";

import type { Db } from "./connection";

/** A file of journal lines that was made for another ledger. */
export type JournalFileRow = {
  id: number;
  layout: string;
  spec: JournalLayout;
  fromDay: Day;
  toDay: Day;
  entries: number;
  state: "made" | "undone";
  actId: number;
};
const FILE =
  "SELECT id, layout, spec, from_day AS fromDay, to_day AS toDay, entries, state, act_id AS actId FROM journal_file";
type Stored = Omit<JournalFileRow, "spec"> & { spec: string };
const fileOf = (row: Stored): JournalFileRow => ({
  ...row,
  spec: JSON.parse(row.spec) as JournalLayout,
});

export function journalFiles(db: Db, limit: number): JournalFileRow[] {
  return db.all<Stored>(`${FILE} WHERE state = 'made' ORDER BY id DESC LIMIT ?`, limit).map(fileOf);
}

export function journalFileById(db: Db, id: number): JournalFileRow | undefined {
  const row = db.get<Stored>(`${FILE} WHERE id = ?`, id);
  return row && fileOf(row);
}

export function journalFileOfAct(db: Db, actId: number): JournalFileRow | undefined {
  const row = db.get<Stored>(`${FILE} WHERE act_id = ?`, actId);
  return row && fileOf(row);
}

export function journalLayouts(db: Db): { name: string; spec: JournalLayout }[] {
  return db
    .all<{ name: string; spec: string }>("SELECT name, spec FROM journal_layout ORDER BY name")
    .map(({ name, spec }) => ({ name, spec: JSON.parse(spec) as JournalLayout }));
}

export function saveJournalLayout(db: Db, name: string, spec: JournalLayout): void {
  db.run(
    "INSERT INTO journal_layout (name, spec) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET spec = excluded.spec",
    name,
    JSON.stringify(spec),
  );
}

/**
 * Makes a file of the entries of some days: those that never went out, or (with `again`) all of
 * them, marked. Gives how many.
 */
export function insertJournalFile(
  db: Db,
  file: Pick<JournalFileRow, "layout" | "spec" | "fromDay" | "toDay" | "actId">,
  again: boolean,
): { id: number; entries: number; sentAgain: number } {
  const { id } = db.run(
    "INSERT INTO journal_file (layout, spec, from_day, to_day, entries, act_id) VALUES (?, ?, ?, ?, 0, ?)",
    file.layout,
    JSON.stringify(file.spec),
    file.fromDay,
    file.toDay,
    file.actId,
  );
  const sent =
    "EXISTS (SELECT 1 FROM journal_file_entry x JOIN journal_file f ON f.id = x.file_id WHERE x.entry_id = e.id AND f.state = 'made' AND f.id <> ?1)";
  const { changes } = db.run(
    `INSERT INTO journal_file_entry (file_id, entry_id, again) SELECT ?1, e.id, ${sent} FROM entry e WHERE e.posted_on BETWEEN ?2 AND ?3 AND (?4 = 1 OR NOT ${sent})`,
    id,
    file.fromDay,
    file.toDay,
    again ? 1 : 0,
  );
  db.run("UPDATE journal_file SET entries = ? WHERE id = ?", changes, id);
  return {
    id,
    entries: changes,
    sentAgain:
      db.get<{ n: number }>(
        "SELECT count(*) AS n FROM journal_file_entry WHERE file_id = ? AND again = 1",
        id,
      )?.n ?? 0,
  };
}

export function setJournalFileUndone(db: Db, id: number): void {
  db.run("UPDATE journal_file SET state = 'undone' WHERE id = ?", id);
}

export function journalFileLines(db: Db, fileId: number): JournalFileLine[] {
  return db
    .all<Omit<JournalFileLine, "again"> & { sent: 0 | 1 }>(
      `SELECT e.id AS entryId, e.posted_on AS postedOn, e.event, e.document, c.name AS party, a.code, a.name, l.book_amount AS bookAmount, e.reverses, x.again AS sent
     FROM journal_file_entry x JOIN entry e ON e.id = x.entry_id JOIN entry_line l ON l.entry_id = e.id JOIN account a ON a.id = l.account_id LEFT JOIN customer c ON c.id = e.customer_id WHERE x.file_id = ? ORDER BY e.posted_on, e.id, l.line_no`,
      fileId,
    )
    .map(({ sent, ...line }) => ({ ...line, again: sent === 1 }));
}

/** Entries of some days, and how many of them never went out. */
export function entriesToSend(db: Db, from: Day, to: Day): { all: number; fresh: number } {
  return (
    db.get<{ all: number; fresh: number }>(
      `SELECT count(*) AS "all", coalesce(sum(NOT EXISTS (SELECT 1 FROM journal_file_entry x JOIN journal_file f ON f.id = x.file_id WHERE x.entry_id = e.id AND f.state = 'made')), 0) AS fresh FROM entry e WHERE e.posted_on BETWEEN ? AND ?`,
      from,
      to,
    ) ?? { all: 0, fresh: 0 }
  );
}
