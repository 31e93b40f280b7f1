import type Database from "better-sqlite3";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

import { freeName } from "./freeName";

/** Where migrations/*.sql lie: below the program's own folder, which `dozo` names in DOZO_ROOT. */
function migrationFiles(): { number: number; path: string }[] {
  const folder = join(process.env.DOZO_ROOT ?? process.cwd(), "src/db/migrations");
  return readdirSync(folder)
    .filter((name) => name.endsWith(".sql"))
    .sort()
    .map((name) => ({ number: Number.parseInt(name, 10), path: join(folder, name) }));
}

export function schemaVersion(raw: Database.Database): number {
  return Number(raw.pragma("user_version", { simple: true }));
}

export function newestSchema(): number {
  return migrationFiles().at(-1)?.number ?? 0;
}

/** Brings a file up to date; gives whether anything was to be done. */
export function migrate(raw: Database.Database, path: string): boolean {
  const from = schemaVersion(raw);
  const todo = migrationFiles().filter(({ number }) => number > from);
  if (todo.length === 0) return false;
  if (from > 0) {
    // A copy may lie there from a migration that was cut off, or of a book that was here before.
    const copy = freeName(`${path}.before-${todo[0]?.number}`);
    raw.exec(`VACUUM INTO '${copy.replaceAll("'", "''")}'`);
  }
  // A table that is made anew is dropped on the way: references are checked once it stands again.
  raw.pragma("foreign_keys = OFF");
  for (const { number, path: file } of todo) {
    raw
      .transaction(() => {
        raw.exec(readFileSync(file, "utf8"));
        const broken = raw.pragma("foreign_key_check") as unknown[];
        if (broken.length > 0)
          throw new Error(`migration ${number} leaves ${broken.length} references broken`);
        raw.pragma(`user_version = ${number}`);
      })
      .immediate();
  }
  raw.pragma("foreign_keys = ON");
  return true;
}
