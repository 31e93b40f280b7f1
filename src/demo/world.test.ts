import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import { day, daysBetween, isBankingDay } from "@/core/calendar";
import { readTable } from "@/core/formats";

import { PracticeStore } from "@/db/practice";
import { OPENING_BALANCE } from "@/practice/bank";
import { activityFile, statementFile } from "@/practice/files";

import { customersFile, invoicesFile } from "./files";
import { live } from "./live";
import { CUT_OVER, TODAY, type World } from "./types";
import { makeWorld } from "./world";

const world = makeWorld();
const SPAN = { from: CUT_OVER, to: TODAY };
const folders: string[] = [];
const stores: PracticeStore[] = [];
afterAll(() => {
  for (const store of stores) store.close();
  for (const folder of folders) rmSync(folder, { recursive: true, force: true });
});

/** The processor and the bank after all of a history. */
function lived(of: World): PracticeStore {
  const folder = mkdtempSync(join(tmpdir(), "dozo-demo-"));
  folders.push(folder);
  const store = new PracticeStore(join(folder, "practice.sqlite"));
  stores.push(store);
  live(store, of);
  return store;
}

const store = lived(world);

describe("the demo's world", () => {
  it("is the same every time, to the last word of its files", () => {
    const other = makeWorld();
    expect(invoicesFile(other, SPAN)).toBe(invoicesFile(world, SPAN));
    expect(customersFile(other)).toBe(customersFile(world));
    const again = lived(other);
    for (const account of ["card", "ach", "euro"])
      expect(activityFile(again, account, TODAY, CUT_OVER)).toBe(
        activityFile(store, account, TODAY, CUT_OVER),
      );
    expect(statementOf(again)).toBe(statementOf(store));
  });
  it("has about the customers, months and invoices that the README speaks of", () => {
    expect(world.people.length).toBeGreaterThanOrEqual(115);
    expect(world.people.length).toBeLessThanOrEqual(130);
    expect(world.invoices.length).toBeGreaterThan(2000);
    expect(daysBetween(world.invoices[0]!.issuedOn, TODAY)).toBeGreaterThan(500);
  });
  it("numbers its invoices one by one, each due on or after its day", () => {
    const numbers = world.invoices.map(({ number }) => Number(number)).filter(Number.isInteger);
    expect(new Set(numbers).size).toBe(numbers.length);
    expect(world.invoices.filter(({ issuedOn, dueOn }) => dueOn < issuedOn)).toEqual([]);
    const taxed = world.invoices.filter(({ tax, total }) => tax / total < 0 || tax / total > 0.1);
    expect(taxed).toEqual([]);
  });
  it("has schools that belong to a district there is", () => {
    const ids = new Set(world.people.map(({ id }) => id));
    const schools = world.people.filter(({ parent }) => parent !== null);
    expect(schools.length).toBeGreaterThan(5);
    expect(schools.filter(({ parent }) => !ids.has(parent!))).toEqual([]);
  });
});

describe("its payments", () => {
  it("give no more to an invoice than its total, and sum to what they give", () => {
    const totals = new Map(world.invoices.map(({ number, total }) => [number, total]));
    const given = new Map<string, number>();
    for (const { given: lines, amount } of world.payments) {
      for (const line of lines ?? []) {
        const taken = line.amount + line.discount + line.smallDifference;
        given.set(line.number, (given.get(line.number) ?? 0) + taken);
      }
      expect(amount).toBeGreaterThan(0);
    }
    const over = [...given].filter(([number, sum]) => sum > (totals.get(number) ?? sum));
    expect(over).toEqual([]);
  });
  it("are of the past, and cost what was agreed by their way", () => {
    for (const { id, paidOn, via, amount } of world.payments) {
      expect(paidOn > CUT_OVER && paidOn <= TODAY).toBe(true);
      const fee = store.chargeByKey(id)?.fee;
      if (via === "bank") expect(fee).toBeUndefined();
      if (via === "ach") expect(fee).toBeLessThanOrEqual(500);
      if (via === "card")
        expect(Math.abs((fee ?? 0) - (amount * 0.029 + 30))).toBeLessThanOrEqual(1);
    }
  });
  it("have ids of their own, that tell the way", () => {
    const ids = world.payments.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    const prefix = { card: "ch_", ach: "ad_", bank: "bk_" };
    expect(world.payments.filter(({ id, via }) => !id.startsWith(prefix[via]))).toEqual([]);
  });
});

/** Cells of the rows of a file. */
const rowsOf = (text: string | null): Record<string, string>[] => {
  const table = readTable(text ?? "");
  if (!table.ok) throw new Error(table.error.code);
  const { headers, rows } = table.value;
  return rows.map(({ cells }) =>
    Object.fromEntries(headers.map((head, at) => [head, cells[at] ?? ""])),
  );
};
const statementOf = (of: PracticeStore): string | null =>
  statementFile(of, { after: CUT_OVER, to: TODAY }, OPENING_BALANCE);
const cents = (text: string | undefined): number => Math.round(Number(text || 0) * 100);

describe("what its processor and its bank write", () => {
  const statement = rowsOf(statementOf(store));
  const atBank = (payout: string): number | undefined => {
    const line = statement.find((row) => row.Description?.endsWith(payout.toUpperCase()));
    return line ? cents(line["Money in"]) - cents(line["Money out"]) : undefined;
  };

  it("pays out what its items make by card, less what a dispute cost and no file says", () => {
    const nets = new Map<string, number>();
    for (const row of rowsOf(activityFile(store, "card", TODAY, CUT_OVER)))
      nets.set(row["Payout id"]!, (nets.get(row["Payout id"]!) ?? 0) + cents(row.Net));
    const reached = [...nets].filter(([payout]) => atBank(payout) !== undefined);
    expect(reached.length).toBeGreaterThan(200);
    expect(reached.map(([payout, net]) => (atBank(payout) ?? 0) - net).filter(Boolean)).toEqual([
      -1500,
    ]);
  });
  it("pays out by ACH what its file says, on banking days", () => {
    const payouts = rowsOf(activityFile(store, "ach", TODAY, CUT_OVER)).filter(
      (row) => row["Entry type"] === "payout",
    );
    expect(payouts.length).toBeGreaterThan(50);
    for (const row of payouts) {
      // A payout of nothing, as a debit that came back leaves it, is no line of the bank's.
      expect(atBank(row["Entry id"]!) ?? 0).toBe(-cents(row.Amount));
      const [month, date, year] = row.Date!.split("/");
      expect(isBankingDay(day(`${year}-${month}-${date}`))).toBe(true);
    }
  });
  it("tells of each debit that it is on its way, then that it settled, and of one that it came back", () => {
    const rows = rowsOf(activityFile(store, "ach", TODAY, CUT_OVER));
    const ids = (type: string): string[] =>
      rows.filter((row) => row["Entry type"] === type).map((row) => row["Entry id"]!);
    const pending = new Set(ids("ach debit, pending"));
    expect(ids("ach debit").filter((id) => !pending.has(id))).toEqual([]);
    expect(pending.size).toBeGreaterThan(ids("ach debit").length);
    expect(rows.filter((row) => row["Return code"] === "R01")).toHaveLength(1);
  });
  it("leaves a statement whose balance runs on from line to line", () => {
    let balance = OPENING_BALANCE;
    for (const row of statement) {
      balance += cents(row["Money in"]) - cents(row["Money out"]);
      expect(cents(row.Balance)).toBe(balance);
    }
    expect(statement.length).toBeGreaterThan(200);
  });
});
