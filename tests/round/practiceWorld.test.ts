import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import type { DayTold } from "@/contracts/paying";
import type { Db } from "@/db/connection";
import { accounts } from "@/db/journal";
import { PracticeWorld } from "@/practice";
import { runIn } from "@/practice/hands";
import { practiceAccount, practiceCard } from "@/practice/numbers";

import type { DoCommand } from "@/server/paying/payNow";
import { openBookToWrite } from "@/server/runtime/books";

const folders: string[] = [];
afterAll(() => {
  for (const folder of folders) rmSync(folder, { recursive: true, force: true });
});

type Lived = { told: DayTold[]; held: ReturnType<PracticeWorld["held"]>; folder: string };

/** A practice book that lives through some days. */
async function live(seed: number, days: number): Promise<Lived> {
  const folder = mkdtempSync(join(tmpdir(), "dozo-practice-"));
  folders.push(folder);
  process.env.DOZO_DATA = folder;
  const made = await PracticeWorld.make("practice", seed);
  if (!made.ok) throw new Error(made.error.code);
  const told: DayTold[] = [];
  for (let day = 0; day < days; day += 1) told.push(await made.value.next());
  const held = made.value.held();
  made.value.close();
  return { told, held, folder };
}

const filesIn = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: "utf8" })
    .map((name) => join(folder, name))
    .filter((path) => statSync(path).isFile());

describe("the practice world", () => {
  let first: Lived;
  beforeAll(async () => {
    first = await live(7, 85);
  }, 120_000);

  it("lives through weeks with every proof holding each day, and its processor agrees to the cent", () => {
    const sums = new Map<string, number>();
    for (const { events } of first.told)
      for (const [kind, count] of Object.entries(events))
        sums.set(kind, (sums.get(kind) ?? 0) + count);
    expect(sums.get("broken_proofs")).toBeUndefined();
    for (const { theirs, ours } of first.held) expect(ours).toBe(theirs);
    const kinds = [...sums.keys()];
    expect(
      [
        "accounts_mended",
        "bank_with_advice",
        "agreed_declined",
        "agreed_on_way",
        "agreed_paid",
        "bank",
        "invoices",
        "link_on_way",
        "link_paid",
        "matched",
        "payouts",
        "payouts_failed",
        "released",
        "returned",
        "scheduled",
        "settled",
      ].filter((kind) => !kinds.includes(kind)),
    ).toEqual([]);
  });

  it("is the same again by its seed, and goes on from where it stood", async () => {
    const again = await live(7, 20);
    expect(again.told).toEqual(first.told.slice(0, 20));
    process.env.DOZO_DATA = again.folder;
    const opened = PracticeWorld.open("practice");
    if (!opened.ok) throw new Error(opened.error.code);
    expect(await opened.value.next()).toEqual(first.told[20]);
    opened.value.close();
    const other = await live(8, 20);
    expect(other.told).not.toEqual(again.told);
  }, 120_000);

  it("a day in which it was cut off is gone through again, and ends as if it had not been", async () => {
    const folder = mkdtempSync(join(tmpdir(), "dozo-practice-"));
    folders.push(folder);
    process.env.DOZO_DATA = folder;
    const made = await PracticeWorld.make("practice", 7);
    if (!made.ok) throw new Error(made.error.code);
    made.value.close();
    const opened = openBookToWrite("practice");
    if (!opened.ok) throw new Error(opened.error.code);
    let left = 0;
    const run: DoCommand = (name, input, key) => {
      left -= 1;
      if (left === 0) throw new Error("cut off");
      return runIn("practice", opened.value)(name, input, key);
    };
    const told: DayTold[] = [];
    for (let at = 1; told.length < 20; at += 1) {
      const world = PracticeWorld.around("practice", opened.value, run);
      // Each day is cut off somewhere else, and gone through again.
      left = (at * 5) % 13;
      const next = await world?.next().catch(() => null);
      world?.leave();
      if (next) told.push(next);
    }
    expect(told.map(({ day }) => day)).toEqual(first.told.slice(0, 20).map(({ day }) => day));
    const cut = balancesOf(opened.value);
    opened.value.close();
    const whole = await live(7, 20);
    process.env.DOZO_DATA = whole.folder;
    const other = openBookToWrite("practice");
    if (!other.ok) throw new Error(other.error.code);
    expect(cut).toEqual(balancesOf(other.value));
    other.value.close();
  }, 120_000);

  it("keeps no card or account number in any file, though every kind was taken", () => {
    const bytes = filesIn(first.folder).map((path) => readFileSync(path).toString("latin1"));
    expect(bytes.length).toBeGreaterThan(20);
    // What would be found if it were there: numbers made as the customers' are.
    const found = bytes.flatMap((text) => text.match(/4\d{12}(?:00|05|51|91)\d/g) ?? []);
    expect(found.filter((number) => isPracticeCard(number))).toEqual([]);
    expect(practiceCard(1, "51")).toMatch(/^4\d{15}$/);
    expect(practiceAccount(1, "01")).toMatch(/01$/);
  });
});

const balancesOf = (db: Db): [string, number][] =>
  accounts(db).map(({ code, balance }) => [code, balance]);

const isPracticeCard = (number: string): boolean =>
  practiceCard(Number(number.slice(1, 13)), number.slice(13, 15)) === number;
