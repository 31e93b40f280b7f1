import type { Db } from "./connection";
import { forgetTouched, stoodBefore, watchRows } from "./touched";
import { changedInRuns, spansWritten } from "./trailRuns";
import { keyOf, type Place, trailPlaces } from "./trailPlaces";

/** Kept beside the journal by its own triggers: entries that mirror entries bring them back. */
const BY_THE_JOURNAL: ReadonlySet<string> = new Set(["account_day", "carried"]);

/** What stays of a file that is taken back: that it was taken in, and how it was read. */
const OF_THE_FILE: ReadonlySet<string> = new Set(["import_file", "mapping"]);

const imaging = new WeakSet<Db>();

/** Has a connection keep what rows were before, while that is asked for. Not within a transaction. */
export function watchImages(db: Db): void {
  if (imaging.has(db)) return;
  const places = watchRows(db);
  db.exec(
    `CREATE TEMP TABLE imaging (wanted INTEGER NOT NULL);
     CREATE TEMP TABLE before_image (place TEXT NOT NULL, row_key TEXT NOT NULL, old TEXT NOT NULL)`,
  );
  for (const place of places.filter(({ name }) => !BY_THE_JOURNAL.has(name)))
    for (const event of ["UPDATE", "DELETE"])
      db.exec(
        `CREATE TEMP TRIGGER "image_${place.name}_${event}" BEFORE ${event} ON main."${place.name}"
         WHEN EXISTS (SELECT 1 FROM imaging) AND ${stoodBefore(places, place, "OLD")}
         BEGIN
           INSERT INTO before_image SELECT '${place.name}', ${keyOf(place, "OLD")}, ${objectOf(db, place)}
           WHERE NOT EXISTS (SELECT 1 FROM touched WHERE place = '${place.name}' AND row_key = ${keyOf(place, "OLD")});
         END`,
      );
  imaging.add(db);
}

const columnsOf = (db: Db, place: string): string[] =>
  db
    .all<{ name: string }>("SELECT name FROM pragma_table_info(?) ORDER BY cid", place)
    .map(({ name }) => name);

/** All columns of the row before a change, by name. */
const objectOf = (db: Db, { name }: Place): string =>
  `json_object(${columnsOf(db, name)
    .map((column) => `'${column}', OLD."${column}"`)
    .join(", ")})`;

/** From here on, within the transaction, what rows were is kept. */
export function beginImages(db: Db): void {
  db.run("DELETE FROM before_image");
  // What changed between commands is no part of this one.
  forgetTouched(db);
  db.run("INSERT INTO imaging VALUES (1)");
}

/** Keeps what was gathered for a command, and stops. */
export function keepImages(db: Db, commandId: number): void {
  db.run(
    "INSERT INTO undo_image (command_id, place, row_key, old) SELECT ?, place, row_key, old FROM before_image",
    commandId,
  );
  db.run("DELETE FROM before_image");
  db.run("DELETE FROM imaging");
}

/** The command by which a file was taken in. */
export function commandOfFile(db: Db, fileId: number): number | undefined {
  return db.get<{ id: number }>(
    "SELECT command_id AS id FROM act WHERE kind = 'import' AND subject_kind = 'import_file' AND subject_id = ? LIMIT 1",
    fileId,
  )?.id;
}

/** Whether what rows were before a command is known: it is not for files from before the trail began. */
export function isSealed(db: Db, commandId: number): boolean {
  return db.get("SELECT 1 FROM command WHERE id = ? AND chain <> ''", commandId) !== undefined;
}

/** Later commands that changed a row which a command wrote or changed, or brought one that names it; the last first. */
export function commandsAfter(db: Db, commandId: number): number[] {
  return [...new Set([...changedAfter(db, commandId), ...namedAfter(db, commandId)])].sort(
    (a, b) => b - a,
  );
}

function changedAfter(db: Db, commandId: number): number[] {
  const names = new Set([...BY_THE_JOURNAL, ...OF_THE_FILE]);
  const aside = [...names].map((name) => `'${name}'`).join(", ");
  const alone = db
    .all<{ id: number }>(
      `SELECT DISTINCT later.command_id AS id
       FROM trail own
       JOIN trail later ON later.place = own.place AND later.row_key = own.row_key AND later.command_id > own.command_id
       WHERE own.command_id = ? AND own.place NOT IN (${aside})`,
      commandId,
    )
    .map(({ id }) => id);
  return [...alone, ...changedInRuns(db, commandId, names)];
}

/** Documents of files, and what of other files' rows they name. */
const NAMING: readonly (readonly [table: string, column: string, place: string])[] = [
  ["open_item", "customer_id", "customer"],
  ["receipt", "customer_id", "customer"],
  ["ach_started", "customer_id", "customer"],
  ["change_notice", "customer_id", "customer"],
  ["customer", "parent_id", "customer"],
  ["processor_item", "receipt_id", "receipt"],
  ["processor_item", "payout_id", "payout"],
  ["remittance", "receipt_id", "receipt"],
];

