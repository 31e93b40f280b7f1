import type { Day } from "@/core/calendar";

import type { Db } from "./connection";

export type FileKind = "customers" | "invoices" | "processor" | "bank" | "remittance" | "returns";
export type ImportFileRow = {
  id: number;
  sha256: string;
  name: string;
  size: number;
  kind: FileKind;
  mapping: string;
  importedAt: string;
  onDay: Day;
  actor: string;
  rowsNew: number;
  rowsKnown: number;
  rowsChanged: number;
  rowsRefused: number;
  undoneBy: number | null;
};
const FILE = `SELECT id, sha256, name, size, kind, mapping, imported_at AS importedAt, on_day AS onDay, actor, rows_new AS rowsNew, rows_known AS rowsKnown, rows_changed AS rowsChanged, rows_refused AS rowsRefused, undone_by AS undoneBy FROM import_file`;

export function insertImportFile(db: Db, file: Omit<ImportFileRow, "id" | "undoneBy">): number {
  return db.run(
    "INSERT INTO import_file (sha256, name, size, kind, mapping, imported_at, on_day, actor, rows_new, rows_known, rows_changed, rows_refused) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
    file.sha256,
    file.name,
    file.size,
    file.kind,
    file.mapping,
    file.importedAt,
    file.onDay,
    file.actor,
    file.rowsNew,
    file.rowsKnown,
    file.rowsChanged,
    file.rowsRefused,
  ).id;
}

export function importFileById(db: Db, id: number): ImportFileRow | undefined {
  return db.get<ImportFileRow>(`${FILE} WHERE id = ?`, id);
}

export function importFilePage(
  db: Db,
  limit: number,
  offset: number,
): { rows: ImportFileRow[]; count: number } {
  return {
    rows: db.all<ImportFileRow>(`${FILE} ORDER BY id DESC LIMIT ? OFFSET ?`, limit, offset),
    count: db.get<{ n: number }>("SELECT count(*) AS n FROM import_file")?.n ?? 0,
  };
}

/** The kinds of files without which a book cannot work, in the order in which they come. */
export const FIRST_FILES = ["customers", "invoices", "processor", "bank"] as const;

export function lastFileOfKind(db: Db, kind: FileKind): ImportFileRow | undefined {
  return db.get<ImportFileRow>(
    `${FILE} WHERE kind = ? AND undone_by IS NULL ORDER BY id DESC LIMIT 1`,
    kind,
  );
}

export type MappingRow = { name: string; kind: FileKind; spec: string };

export function mappings(db: Db): MappingRow[] {
  return db.all<MappingRow>("SELECT name, kind, spec FROM mapping ORDER BY name");
}

export function saveMapping(db: Db, mapping: MappingRow): void {
  db.run(
    "INSERT INTO mapping (name, kind, spec) VALUES (?, ?, ?) ON CONFLICT (name) DO UPDATE SET kind = excluded.kind, spec = excluded.spec",
    mapping.name,
    mapping.kind,
    mapping.spec,
  );
}

/** Keeps how many rows of a file were new, known, changed and refused. */
export function setRowCounts(
  db: Db,
  fileId: number,
  rows: { new: number; known: number; changed: number; refused: number },
): void {
  db.run(
    `UPDATE import_file
     SET rows_new = ?, rows_known = ?, rows_changed = ?, rows_refused = ?
     WHERE id = ?`,
    rows.new,
    rows.known,
    rows.changed,
    rows.refused,
    fileId,
  );
}

/** Whether a file of these very bytes was taken in. */
export function wasTakenIn(db: Db, sha256: string): boolean {
  const known = db.get(
    "SELECT 1 AS known FROM import_file WHERE sha256 = ? AND undone_by IS NULL LIMIT 1",
    sha256,
  );
  return known !== undefined;
}

/** The same, and files that were taken back since count. */
export function wasEverTakenIn(db: Db, sha256: string): boolean {
  return db.get("SELECT 1 FROM import_file WHERE sha256 = ? LIMIT 1", sha256) !== undefined;
}

/** What a line of a file became: the documents that carry its file and line number, with where their pages are. */
export function documentsOfLine(
  db: Db,
  fileId: number,
  line: number,
): { words: string; href: string }[] {
  return db.all<{ words: string; href: string }>(
    `SELECT 'customer ' || name AS words, 'customers/' || id AS href
       FROM customer WHERE file_id = ?1 AND line_no = ?2
     UNION ALL SELECT replace(kind, '_', ' ') || ' ' || number, 'invoices/' || id
       FROM open_item WHERE file_id = ?1 AND line_no = ?2
     UNION ALL SELECT 'receipt of ' || coalesce(nullif(payer_name, ''), payer_email), 'receipts/' || id
       FROM receipt WHERE file_id = ?1 AND line_no = ?2
     UNION ALL SELECT replace(kind, '_', ' ') || ' ' || external_id,
         CASE WHEN receipt_id IS NOT NULL THEN 'receipts/' || receipt_id
              WHEN payout_id IS NOT NULL THEN 'payouts/' || payout_id
              ELSE 'books?proof=clearing' END
       FROM processor_item WHERE file_id = ?1 AND line_no = ?2 AND kind <> 'charge'
     UNION ALL SELECT 'payout ' || external_id, 'payouts/' || id
       FROM payout WHERE file_id = ?1 AND line_no = ?2
     UNION ALL SELECT 'bank line ' || description, 'lines/' || id
       FROM bank_line WHERE file_id = ?1 AND line_no = ?2`,
    fileId,
    line,
  );
}
