import { type ChildProcess, spawn } from "node:child_process";
import { existsSync, readdirSync, readFileSync } from "node:fs";
import { dirname } from "node:path";

import { day } from "@/core/calendar";
import { letterRun } from "@/server/overdue/queries/letterRun";
import { overdueRows } from "@/server/overdue/queries/overdue";
import { openBookToRead } from "@/server/runtime/books";
import { outboxFile } from "@/server/runtime/folders";

import { Cli } from "../support/cli";

/**
 * A run of letters, each with its statement, is killed half way (SIGKILL): in the end each has gone
 * once, and only once.
 */
const cli = new Cli();
const BOOK = "letters";
const MANY = 60;

function writer(command: string, input: object): ChildProcess {
  return spawn(
    process.execPath,
    ["tests/support/writer.mjs", BOOK, command, JSON.stringify(input)],
    {
      stdio: ["ignore", "pipe", "inherit"],
      env: { ...process.env, DOZO_DATA: cli.data, DOZO_ROOT: process.cwd() },
    },
  );
}

const outbox = (): string[] => {
  const folder = dirname(outboxFile(BOOK, "x"));
  return existsSync(folder) ? readdirSync(folder) : [];
};
const letters = (): string[] => outbox().filter((name) => name.endsWith(".eml"));
async function until(what: () => boolean): Promise<void> {
  for (const from = Date.now(); !what();) {
    if (Date.now() - from > 60_000) throw new Error("waited too long");
    await new Promise((resolve) => {
      setTimeout(resolve, 10);
    });
  }
}

it("goes on after a restart, and writes to nobody twice", async () => {
  const made = cli.practiceBook(BOOK);
  made.run("UPDATE ladder_step SET attach = 'statement'");
  made.close();
  cli.run(
    "import",
    "--book",
    BOOK,
    cli.file(
      "customers.csv",
      `customer_id,name,email\n${Array.from({ length: MANY }, (_, at) => `C${at},Customer Number${at} Pottery,c${at}@customer${at}.example`).join("\n")}\n`,
    ),
  );
  cli.run(
    "import",
    "--book",
    BOOK,
    "--kind",
    "invoices",
    cli.file(
      "invoices.csv",
      `invoice_number,customer_id,issued_on,due_on,total\n${Array.from({ length: MANY }, (_, at) => `${50_000 + at},C${at},2026-11-02,2026-11-16,${(100 + at).toFixed(2)}`).join("\n")}\n`,
    ),
  );
  const opened = openBookToRead(BOOK);
  if (!opened.ok) throw new Error(opened.error.code);
  const run = letterRun(
    opened.value,
    day("2026-11-24"),
    overdueRows(opened.value, day("2026-11-24"), []),
  );
  expect(run.letters).toHaveLength(MANY);
  const queued = (): number =>
    opened.value.get<{ n: number }>("SELECT count(*) AS n FROM letter WHERE delivery = 'queued'")
      ?.n ?? -1;

  const input = {
    letters: run.letters.map(({ customerId, subject, body }) => ({ customerId, subject, body })),
  };
  for (const stopAt of [1, 20]) {
    const child = writer("sendLetters", input);
    await until(() => letters().length >= stopAt);
    child.kill("SIGKILL");
    await new Promise((resolve) => {
      child.once("exit", resolve);
    });
    expect(queued()).toBeGreaterThan(0);
  }
  // Any command of the next start sends what is left.
  const last = writer("leaveOut", { customerId: 1, reason: null });
  await until(() => queued() === 0);
  last.kill("SIGKILL");
  expect(outbox()).toHaveLength(MANY);
  const to = letters().map(
    (name) => /^To: (.*)$/m.exec(readFileSync(outboxFile(BOOK, name), "utf8"))?.[1],
  );
  expect(new Set(to).size).toBe(MANY);
  expect(opened.value.get<{ n: number }>("SELECT count(*) AS n FROM letter")?.n).toBe(MANY);
  opened.value.close();
}, 120_000);
