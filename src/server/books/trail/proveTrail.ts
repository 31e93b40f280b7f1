import type { TrailProof } from "@/contracts/books";
import { chainOf, rowDigest, type TrailRow } from "@/db/trail";
import type { TrailRecord } from "@/db/trailRecords";

/** A row as it stands, as one text; where that is withheld, its digest alone. */
type RowAtEnd = {
  place: string;
  key: string;
  row?: string | undefined;
  digest?: string | undefined;
};

/** A history to be proven, from a book or from an audit package. */
export type TrailSource = {
  /** The record that the chain begins with; undefined where it has not begun. */
  first: TrailRecord | undefined;
  later: Iterable<TrailRecord>;
  rows: Iterable<RowAtEnd>;
  /** What belongs to no record. */
  strays: readonly string[];
  kept: LastDigests;
};

/** What the last record that names a row kept of it. */
export type LastDigests = {
  /** Takes in what a record keeps, as the records go by. */
  note: (rows: readonly TrailRow[]) => void;
  /** Undefined where no record names the row, empty where the last says that it is gone. */
  of: (place: string, key: string) => string | undefined;
  /** A row that should stand and does not, once all that stand were asked for. */
  missing: () => { place: string; key: string } | undefined;
};

/**
 * Computes the chain anew and holds every row against what the last command that changed it kept of
 * it. Says the first record that does not fit, else the first row.
 */
export function proveTrail({ first, later, rows, strays, kept }: TrailSource): TrailProof {
  if (!first) return { holds: true, records: 0, head: "", problem: null };
  let [head, records]: [string, number] = ["", 0];
  for (const record of joined(first, later)) {
    const chain = chainOf(head, record.command, record);
    if (chain !== record.chain) return { holds: false, records, head, problem: misfit(record) };
    kept.note(record.rows);
    head = chain;
    records += 1;
  }
  const problem =
    strays[0] === undefined ? rowProblem(kept, rows) : `${strays[0]} belongs to no record`;
  return { holds: problem === null, records, head, problem };
}

function* joined(first: TrailRecord, later: Iterable<TrailRecord>): Generator<TrailRecord> {
  yield first;
  yield* later;
}

const misfit = ({ command: { id, name, actor, at } }: TrailRecord): string =>
  `record ${id} (${name}${actor === "" ? "" : ` by ${actor}`}${at === "" ? "" : `, ${at}`}) does not fit what stands in the book, or the record before it`;

/** The first row that is not as its last command left it; null where all are. */
function rowProblem(kept: LastDigests, rows: TrailSource["rows"]): string | null {
  for (const { place, key, row, digest } of rows) {
    const last = kept.of(place, key);
    if (last === undefined || last === "")
      return `the row ${key} of ${place} was written by no command`;
    if (last !== (row === undefined ? digest : rowDigest(row)))
      return `the row ${key} of ${place} was changed by no command`;
  }
  const missing = kept.missing();
  return missing ? `the row ${missing.key} of ${missing.place} was deleted by no command` : null;
}

/** Keeps them in memory, for a history that is read from a file. */
export function rememberedDigests(): LastDigests {
  const last = new Map<string, TrailRow>();
  return {
    note: (rows) => {
      for (const row of rows) last.set(`${row.place} ${row.key}`, row);
    },
    of: (place, key) => {
      const name = `${place} ${key}`;
      const found = last.get(name)?.digest;
      last.delete(name);
      return found;
    },
    missing: () => [...last.values()].find(({ digest }) => digest !== ""),
  };
}
