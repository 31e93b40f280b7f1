import { join } from "node:path";

import type { Db } from "@/db/connection";
import { createFile } from "@/db/opening";
import { bookFile, dataFolder } from "@/server/runtime/folders";
import type { Value } from "@/db/value";

/** The tables that an import of activity fills, a table before those that name it. */
const TABLES = [
  "payout",
  "receipt",
  "processor_item",
  "entry",
  "entry_line",
  "posting",
  "trail_run",
  "trail",
];
const PIECE = 10_000;

/**
 * Milliseconds for inserting the rows of a book's activity into an empty file with the same indexes,
 * and nothing else: a prepared statement for each row, in one transaction, without triggers. What an
 * import of them is held against.
 */
export function bareInserts(book: string): number {
  const to = createFile(join(dataFolder(), "bare.sqlite"));
  to.exec("PRAGMA foreign_keys = OFF");
  for (const { name } of to.all<{ name: string }>(
    "SELECT name FROM sqlite_schema WHERE type = 'trigger'",
  ))
    to.exec(`DROP TRIGGER "${name}"`);
  to.exec(`ATTACH '${bookFile(book)}' AS source`);
  const took = to.transaction(() => TABLES.reduce((total, table) => total + copied(to, table), 0));
  to.close();
  return took;
}

function copied(to: Db, table: string): number {
  const columns = to
    .all<{ name: string }>("SELECT name FROM pragma_table_info(?)", table)
    .map(({ name }) => name);
  const marks = columns.map(() => "?").join(", ");
  const insert = `INSERT INTO main."${table}" VALUES (${marks})`;
  let took = 0;
  for (let from = 0; ; from += PIECE) {
    const rows = to.all<Record<string, Value>>(
      `SELECT * FROM source."${table}" LIMIT ${PIECE} OFFSET ${from}`,
    );
    const values = rows.map((row) => columns.map((name) => row[name] ?? null));
    const began = performance.now();
    for (const row of values) to.run(insert, ...row);
    took += performance.now() - began;
    if (rows.length < PIECE) return took;
  }
}
