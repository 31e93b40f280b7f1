import type { CommandRecord } from "./acts";
import type { Db } from "./connection";
import { actTexts, chainBegins, entryTexts, hashOf, rowsKept, type TrailRow } from "./trail";
import { digestInRuns, goneOfRuns } from "./trailRuns";
import { keyOf, type Place, trailPlaces, valuesOf } from "./trailPlaces";

/** A record of the chain with all that it is made of. */
export type TrailRecord = {
  command: CommandRecord;
  chain: string;
  acts: string[];
  entries: string[];
  rows: TrailRow[];
};

/** The record that the chain begins with: all that stood in the book then. Undefined before it begins. */
export function firstRecord(db: Db): TrailRecord | undefined {
  const begins = chainBegins(db);
  if (!begins) return undefined;
  const { commandId: id, chain } = begins;
  return {
    command: { id, key: "", name: "begin", actor: "", at: "", inputHash: "", resultHash: "" },
    chain,
    acts: [hashOf(actTexts(db, 0, id).join("\n"))],
    entries: [hashOf([...entryTexts(db, 0, id)].join("\n"))],
    rows: [...rowsKept(db, id)],
  };
}

/** The records after it, in order. */
export function* laterRecords(db: Db, after: number): Generator<TrailRecord> {
  for (let last = after; ;) {
    const next = db.get<Omit<CommandRecord, "resultHash"> & { result: string; chain: string }>(
      "SELECT id, key, name, actor, at, input_hash AS inputHash, result, chain FROM command WHERE id > ? ORDER BY id LIMIT 1",
      last,
    );
    if (!next) return;
    const { result, chain, ...command } = next;
    last = command.id;
    yield {
      command: { ...command, resultHash: hashOf(result) },
      chain,
      acts: actTexts(db, last, last),
      entries: [...entryTexts(db, last, last)],
      rows: [...rowsKept(db, last)],
    };
  }
}

/** Acts and entries that belong to no command of the chain: nobody can have made them by the program. */
export function strays(db: Db): string[] {
  const acts = db.all<{ id: number }>(
    "SELECT a.id FROM act a LEFT JOIN command c ON c.id = a.command_id WHERE c.id IS NULL LIMIT 5",
  );
  const entries = db.all<{ id: number }>(
    "SELECT e.id FROM entry e LEFT JOIN act a ON a.id = e.act_id WHERE a.id IS NULL LIMIT 5",
  );
  const lines = db.all<{ id: number }>(
    "SELECT l.entry_id AS id FROM entry_line l LEFT JOIN entry e ON e.id = l.entry_id WHERE e.id IS NULL LIMIT 5",
  );
  return [
    ...acts.map(({ id }) => `act ${id}`),
    ...entries.map(({ id }) => `entry ${id}`),
    ...lines.map(({ id }) => `line of entry ${id}`),
  ];
}

/** What the last record that names a row kept of it. */
export function lastDigest(db: Db, place: string, key: string): string | undefined {
  const alone = db.get<{ commandId: number; digest: string }>(
    "SELECT command_id AS commandId, digest FROM trail WHERE place = ? AND row_key = ? ORDER BY command_id DESC LIMIT 1",
    place,
    key,
  );
  const inRun = digestInRuns(db, place, key);
  return (inRun?.commandId ?? -1) > (alone?.commandId ?? -1) ? inRun?.digest : alone?.digest;
}

/** A row that stood after the last record that names it, and stands no more. */
export function missingRow(db: Db): { place: string; key: string } | undefined {
  for (const place of trailPlaces(db)) {
    const on = place.key.map((column, at) => `t."${column}" = json_extract(x.row_key, '$[${at}]')`);
    const found = db.get<{ key: string }>(
      `SELECT x.row_key AS key
       FROM trail x
       WHERE x.place = '${place.name}' AND x.digest <> ''
         AND NOT EXISTS (SELECT 1 FROM "${place.name}" t WHERE ${on.join(" AND ")})
         AND NOT EXISTS (
           SELECT 1 FROM trail y
           WHERE y.place = x.place AND y.row_key = x.row_key AND y.command_id > x.command_id)
       LIMIT 1`,
    );
    const gone = found?.key ?? goneOfRun(db, place);
    if (gone !== undefined) return { place: place.name, key: gone };
  }
  return undefined;
}

/** The key of a row that came in a run, that no record says is gone, and that stands no more. */
function goneOfRun(db: Db, place: Place): string | undefined {
  if (!place.isNumbered) return undefined;
  const keys = goneOfRuns(db, place).map((id) => `[${id}]`);
  return keys.find((key) => lastDigest(db, place.name, key) !== "");
}

/** Every row as it stands, place by place: its key, and its columns as one text. */
export function* rowsNow(db: Db): Generator<{ place: string; key: string; row: string }> {
  for (const place of trailPlaces(db)) yield* rowsOfPlace(db, place);
}

/** A piece of a table at a time, so that a large one is not held in memory. */
const PIECE = 20_000;

function* rowsOfPlace(
  db: Db,
  place: Place,
): Generator<{ place: string; key: string; row: string }> {
  const order = place.key.map((column) => `"${column}"`).join(", ");
  for (let from = 0; ; from += PIECE) {
    const rows = db.all<{ key: string; row: string }>(
      `SELECT ${keyOf(place, "t")} AS key, ${valuesOf(place, "t")} AS row
       FROM "${place.name}" t
       ORDER BY ${order}
       LIMIT ${PIECE} OFFSET ${from}`,
    );
    for (const row of rows) yield { place: place.name, ...row };
    if (rows.length < PIECE) return;
  }
}
