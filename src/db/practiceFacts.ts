import Database from "better-sqlite3";

import type { Day } from "@/core/calendar";

import { Db } from "./connection";
import { PRACTICE_SCHEMA } from "./practiceTables";

/** The file of a practice world's books, with what is so in it and what was done: each thing once. */
export class PracticeFacts {
  protected readonly db: Db;

  constructor(path: string) {
    const raw = new Database(path);
    raw.pragma("journal_mode = WAL");
    raw.pragma("synchronous = NORMAL");
    this.db = new Db(raw, path);
    this.db.exec(PRACTICE_SCHEMA);
  }

  close(): void {
    this.db.close();
  }

  together<T>(work: () => T): T {
    return this.db.transaction(work);
  }

  fact(name: string): string | null {
    return (
      this.db.get<{ value: string }>("SELECT value FROM fact WHERE name = ?", name)?.value ?? null
    );
  }

  setFact(name: string, value: string): void {
    this.db.run("INSERT OR REPLACE INTO fact (name, value) VALUES (?, ?)", name, value);
  }

  /** Notes that something was done; false where it was done before. */
  once(name: string, on: Day): boolean {
    return (
      this.db.run("INSERT OR IGNORE INTO done (name, on_day) VALUES (?, ?)", name, on).changes > 0
    );
  }

  isDone(name: string): boolean {
    return this.doneOn(name) !== null;
  }

  /** The day on which something was done; null where it was not. */
  doneOn(name: string): Day | null {
    const found = this.db.get<{ onDay: Day }>(
      "SELECT on_day AS onDay FROM done WHERE name = ?",
      name,
    );
    return found?.onDay ?? null;
  }
}
