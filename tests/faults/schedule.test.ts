import { type ChildProcess, spawn } from "node:child_process";
import { existsSync, readdirSync, readFileSync } from "node:fs";
import { dirname } from "node:path";

import { outboxFile } from "@/server/runtime/folders";

import { eachBook, type TestBook } from "../support/book";

/**
 * The server as it is built, its clock set to a Tuesday on which letters go by themselves at 9:00
 * in Chicago, which is 15:00 UTC.
 */
let book: TestBook;
let server: ChildProcess | null = null;
eachBook((made) => {
  book = made;
});
afterEach(() => stop());

const outbox = (): string[] => {
  const folder = dirname(outboxFile(book.name, "x"));
  return existsSync(folder) ? readdirSync(folder).filter((name) => name.endsWith(".eml")) : [];
};
const soon = (milliseconds: number): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, milliseconds);
  });

async function start(clock: string, port: number): Promise<void> {
  server = spawn(
    process.execPath,
    ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", String(port)],
    {
      stdio: "ignore",
      env: {
        ...process.env,
        NODE_ENV: "production",
        NODE_OPTIONS: "--require ./tests/support/clockAt.cjs",
        CLOCK_AT: clock,
        CLOCK_FROM: String(Date.now()),
        DOZO_ROOT: process.cwd(),
        NEXT_TELEMETRY_DISABLED: "1",
      },
    },
  );
  for (let times = 0; times < 300; times += 1) {
    if (
      await fetch(`http://127.0.0.1:${port}/b/${book.name}/books`).then(
        ({ status }) => status === 200,
        () => false,
      )
    )
      return;
    await soon(100);
  }
  throw new Error("the server did not start");
}

async function stop(): Promise<void> {
  const running = server;
  server = null;
  if (!running) return;
  const gone = new Promise((resolve) => {
    running.once("exit", resolve);
  });
  running.kill("SIGKILL");
  await gone;
}

it("letters go by themselves at their hour, not before it, and once though the server is started anew", async () => {
  book.must("setLadder", {
    id: 1,
    name: "Standard",
    steps: [
      { fromDays: 1, act: "letter", byItself: true },
      { fromDays: 15, act: "letter", tone: 2 },
    ],
  });
  book.must("changeSettings", { letterRun: { weekdays: [2], hour: 9 } });
  for (const customerId of [1, 2])
    book.must("setFollowUp", {
      customerId,
      ladderId: null,
      language: "en",
      byItself: true,
      smallest: null,
      quietUntil: null,
    });
  book.db.run("UPDATE setting SET value = 'null' WHERE key = 'clock'");
  await start("2026-11-24T14:30:00Z", 4391);
  await soon(1500);
  expect(outbox()).toEqual([]);
  await stop();
  await start("2026-11-24T15:00:05Z", 4392);
  for (let times = 0; times < 200 && outbox().length < 2; times += 1) await soon(100);
  const to = outbox()
    .map((name) => /^To: (.*?)\r?$/m.exec(readFileSync(outboxFile(book.name, name), "utf8"))?.[1])
    .sort();
  expect(to).toEqual(["heron@mail.example", "office@alderlane.example"]);
  await stop();
  await start("2026-11-24T16:10:00Z", 4393);
  await soon(1500);
  expect([
    outbox().length,
    book.db.get("SELECT count(*) AS runs FROM command WHERE name = 'runLetters'"),
    book.db.get("SELECT DISTINCT on_day AS day, actor FROM act WHERE kind = 'run'"),
  ]).toEqual([2, { runs: 1 }, { day: "2026-11-24", actor: "schedule" }]);
}, 120_000);
