import { daysBetween, isBankingDay } from "@/core/calendar";
import { sumOf } from "@/core/money";

import { achFile } from "./achFile";
import { bankFile, cardFile, customersFile, invoicesFile } from "./files";
import { CUT_OVER, TODAY } from "./types";
import { makeWorld } from "./world";

const world = makeWorld();
const SPAN = { from: CUT_OVER, to: TODAY };

describe("the demo's world", () => {
  it("is the same every time, to the last word of its files", () => {
    const other = makeWorld();
    for (const file of [invoicesFile, cardFile, achFile])
      expect(file(other, SPAN)).toBe(file(world, SPAN));
    expect(customersFile(other)).toBe(customersFile(world));
    expect(bankFile(other, SPAN, 0)).toBe(bankFile(world, SPAN, 0));
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
  it("are of the past, settle on or after their day, and cost what was agreed by their way", () => {
    for (const { paidOn, settledOn, via, fee, amount } of world.payments) {
      expect(paidOn > CUT_OVER && paidOn <= TODAY && settledOn >= paidOn).toBe(true);
      if (via === "bank") expect(fee).toBe(0);
      if (via === "ach") expect(fee).toBeLessThanOrEqual(500);
      if (via === "card") expect(Math.abs(fee - (amount * 0.029 + 30))).toBeLessThanOrEqual(1);
    }
  });
  it("have ids of their own, that tell the way", () => {
    const ids = world.payments.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    const prefix = { card: "ch_", ach: "ad_", bank: "bk_" };
    expect(world.payments.filter(({ id, via }) => !id.startsWith(prefix[via]))).toEqual([]);
  });
});

describe("its payouts", () => {
  it("are what their items make, less what the processor kept of one", () => {
    const effects = new Map<string, number>([
      ...world.payments.map(({ id, amount, fee }) => [id, amount - fee] as const),
      ...world.extras.map(({ id, amount, fee }) => [id, -amount - fee] as const),
    ]);
    for (const { items, net } of world.payouts)
      expect(sumOf(items, (id) => effects.get(id) ?? 0)).toBe(net);
    const kept = world.payouts.filter(({ net, atBank }) => net !== atBank);
    expect(kept.map(({ net, atBank }) => atBank - net)).toEqual([-1500]);
  });
  it("take each item once, are paid on banking days, and reach the bank line by line", () => {
    const items = world.payouts.flatMap((payout) => payout.items);
    expect(new Set(items).size).toBe(items.length);
    expect(world.payouts.filter(({ paidOn }) => !isBankingDay(paidOn))).toEqual([]);
    for (const { id, atBank } of world.payouts) {
      const line = world.bankLines.find(({ description }) =>
        description.endsWith(id.toUpperCase()),
      );
      expect(line?.amount).toBe(atBank);
    }
  });
  it("leave a statement whose balance runs on from line to line", () => {
    const lines = bankFile(world, SPAN, 1_000_000).trim().split("\r\n").slice(1);
    let balance = 1_000_000;
    const cents = (text: string | undefined): number => Math.round(Number(text || 0) * 100);
    for (const line of lines) {
      const [, , out, came, after] = line.split(",");
      balance += cents(came) - cents(out);
      expect(cents(after)).toBe(balance);
    }
    expect(lines.length).toBeGreaterThan(200);
  });
});
