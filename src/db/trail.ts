import { createHash, hash as hashAtOnce } from "node:crypto";

import { type CommandRecord, insertCommand, nextCommandId } from "./acts";
import type { Db } from "./connection";
import {
  forgetTouched,
  markRows,
  newRows,
  type NewRow,
  notedRows,
  touchAll,
  watchRows,
} from "./touched";
import type { Place } from "./trailPlaces";
import { FEW, keepRuns, rowsInRuns } from "./trailRuns";

/** SHA-256 as hex. At once, for an import hashes each of its rows. */
export const hashOf = (text: string): string => hashAtOnce("sha256", text);

/** What is kept of a row: 128 bits of its hash. */
export const rowDigest = (values: string): string => hashOf(values).slice(0, 32);

/** What a command kept of one row. */
export type TrailRow = { place: string; key: string; digest: string };
/** Letters that are hashed in one go. */
const HASHED_TOGETHER = 100_000;

/**
 * The hash of a record: over the one before, what was done by whom and when, what it was told and
 * said, its acts and entries, and each row that it changed. One fact a line, in this order.
 */
export function chainOf(
  before: string,
  command: CommandRecord,
  written: { acts: Iterable<string>; entries: Iterable<string>; rows: Iterable<TrailRow> },
): string {
  const { id, key, name, actor, at, inputHash, resultHash } = command;
  const hash = createHash("sha256");
  hash.update(before);
  // Line by line it would take as long as all else together.
  let waiting = "";
  const line = (text: string): void => {
    waiting += `\n${text}`;
    if (waiting.length < HASHED_TOGETHER) return;
    hash.update(waiting);
    waiting = "";
  };
  line(JSON.stringify([id, key, name, actor, at, inputHash, resultHash]));
  for (const act of written.acts) line(act);
  for (const entry of written.entries) line(entry);
  for (const row of written.rows) line(`${row.place} ${row.key} ${row.digest}`);
  return hash.update(waiting).digest("hex");
}

/** Whether the chain has begun in this book. */
export function chainBegins(db: Db): { commandId: number; chain: string } | undefined {
  return db.get("SELECT command_id AS commandId, chain FROM trail_start");
}

/** Begins the chain with all rows as they stand; commands from before are not part of it. */
export function beginChain(db: Db): void {
  const commandId =
    db.get<{ id: number }>("SELECT coalesce(max(id), 0) AS id FROM command")?.id ?? 0;
  touchAll(db);
  const rows = keepTouched(db, commandId);
  const command = {
    id: commandId,
    key: "",
    name: "begin",
    actor: "",
    at: "",
    inputHash: "",
    resultHash: "",
  };
  const chain = chainOf("", command, { ...writtenBefore(db, commandId), rows });
  db.run("INSERT INTO trail_start (command_id, chain) VALUES (?, ?)", commandId, chain);
}

/**
 * Seals all rows anew where the schema was brought up to date: a digest is of the columns that a
 * table had. It stands in the chain as a record of its own; the file as it was lies beside the book.
 */
export function sealAnew(db: Db, schema: number): void {
  if (!chainBegins(db)) return;
  watchRows(db);
  db.transaction(() => {
    const id = nextCommandId(db);
    const at = new Date().toISOString();
    const key = `schema ${schema} of ${at}`;
    const record = { id, key, name: "upgrade", actor: "the program", at };
    const told = { inputHash: hashOf(String(schema)), result: "null" };
    insertCommand(db, { ...record, ...told });
    touchAll(db);
    addToChain(db, { ...record, inputHash: told.inputHash, resultHash: hashOf(told.result) });
  });
}

/** Keeps a digest of each row that changed since the last record; gives them in order. */
function keepTouched(db: Db, commandId: number): Iterable<TrailRow> {
  for (const place of watchRows(db)) {
    const noted = notedRows(db, place);
    keepRows(
      db,
      commandId,
      noted.map(({ key, row }) => [place.name, key, row === null ? "" : rowDigest(row)]),
    );
    for (const rows of newRows(db, place)) keepNew(db, commandId, place, rows);
  }
  forgetTouched(db);
  markRows(db);
  return rowsKept(db, commandId);
}

