import { openBookToRead } from "@/server/runtime/books";
import { proofs } from "@/server/books/queries/proofs";

import { Writer } from "../support/bookWriter";
import { Cli } from "../support/cli";

/** The program is killed while schedules write: each period is billed once all the same. */
const cli = new Cli();
const SCHEDULES = 12;
/** Days from the 1st to the 24th of November. */
const PERIODS = 24;
/** Restarts take a moment each. */
const LIMIT = 120_000;

function state(): { documents: number; periods: number; twice: number; broken: string[] } {
  const opened = openBookToRead("shop");
  if (!opened.ok) throw new Error(opened.error.code);
  const count = (sql: string): number => opened.value.get<{ n: number }>(sql)?.n ?? -1;
  const found = {
    documents: count("SELECT count(*) AS n FROM document"),
    periods: count("SELECT count(*) AS n FROM schedule_run"),
    twice: count(
      `SELECT count(*) AS n FROM (SELECT 1 FROM document d JOIN document_line l ON l.document_id = d.id
         GROUP BY l.description, d.issued_on HAVING count(*) > 1)`,
    ),
    broken: proofs(opened.value)
      .proofs.filter(({ holds }) => !holds)
      .map(({ name }) => name),
  };
  opened.value.close();
  return found;
}

it(
  "writes each period once, however often it is killed and begun again",
  async () => {
    cli.make("shop");
    let writer = new Writer("shop");
    for (let at = 0; at < SCHEDULES; at += 1)
      expect(
        await writer.run("setSchedule", {
          name: `Room ${at}`,
          plan: { startsOn: "2026-11-01", everyCount: 1, everyUnit: "day", makes: "approved" },
          billed: {
            customerId: 1,
            lines: [{ description: `Room ${at}`, quantity: "1", rate: "10" }],
          },
        }),
      ).toMatchObject({ ok: true });
    let kills = 0;
    for (let wait = 20; state().periods < SCHEDULES * PERIODS; wait += 60) {
      // Up and at work before the moment is counted.
      await writer.run("changeSettings", { feedDays: 5 });
      const run = writer.run("runSchedules", {}).catch(() => null);
      const ended = await Promise.race([run, pause(wait)]);
      if (ended === null) {
        await writer.kill();
        kills += 1;
        writer = new Writer("shop");
      }
      const { documents, periods, twice, broken } = state();
      expect([documents, twice, broken]).toEqual([periods, 0, []]);
      await run;
    }
    await writer.kill();
    expect(kills).toBeGreaterThan(1);
    expect(state()).toEqual({
      documents: SCHEDULES * PERIODS,
      periods: SCHEDULES * PERIODS,
      twice: 0,
      broken: [],
    });
  },
  LIMIT,
);

const pause = (ms: number): Promise<null> =>
  new Promise((resolve) => {
    setTimeout(() => resolve(null), ms);
  });
