import { createHash } from "node:crypto";

import { type CommandRecord, insertCommand, nextCommandId } from "./acts";
import type { Db } from "./connection";
import { keyOf, type Place, trailPlaces, valuesOf } from "./trailPlaces";

/** SHA-256 as hex. */
export const hashOf = (text: string): string => createHash("sha256").update(text).digest("hex");

/** What is kept of a row: 128 bits of its hash. */
export const rowDigest = (values: string): string => hashOf(values).slice(0, 32);

/** What a command kept of one row. */
export type TrailRow = { place: string; key: string; digest: string };
/**
 * The hash of a record: over the one before, what was done by whom and when, what it was told and
 * said, its acts and entries, and each row that it changed. One fact a line, in this order.
 */
export function chainOf(
  before: string,
  command: CommandRecord,
  written: { acts: readonly string[]; entries: readonly string[]; rows: readonly TrailRow[] },
): string {
  const { id, key, name, actor, at, inputHash, resultHash } = command;
  return hashOf(
    [
      before,
      JSON.stringify([id, key, name, actor, at, inputHash, resultHash]),
      ...written.acts,
      ...written.entries,
      ...written.rows.map((row) => `${row.place} ${row.key} ${row.digest}`),
    ].join("\n"),
  );
}

const watched = new WeakMap<Db, Place[]>();

/**
 * Has a connection note, in memory, which rows change; gives the tables that are followed. Not first
 * within a transaction: it would be forgotten where that is rolled back.
 */
export function watchRows(db: Db): Place[] {
  const known = watched.get(db);
  if (known) return known;
  const places = trailPlaces(db);
  db.exec(
    "CREATE TEMP TABLE touched (place TEXT NOT NULL, row_key TEXT NOT NULL, PRIMARY KEY (place, row_key)) WITHOUT ROWID",
  );
  for (const place of places)
    for (const [event, of] of [
      ["INSERT", ["NEW"]],
      ["UPDATE", ["OLD", "NEW"]],
      ["DELETE", ["OLD"]],
    ] as const)
      db.exec(
        `CREATE TEMP TRIGGER "touch_${place.name}_${event}" AFTER ${event} ON main."${place.name}" BEGIN
           ${of.map((row) => noteOf(place, row)).join("\n")}
         END`,
      );
  watched.set(db, places);
  return places;
}

/**
 * Notes a row once. Not by INSERT OR IGNORE: within a trigger the conflict clause of the statement
 * that fired it counts instead (SQLite, CREATE TRIGGER, 2); an upsert is none.
 */
const noteOf = (place: Place, row: string): string =>
  `INSERT INTO touched VALUES ('${place.name}', ${keyOf(place, row)}) ON CONFLICT DO NOTHING;`;

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

/** As if every row of the book had changed. */
function touchAll(db: Db): void {
  for (const place of watchRows(db))
    db.run(
      `INSERT OR IGNORE INTO touched SELECT '${place.name}', ${keyOf(place, "t")} FROM main."${place.name}" t`,
    );
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
export function keepTouched(db: Db, commandId: number): TrailRow[] {
  const rows = watchRows(db).flatMap((place) => touchedRows(db, place));
  for (const { place, key, digest } of rows)
    db.run(
      "INSERT OR REPLACE INTO trail (command_id, place, row_key, digest) VALUES (?, ?, ?, ?)",
      commandId,
      place,
      key,
      digest,
    );
  db.run("DELETE FROM touched");
  return rows;
}

function touchedRows(db: Db, place: Place): TrailRow[] {
  const on = place.key.map((column, at) => `t."${column}" = json_extract(x.row_key, '$[${at}]')`);
  return db
    .all<{ key: string; found: number; row: string }>(
      `SELECT x.row_key AS key, t."${place.key[0]}" IS NOT NULL AS found, ${valuesOf(place, "t")} AS row
       FROM touched x
       LEFT JOIN main."${place.name}" t ON ${on.join(" AND ")}
       WHERE x.place = '${place.name}'
       ORDER BY x.row_key`,
    )
    .map(({ key, found, row }) => ({
      place: place.name,
      key,
      digest: found === 1 ? rowDigest(row) : "",
    }));
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
export function entryTexts(db: Db, from: number, to: number): string[] {
  return db
    .all<{ row: string }>(
      `SELECT json_array(
         'entry', e.id, e.event, e.posted_on, e.document_kind, e.document_id, e.document, e.customer_id, e.act_id,
         e.reverses, e.dated_for, EXISTS (SELECT 1 FROM posting p WHERE p.entry_id = e.id),
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
    )
    .map(({ row }) => row);
}

/** What was written before the chain began, each kind as one hash. */
function writtenBefore(db: Db, commandId: number): { acts: string[]; entries: string[] } {
  return {
    acts: [hashOf(actTexts(db, 0, commandId).join("\n"))],
    entries: [hashOf(entryTexts(db, 0, commandId).join("\n"))],
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
