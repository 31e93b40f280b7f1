import type { TrailProof } from "@/contracts/books";
import { chainOf, rowDigest } from "@/db/trail";
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
};

/**
 * Computes the chain anew and holds every row against what the last command that changed it kept of
 * it. Says the first record that does not fit, else the first row.
 */
export function proveTrail({ first, later, rows, strays }: TrailSource): TrailProof {
  if (!first) return { holds: true, records: 0, head: "", problem: null };
  const last = new Map<string, string>();
  let [head, records]: [string, number] = ["", 0];
  for (const record of joined(first, later)) {
    const chain = chainOf(head, record.command, record);
    if (chain !== record.chain) return { holds: false, records, head, problem: misfit(record) };
    for (const { place, key, digest } of record.rows) last.set(`${place} ${key}`, digest);
    head = chain;
    records += 1;
  }
  const problem =
    strays[0] === undefined ? rowProblem(last, rows) : `${strays[0]} belongs to no record`;
  return { holds: problem === null, records, head, problem };
}

function* joined(first: TrailRecord, later: Iterable<TrailRecord>): Generator<TrailRecord> {
  yield first;
  yield* later;
}

const misfit = ({ command: { id, name, actor, at } }: TrailRecord): string =>
  `record ${id} (${name}${actor === "" ? "" : ` by ${actor}`}${at === "" ? "" : `, ${at}`}) does not fit what stands in the book, or the record before it`;

/** The first row that is not as its last command left it; null where all are. */
function rowProblem(last: Map<string, string>, rows: TrailSource["rows"]): string | null {
  for (const { place, key, row, digest } of rows) {
    const kept = last.get(`${place} ${key}`);
    if (kept === undefined || kept === "")
      return `the row ${key} of ${place} was written by no command`;
    if (kept !== (row === undefined ? digest : rowDigest(row)))
      return `the row ${key} of ${place} was changed by no command`;
    last.delete(`${place} ${key}`);
  }
  for (const [row, digest] of last)
    if (digest !== "") {
      const [place = "", key = ""] = [
        row.slice(0, row.indexOf(" ")),
        row.slice(row.indexOf(" ") + 1),
      ];
      return `the row ${key} of ${place} was deleted by no command`;
    }
  return null;
}