/** The commands by which files came that name what a command wrote. */
function namedAfter(db: Db, commandId: number): number[] {
  return NAMING.flatMap(([table, column, place]) => {
    const naming = `SELECT DISTINCT a.command_id AS id
       FROM "${table}" d
       JOIN act a ON a.kind = 'import' AND a.subject_kind = 'import_file' AND a.subject_id = d.file_id
       WHERE a.command_id > ?`;
    return [
      ...db.all<{ id: number }>(
        `${naming} AND json_array(d."${column}") IN (${WRITTEN})`,
        commandId,
        commandId,
        place,
      ),
      ...spansWritten(db, commandId, place).flatMap(({ first, last }) =>
        db.all<{ id: number }>(
          `${naming} AND d."${column}" BETWEEN ? AND ?`,
          commandId,
          first,
          last,
        ),
      ),
    ];
  }).map(({ id }) => id);
}

/** Rows of others that name a row which goes: those that ended with what was undone go with it. */
const ENDED: readonly {
  table: string;
  where: string;
  names: readonly [column: string, place: string][];
}[] = [
  {
    table: "application",
    where: "ended_by IS NOT NULL",
    names: [
      ["receipt_id", "receipt"],
      ["open_item_id", "open_item"],
    ],
  },
  {
    table: "payout_tie",
    where: "ended_by IS NOT NULL",
    names: [
      ["payout_id", "payout"],
      ["bank_line_id", "bank_line"],
    ],
  },
  {
    table: "credit_use",
    where: "ended_by IS NOT NULL",
    names: [
      ["credit_item_id", "open_item"],
      ["open_item_id", "open_item"],
    ],
  },
];

/** Gives every row that a command changed what it held before, and takes away every row that it wrote. */
export function putBackRows(db: Db, commandId: number): void {
  db.exec("PRAGMA defer_foreign_keys = ON");
  const places = trailPlaces(db).filter(
    ({ name }) => !BY_THE_JOURNAL.has(name) && !OF_THE_FILE.has(name),
  );
  for (const place of places) takeAwayEnded(db, place.name, commandId);
  for (const place of places) {
    takeAwayWritten(db, place, commandId);
    putBackChanged(db, place, commandId);
  }
}

/** The keys of rows that a command wrote: those of which nothing is kept from before. */
const WRITTEN = `SELECT t.row_key FROM trail t
  WHERE t.command_id = ? AND t.place = ?
    AND NOT EXISTS (SELECT 1 FROM undo_image i WHERE i.command_id = t.command_id AND i.place = t.place AND i.row_key = t.row_key)`;

function takeAwayEnded(db: Db, name: string, commandId: number): void {
  const spans = spansWritten(db, commandId, name);
  for (const { table, where, names } of ENDED)
    for (const [column, place] of names) {
      if (place !== name) continue;
      const ended = `DELETE FROM "${table}" WHERE ${where} AND`;
      db.run(`${ended} json_array("${column}") IN (${WRITTEN})`, commandId, name);
      for (const { first, last } of spans)
        db.run(`${ended} "${column}" BETWEEN ? AND ?`, first, last);
    }
}

function takeAwayWritten(db: Db, place: Place, commandId: number): void {
  // The journal goes on naming whom an entry was about: such a customer stays, without anything.
  const stays =
    place.name === "customer" || place.name === "account_link"
      ? `AND NOT EXISTS (SELECT 1 FROM entry e WHERE e.customer_id = t."${place.key[0]}")
         AND NOT EXISTS (SELECT 1 FROM act a WHERE a.customer_id = t."${place.key[0]}")`
      : "";
  db.run(
    `DELETE FROM "${place.name}" AS t WHERE ${keyOf(place, "t")} IN (${WRITTEN}) ${stays}`,
    commandId,
    place.name,
  );
  for (const { first, last } of spansWritten(db, commandId, place.name))
    db.run(
      `DELETE FROM "${place.name}" AS t WHERE t."${place.key[0]}" BETWEEN ? AND ? ${stays}`,
      first,
      last,
    );
}

function putBackChanged(db: Db, place: Place, commandId: number): void {
  const images = db.all<{ old: string }>(
    "SELECT old FROM undo_image WHERE command_id = ? AND place = ?",
    commandId,
    place.name,
  );
  if (images.length === 0) return;
  const columns = columnsOf(db, place.name);
  const names = columns.map((column) => `"${column}"`).join(", ");
  const values = columns.map((column) => `json_extract(?1, '$."${column}"')`).join(", ");
  const others = columns.filter((column) => !place.key.includes(column));
  const sets = others.map((column) => `"${column}" = excluded."${column}"`).join(", ");
  const then = sets === "" ? "DO NOTHING" : `DO UPDATE SET ${sets}`;
  for (const { old } of images)
    db.run(
      `INSERT INTO "${place.name}" (${names}) SELECT ${values} WHERE true
       ON CONFLICT (${place.key.map((column) => `"${column}"`).join(", ")}) ${then}`,
      old,
    );
}

/** Says of a file that it was taken back, and by which act. */
export function markFileUndone(db: Db, fileId: number, actId: number): void {
  db.run("UPDATE import_file SET undone_by = ? WHERE id = ?", actId, fileId);
}

/** Whether anything names a row that is gone; a command is entered last, and is named before. */
export function namesWhatIsGone(db: Db): boolean {
  return db
    .all<{ table: string; parent: string }>("PRAGMA foreign_key_check")
    .some(({ table, parent }) => !(table === "act" && parent === "command"));
}
