import type { Db } from "./connection";
import type { Place } from "./trailPlaces";

/** Numbers of rows from one to another, both included. */
export type Span = { first: number; last: number };

/** Fewer rows of a table that came together are kept one by one. */
export const FEW = 64;
/** So many rows share a run at most: whoever looks one up looks so far back. */
const LONGEST = 500;
/** Hex digits of a digest. */
const DIGITS = 32;

/** Keeps the digests of new rows of a table that numbers its rows, those of numbers in a row together. */
export function keepRuns(
  db: Db,
  commandId: number,
  place: Place,
  rows: readonly { id: number; digest: string }[],
): void {
  for (let from = 0; from < rows.length;) {
    const first = rows[from]?.id ?? 0;
    let to = from + 1;
    while (to < rows.length && to - from < LONGEST && rows[to]?.id === first + to - from) to += 1;
    const digests = rows.slice(from, to).map(({ digest }) => digest);
    db.run(
      "INSERT INTO trail_run (command_id, place, first_id, last_id, digests) VALUES (?, ?, ?, ?, ?)",
      commandId,
      place.name,
      first,
      first + to - from - 1,
      digests.join(""),
    );
    from = to;
  }
}

type KeptRow = { place: string; key: string; digest: string };

/** The rows of a command that are kept in runs, in order. */
export function* rowsInRuns(db: Db, commandId: number): Generator<KeptRow> {
  const runs = db.all<{ place: string; first: number; digests: string }>(
    "SELECT place, first_id AS first, digests FROM trail_run WHERE command_id = ? ORDER BY place, first_id",
    commandId,
  );
  for (const { place, first, digests } of runs)
    for (let at = 0; at * DIGITS < digests.length; at += 1)
      yield {
        place,
        key: `[${first + at}]`,
        digest: digests.slice(at * DIGITS, (at + 1) * DIGITS),
      };
}

/** What the last run that names a row keeps of it, and of which command it is. */
export function digestInRuns(
  db: Db,
  place: string,
  key: string,
): { commandId: number; digest: string } | undefined {
  const id = Number(key.slice(1, -1));
  if (!Number.isInteger(id)) return undefined;
  return db.get(
    `SELECT command_id AS commandId, substr(digests, (?2 - first_id) * ${DIGITS} + 1, ${DIGITS}) AS digest
     FROM trail_run
     WHERE place = ?1 AND first_id BETWEEN ?2 - ${LONGEST} + 1 AND ?2 AND last_id >= ?2
     ORDER BY command_id DESC
     LIMIT 1`,
    place,
    id,
  );
}

/** Numbers of rows of a table that runs name and that stand no more, whoever took them away. */
export function goneOfRuns(db: Db, place: Place): number[] {
  const [key] = place.key;
  const short = db.all<Span>(
    `SELECT r.first_id AS first, r.last_id AS last
     FROM trail_run r
     WHERE r.place = ? AND r.last_id - r.first_id + 1 > (
       SELECT count(*) FROM main."${place.name}" t WHERE t."${key}" BETWEEN r.first_id AND r.last_id)`,
    place.name,
  );
  return short.flatMap(({ first, last }) => {
    const standing = db.ids(
      `SELECT "${key}" AS id FROM main."${place.name}" WHERE "${key}" BETWEEN ? AND ?`,
      first,
      last,
    ) as Set<unknown>;
    const numbers = Array.from({ length: last - first + 1 }, (_, at) => first + at);
    return numbers.filter((id) => !standing.has(id));
  });
}

/** The numbers of rows that a command wrote in runs, of one table. */
export function spansWritten(db: Db, commandId: number, place: string): Span[] {
  const spans: Span[] = [];
  const runs = db.all<Span>(
    "SELECT first_id AS first, last_id AS last FROM trail_run WHERE command_id = ? AND place = ? ORDER BY first_id",
    commandId,
    place,
  );
  for (const run of runs) {
    const before = spans.at(-1);
    if (before?.last === run.first - 1) before.last = run.last;
    else spans.push({ ...run });
  }
  return spans;
}

/** Later commands that changed a row which a command wrote in a run, or that wrote one in a run which it changed. */
export function changedInRuns(db: Db, commandId: number, aside: ReadonlySet<string>): number[] {
  const places = db
    .all<{ place: string }>("SELECT DISTINCT place FROM trail_run WHERE command_id = ?", commandId)
    .filter(({ place }) => !aside.has(place));
  const ofWritten = places.flatMap(({ place }) =>
    spansWritten(db, commandId, place).flatMap((span) => changedWithin(db, commandId, place, span)),
  );
  const ofChanged = db.all<{ id: number; place: string }>(
    `SELECT DISTINCT later.command_id AS id, own.place
     FROM trail own
     JOIN trail_run later ON later.place = own.place
       AND later.first_id BETWEEN own.row_key ->> 0 - ${LONGEST} + 1 AND own.row_key ->> 0
       AND later.last_id >= own.row_key ->> 0 AND later.command_id > own.command_id
     WHERE own.command_id = ?`,
    commandId,
  );
  return [...ofWritten, ...ofChanged.filter(({ place }) => !aside.has(place)).map(({ id }) => id)];
}

const changedWithin = (db: Db, commandId: number, place: string, { first, last }: Span): number[] =>
  db
    .all<{ id: number }>(
      `SELECT command_id AS id FROM trail
       WHERE command_id > ?1 AND place = ?2 AND row_key ->> 0 BETWEEN ?3 AND ?4
       UNION
       SELECT command_id FROM trail_run
       WHERE command_id > ?1 AND place = ?2 AND first_id <= ?4 AND last_id >= ?3`,
      commandId,
      place,
      first,
      last,
    )
    .map(({ id }) => id);
