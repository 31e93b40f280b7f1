import { proofs } from "@/server/books/queries/proofs";
import { openBookToRead } from "@/server/runtime/books";
import { runCommand } from "@/server/runtime/command";
import { addProcessorAccount } from "@/server/settings/commands/addProcessorAccount";

import { Cli } from "../support/cli";

/** A real process is killed (SIGKILL) at different moments; on restart it is all or nothing, and the proofs hold. */
const cli = new Cli();
const LINES = 5000;

beforeAll(() => {
  const made = cli.practiceBook("killed");
  runCommand(
    made,
    addProcessorAccount,
    { code: "card", name: "card account", delayDays: 2 },
    { book: "killed", actor: "test", key: "card-1" },
  );
  made.close();
  cli.run(
    "import",
    "--book",
    "killed",
    cli.file(
      "customers.csv",
      `customer_id,name\n${Array.from({ length: 300 }, (_, at) => `C${at},Customer Number${at} Pottery`).join("\n")}\n`,
    ),
  );
  cli.run(
    "import",
    "--book",
    "killed",
    "--kind",
    "invoices",
    cli.file(
      "invoices.csv",
      `invoice_number,customer_id,issued_on,due_on,total\n${Array.from({ length: 1200 }, (_, at) => `${50_000 + at},C${at % 300},2026-11-02,2026-12-02,${(100 + at).toFixed(2)}`).join("\n")}\n`,
    ),
  );
});

function state(): { receipts: number; placed: number; broken: string[] } {
  const opened = openBookToRead("killed");
  if (!opened.ok) throw new Error(opened.error.code);
  const count = (where: string): number =>
    opened.value.get<{ n: number }>(`SELECT count(*) AS n FROM receipt WHERE ${where}`)?.n ?? -1;
  const found = {
    receipts: count("1"),
    placed: count("state = 'placed'"),
    broken: proofs(opened.value)
      .proofs.filter(({ holds }) => !holds)
      .map(({ name }) => name),
  };
  opened.value.close();
  return found;
}

/** Kills at growing moments until a run ends by itself; `before` and `after` are the only states allowed. */
async function killed(args: string[], count: () => number, after: number): Promise<void> {
  const before = count();
  let [kills, ended] = [0, false];
  for (let wait = 250; !ended && wait < 60_000; wait = Math.ceil(wait * 1.5)) {
    ended = await cli.kill(wait, ...args);
    if (!ended) kills += 1;
    expect(state().broken).toEqual([]);
    expect([before, after]).toContain(count());
    if (count() === after) break;
  }
  expect(kills).toBeGreaterThan(1);
  if (count() !== after) cli.run(...args);
  expect(count()).toBe(after);
}

describe("a process killed in the middle", () => {
  it("of an import: all lines or none", async () => {
    const file = cli.file(
      "card.csv",
      `Id,Type,Date,Gross,Fee,Net,Payer,Memo,Payout id\n${Array.from({ length: LINES }, (_, at) => `ch_${at},Charge,11/1${at % 9}/2026,${(100 + (at % 1200)).toFixed(2)},0.30,${(99.7 + (at % 1200)).toFixed(2)},Customer Number${at % 300} Pottery,invoice ${50_000 + (at % 1200)},po_${at % 40}`).join("\n")}\n`,
    );
    await killed(["import", "--book", "killed", file], () => state().receipts, LINES);
  }, 180_000);
  it("of posting the sure ones: all of them or none", async () => {
    const sure = (
      JSON.parse(cli.run("match", "--book", "killed", "--json").out) as { sure: number }
    ).sure;
    expect(sure).toBeGreaterThan(300);
    await killed(["match", "--book", "killed", "--post-sure"], () => state().placed, sure);
  }, 180_000);
});
