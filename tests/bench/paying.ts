import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import type { Day } from "@/core/calendar";
import type { Db } from "@/db/connection";
import { PracticeStore } from "@/db/practice";
import { practiceCard } from "@/practice/numbers";
import { PracticeProcessor } from "@/practice/processor";
import { COMMANDS } from "@/server/commands";
import type { DoCommand } from "@/server/paying/payNow";
import { agreedDue } from "@/server/paying/queries/agreed";
import { runAgreed } from "@/server/paying/runAgreed";
import { runCommand } from "@/server/runtime/command";

import { BOOK, command, seconds, withBook } from "./importing";
import type { Measure } from "./measure";

const CUSTOMERS = 5_000;
const ON = "2026-11-24" as Day;

/** A run of agreed payments: each kept, asked for, posted and given to its invoice. */
export function paying(): Promise<Measure[]> {
  return withBook(async (db, take) => {
    take(
      "customers",
      table(
        "customer_id,name,email,parent_id",
        (at) => `C${at},Tenant ${at},t${at}@tenant.example,`,
      ),
    );
    take(
      "invoices",
      table(
        "number,customer_id,issued_on,due_on,currency,total,balance",
        (at) => `R-${at},C${at},2026-11-01,2026-11-20,USD,480.00,480.00`,
      ),
    );
    const folder = mkdtempSync(join(tmpdir(), "dozo-bench-practice-"));
    const store = new PracticeStore(join(folder, "practice.sqlite"));
    try {
      return await measured(db, new PracticeProcessor(store));
    } finally {
      store.close();
      rmSync(folder, { recursive: true, force: true });
    }
  });
}

const table = (head: string, row: (at: number) => string): string =>
  `${head}\n${Array.from({ length: CUSTOMERS }, (_, at) => row(at)).join("\n")}\n`;

async function measured(db: Db, processor: PracticeProcessor): Promise<Measure[]> {
  for (const { id } of db.all<{ id: number }>("SELECT id FROM customer ORDER BY id")) {
    const taken = processor.takeCard(
      { number: practiceCard(id, "00"), expiry: "12/31", code: "123" },
      ON,
    );
    if (!taken.ok) throw new Error(taken.error.code);
    const kept = { customerId: id, ...taken.value, onFile: true };
    const method = command(db, "keepMethod", kept) as { id: number };
    const agreed = { customerId: id, methodId: method.id, address: "127.0.0.1", agent: "bench" };
    command(db, "agree", agreed);
  }
  const keys = new Set(agreedDue(db, ON).map(({ key }) => key));
  const run: DoCommand = (name, input, key) =>
    runCommand(db, COMMANDS[name] as never, input, { book: BOOK, actor: "bench", key }) as never;
  const from = performance.now();
  const told = await runAgreed(db, { processor, run, on: ON, keys });
  return [
    {
      work: `a run of ${keys.size.toLocaleString("en")} agreed payments, ${told.paid.toLocaleString("en")} of them paid, posted and given to their invoices`,
      took: seconds(performance.now() - from),
      must: "60 s",
    },
  ];
}