/** New rows are kept together where they are many, else one by one. */
function keepNew(db: Db, commandId: number, place: Place, rows: readonly NewRow[]): void {
  if (rows.length >= FEW)
    keepRuns(
      db,
      commandId,
      place,
      rows.map(({ id, row }) => ({ id, digest: rowDigest(row) })),
    );
  else
    keepRows(
      db,
      commandId,
      rows.map(({ id, row }) => [place.name, `[${id}]`, rowDigest(row)]),
    );
}

/** So many rows are kept in one statement. */
const PIECE = 1000;

function keepRows(
  db: Db,
  commandId: number,
  rows: readonly (readonly [place: string, key: string, digest: string])[],
): void {
  for (let from = 0; from < rows.length; from += PIECE)
    db.run(
      `INSERT OR REPLACE INTO trail (command_id, place, row_key, digest)
       SELECT ?, value ->> 0, value ->> 1, value ->> 2 FROM json_each(?)`,
      commandId,
      JSON.stringify(rows.slice(from, from + PIECE)),
    );
}

/** What a command kept of the rows that it changed, in order: those that stand alone, then the runs. */
export function* rowsKept(db: Db, commandId: number): Generator<TrailRow> {
  yield* db.each<TrailRow>(
    "SELECT place, row_key AS key, digest FROM trail WHERE command_id = ? ORDER BY place, row_key",
    commandId,
  );
  yield* rowsInRuns(db, commandId);
}

/** The acts of commands from one to another, as texts; that they were undone later is no part of them. */
export function actTexts(db: Db, from: number, to: number): string[] {
  return db
    .all<{ row: string }>(
      `SELECT json_array('act', id, kind, subject_kind, subject_id, customer_id, text, on_day, at, actor) AS row
       FROM act
       WHERE command_id BETWEEN ? AND ?
       ORDER BY id`,
      from,
      to,
    )
    .map(({ row }) => row);
}

/** The entries that commands from one to another posted, each with its lines, as texts. */
export function* entryTexts(db: Db, from: number, to: number): Generator<string> {
  const texts = db.each<{ row: string }>(
    `SELECT json_array(
         'entry', e.id, e.event, e.posted_on, e.document_kind, e.document_id, e.document, e.customer_id, e.act_id,
         e.reverses, e.dated_for, coalesce((SELECT p.last_entry FROM posting p WHERE p.first_entry <= e.id ORDER BY p.first_entry DESC LIMIT 1) >= e.id, 0),
         (SELECT json_group_array(
                   json_array(l.line_no, l.account_id, l.currency, l.amount, l.book_amount, l.item_kind, l.item_id)
                   ORDER BY l.line_no)
          FROM entry_line l
          WHERE l.entry_id = e.id)) AS row
       FROM act a
       JOIN entry e ON e.act_id = a.id
       WHERE a.command_id BETWEEN ? AND ?
       ORDER BY e.id`,
    from,
    to,
  );
  for (const { row } of texts) yield row;
}

/** What was written before the chain began, each kind as one hash. */
function writtenBefore(db: Db, commandId: number): { acts: string[]; entries: string[] } {
  return {
    acts: [hashOf(actTexts(db, 0, commandId).join("\n"))],
    entries: [hashOf([...entryTexts(db, 0, commandId)].join("\n"))],
  };
}

/** Adds a command to the chain: what it wrote, and which rows it changed. */
export function addToChain(db: Db, command: CommandRecord): void {
  const before = chainHead(db)?.chain ?? "";
  const rows = keepTouched(db, command.id);
  const { id } = command;
  const written = { acts: actTexts(db, id, id), entries: entryTexts(db, id, id), rows };
  db.run("UPDATE command SET chain = ? WHERE id = ?", chainOf(before, command, written), id);
}

/** The last hash of the chain: whoever knows it knows the whole history before it. */
export function chainHead(db: Db): { commandId: number; chain: string } | undefined {
  return (
    db.get<{ commandId: number; chain: string }>(
      "SELECT id AS commandId, chain FROM command WHERE chain <> '' ORDER BY id DESC LIMIT 1",
    ) ?? chainBegins(db)
  );
}
