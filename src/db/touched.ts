import type { Db } from "./connection";
import { keyOf, type Place, trailPlaces, valuesOf } from "./trailPlaces";

/** A row that changed: its key, and its columns as one text; null where it is gone. */
export type ChangedRow = { key: string; row: string | null };
/** A row that came: its number, and its columns as one text. */
export type NewRow = { id: number; row: string };

const watched = new WeakMap<Db, Place[]>();

/**
 * Has a connection note, in memory, which rows change; gives the tables that are followed. Not first
 * within a transaction: it would be forgotten where that is rolled back. Rows that come are not noted
 * one by one where a table numbers them: they are those above its mark.
 */
export function watchRows(db: Db): Place[] {
  const known = watched.get(db);
  if (known) return known;
  const places = trailPlaces(db);
  db.exec(
    `CREATE TEMP TABLE touched (place TEXT NOT NULL, row_key TEXT NOT NULL, PRIMARY KEY (place, row_key)) WITHOUT ROWID;
     CREATE TEMP TABLE mark (place INTEGER PRIMARY KEY, last INTEGER NOT NULL)`,
  );
  for (const [at, place] of places.entries())
    db.exec(
      place.isNumbered
        ? noteNumbered(place, `(SELECT last FROM mark WHERE place = ${at})`)
        : noteAll(place),
    );
  watched.set(db, places);
  markRows(db);
  return places;
}

/** From here on, what comes is new; for the start of each command. */
export function markRows(db: Db): void {
  const lasts = watchRows(db).flatMap(({ name, key, isNumbered }, at) =>
    isNumbered ? [`SELECT ${at}, coalesce(max("${key[0]}"), 0) FROM main."${name}"`] : [],
  );
  db.run(`INSERT OR REPLACE INTO mark ${lasts.join(" UNION ALL ")}`);
}

/** That a row stood before the command began, within a trigger. */
export const stoodBefore = (places: readonly Place[], place: Place, row: string): string =>
  place.isNumbered
    ? `${row}."${place.key[0]}" <= (SELECT last FROM mark WHERE place = ${places.indexOf(place)})`
    : "true";

const trigger = (
  { name }: Place,
  event: "INSERT" | "UPDATE" | "DELETE",
  { when = "", body }: { when?: string; body: string },
): string =>
  `CREATE TEMP TRIGGER "touch_${name}_${event}" AFTER ${event} ON main."${name}" ${when} BEGIN ${body} END;`;

/** Of a table that numbers its rows, what stood before is noted, and what comes below the mark. */
function noteNumbered(place: Place, mark: string): string {
  const isOld = (row: string): string => `${row}."${place.key[0]}" <= ${mark}`;
  return [
    trigger(place, "INSERT", { when: `WHEN ${isOld("NEW")}`, body: noteOf(place, "NEW") }),
    trigger(place, "UPDATE", {
      when: `WHEN ${isOld("OLD")} OR ${isOld("NEW")}`,
      body: noteBoth(place),
    }),
    trigger(place, "DELETE", { when: `WHEN ${isOld("OLD")}`, body: noteOf(place, "OLD") }),
  ].join("\n");
}

const noteAll = (place: Place): string =>
  [
    trigger(place, "INSERT", { body: noteOf(place, "NEW") }),
    trigger(place, "UPDATE", { body: noteBoth(place) }),
    trigger(place, "DELETE", { body: noteOf(place, "OLD") }),
  ].join("\n");

/** Before and after, which are one row unless its key changed. */
function noteBoth(place: Place): string {
  const moved = place.key.map((column) => `OLD."${column}" IS NOT NEW."${column}"`).join(" OR ");
  const after = `SELECT '${place.name}', ${keyOf(place, "NEW")} WHERE ${moved}`;
  return `${noteOf(place, "OLD")} INSERT INTO touched ${after} ON CONFLICT DO NOTHING;`;
}

/**
 * Notes a row once. Not by INSERT OR IGNORE: within a trigger the conflict clause of the statement
 * that fired it counts instead (SQLite, CREATE TRIGGER, 2); an upsert is none.
 */
const noteOf = (place: Place, row: string): string =>
  `INSERT INTO touched VALUES ('${place.name}', ${keyOf(place, row)}) ON CONFLICT DO NOTHING;`;

/** As if every row of the book had changed. */
export function touchAll(db: Db): void {
  for (const place of watchRows(db))
    db.run(
      `INSERT OR IGNORE INTO touched SELECT '${place.name}', ${keyOf(place, "t")} FROM main."${place.name}" t`,
    );
}

export function forgetTouched(db: Db): void {
  db.run("DELETE FROM touched");
}

/** New rows of a table that numbers its rows: those above its mark, a piece at a time, in order. */
export function* newRows(db: Db, place: Place): Generator<NewRow[]> {
  if (!place.isNumbered) return;
  const at = watchRows(db).indexOf(place);
  const first = db.get<{ last: number }>("SELECT last FROM mark WHERE place = ?", at)?.last ?? 0;
  for (let last = first; ;) {
    const rows = rowsAfter(db, place, last);
    if (rows.length > 0) yield rows;
    if (rows.length < PIECE) return;
    last = rows.at(-1)?.id ?? last;
  }
}

/** A piece of a table at a time, so that a large one is not held in memory. */
const PIECE = 10_000;

const rowsAfter = (db: Db, place: Place, last: number): NewRow[] =>
  db.all(
    `SELECT t."${place.key[0]}" AS id, ${valuesOf(place, "t")} AS row
     FROM main."${place.name}" t
     WHERE t."${place.key[0]}" > ?
     ORDER BY t."${place.key[0]}"
     LIMIT ${PIECE}`,
    last,
  );

/** Rows of a table that were noted as changed, in no order. */
export function notedRows(db: Db, place: Place): ChangedRow[] {
  const on = place.key.map((column, at) => `t."${column}" = json_extract(x.row_key, '$[${at}]')`);
  return db.all<ChangedRow>(
    `SELECT x.row_key AS key, CASE WHEN t."${place.key[0]}" IS NOT NULL THEN ${valuesOf(place, "t")} END AS row
     FROM touched x
     LEFT JOIN main."${place.name}" t ON ${on.join(" AND ")}
     WHERE x.place = '${place.name}'`,
  );
}
