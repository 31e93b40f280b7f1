import Database from "better-sqlite3";
import { existsSync } from "node:fs";

/**
 * That a file is in use, known to every process of the machine. The operating system keeps it and
 * ends it with the process, however that ends: nothing is left behind that would have to be
 * cleared away. Several may share a hold; whoever claims one has it alone.
 * @see https://www.sqlite.org/lockingv3.html (locks of an empty database file)
 */
export class Hold {
  private constructor(private readonly raw: Database.Database | null) {}

  /** Holds along with others; null where somebody has claimed it. */
  static share(path: string): Hold | null {
    return held(path, "BEGIN; SELECT count(*) FROM sqlite_schema");
  }

  /** Holds alone; null where anybody holds it. */
  static claim(path: string): Hold | null {
    return held(path, "BEGIN EXCLUSIVE");
  }

  static of(raw: Database.Database | null): Hold {
    return new Hold(raw);
  }

  release(): void {
    this.raw?.close();
  }
}

function held(path: string, how: string): Hold | null {
  let raw: Database.Database | null = null;
  try {
    raw = new Database(path, { timeout: 0 });
    raw.exec(how);
    return Hold.of(raw);
  } catch (error) {
    raw?.close();
    const code = (error as { code?: string }).code ?? "";
    if (code.startsWith("SQLITE_BUSY")) return null;
    // In a folder that cannot be written to, nobody can put another file in its place.
    if (!existsSync(path) || code.startsWith("SQLITE_READONLY")) return Hold.of(null);
    throw error;
  }
}
