import { createHash } from "node:crypto";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import { type FileKind, guessMapping, type MappingSpec, readTable } from "@/core/formats";
import type { Db } from "@/db/connection";
import { type CommandName, COMMANDS } from "@/server/commands";
import { createBook } from "@/server/runtime/books";
import { runCommand } from "@/server/runtime/command";
import { keptFile } from "@/server/runtime/folders";

import { bareInserts } from "./bareInserts";
import type { Measure } from "./measure";

export const BOOK = "bench";

/** Takes a file in, as the page and the command line do where it is `read`: with all that its lines prove. */
type Take = (kind: FileKind, text: string, how?: { rehearse?: boolean; read?: boolean }) => number;

/** A book in a scratch folder, filled with files; removed at the end. */
export function withBook<T>(work: (db: Db, take: Take) => T): T {
  const folder = mkdtempSync(join(tmpdir(), "dozo-bench-"));
  process.env.DOZO_DATA = folder;
  const made = createBook(BOOK, {
    name: "Bench",
    currency: "USD",
    timeZone: "America/Chicago",
    cutOverOn: "2025-12-31",
    replyTo: "a@b.example",
    clock: "2026-11-24",
  });
  if (!made.ok) throw new Error(made.error.code);
  const db = made.value;
  command(db, "addProcessorAccount", { code: "card", name: "card account", delayDays: 2 });
  const end = (): void => {
    db.close();
    rmSync(folder, { recursive: true, force: true });
  };
  try {
    const done = work(db, (kind, text, { rehearse = false, read = false } = {}) => {
      const bytes = Buffer.from(text);
      const sha256 = createHash("sha256").update(bytes).digest("hex");
      writeFileSync(keptFile(BOOK, sha256), bytes);
      const mapping = guessed(kind, text);
      const from = performance.now();
      const file = {
        sha256,
        name: `${kind}.csv`,
        size: bytes.length,
        mapping: { ...mapping, ...(read ? { answers: {} } : {}) },
        account: kind === "processor" ? "card" : null,
      };
      command(db, "importFile", file, { rehearse });
      return performance.now() - from;
    });
    if (done instanceof Promise) return done.finally(end) as T;
    end();
    return done;
  } catch (error) {
    end();
    throw error;
  }
}

/** A first mapping; the table that it was guessed by is let go. */
function guessed(kind: FileKind, text: string): MappingSpec {
  const table = readTable(text);
  if (!table.ok) throw new Error(table.error.code);
  return guessMapping(table.value, kind);
}

let keys = 0;
export function command(
  db: Db,
  name: CommandName,
  input: unknown,
  { rehearse = false }: { rehearse?: boolean } = {},
): unknown {
  const done = runCommand(db, COMMANDS[name] as never, input, {
    book: BOOK,
    actor: "bench",
    key: `bench-key-${++keys}`,
    rehearse,
  });
  if (!done.ok) throw new Error(JSON.stringify(done.error));
  return done.value;
}

export const seconds = (ms: number): string =>
  ms < 1000 ? `${ms.toFixed(0)} ms` : `${(ms / 1000).toFixed(1)} s`;

export function importing(): Measure[] {
  return withBook((db, take) => {
    take(
      "customers",
      `customer_id,name,email\n${Array.from({ length: 5000 }, (_, at) => `C${at},Customer Number${at} Pottery,c${at}@mail.example`).join("\n")}\n`,
    );
    take(
      "invoices",
      `invoice_number,customer_id,issued_on,due_on,total\n${Array.from({ length: 5000 }, (_, at) => `${50_000 + at},C${at},2026-11-01,2026-12-01,${100 + at}.00`).join("\n")}\n`,
    );
    const lines = (from: number, count: number): string =>
      `Id,Type,Date,Gross,Fee,Net,Payer,Email,Memo,Payout id\n${Array.from(
        { length: count },
        (_, at) => {
          const i = from + at;
          return `ch_${i},Charge,11/${String(1 + (i % 20)).padStart(2, "0")}/2026,${100 + i}.00,0.30,${99 + i}.70,Customer Number${i % 5000} Pottery,c${i % 5000}@mail.example,${i < 1000 ? `invoice ${50_000 + i}` : ""},po_${i % 400}`;
        },
      ).join("\n")}\n`;
    take("processor", lines(0, 1000));
    const from = performance.now();
    const posted = (command(db, "postSure", { receiptIds: null }) as { posted: number }).posted;
    const post = performance.now() - from;
    const large = lines(10_000, 200_000);
    const dry = take("processor", large, { rehearse: true, read: true });
    const took = take("processor", large, { read: true });
    const bare = bareInserts(BOOK);
    return [
      {
        work: `Post ${posted} sure receipts, with their matching`,
        took: seconds(post),
        must: "1 s for 1,000",
      },
      { work: "Dry run of 200,000 processor lines", took: seconds(dry), must: "6 s" },
      {
        work: "Import 200,000 processor lines with all checks (400,000 entries)",
        took: `${seconds(took)}, ${Math.round(process.resourceUsage().maxRSS / 1024)} MB at most`,
        must: "20 s",
      },
      {
        work: "The same rows, by bare inserts into the same indexes",
        took: `${seconds(bare)}: the import takes ${(took / bare).toFixed(1)} times that`,
        must: "at most twice",
      },
    ];
  });
}
