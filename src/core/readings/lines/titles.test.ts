import { SHEET_MARK } from "@/core/formats";

import { leftOutOf, linesIn, list, openIn, readList } from "../../../../tests/support/readings";

/* What stands above a list as its title, by hand; common practice, no source. */

const activity = (...above: string[]): string =>
  list(
    ...above,
    "Id,Date,Amount,Fee,Net",
    "a1,2026-11-16,120.00,3.78,116.22",
    "a2,2026-11-17,50.00,1.75,48.25",
  );
const invoices = (...above: string[]): string =>
  list(
    ...above,
    "Invoice,Customer,Date,Due,Amount,Balance",
    "R1,Ada,2026-11-01,2026-12-01,100.00,100.00",
  );
const statement = (...above: string[]): string =>
  list(...above, "Date,Description,Amount", "11/13/2026,Check 1041,-150.00", "11/16/2026,Ada,9.00");
const bank = { kind: "bank" as const };

describe("a title that says what the lines of a list are, where no column does", () => {
  it.each([
    ["Declined transactions", "none", ["2 no_money", "3 no_money"]],
    ["Test mode data", "none", ["2 no_money", "3 no_money"]],
    ["Authorizations (not captured)", "pending", ["2 not_yet", "3 not_yet"]],
  ])("%s", (title, answer, leftOut) => {
    const file = activity(title);
    const [key = ""] = openIn(file);
    expect(key).toMatch(/^titled:/);
    const shifted = leftOut.map((line) => line.replace(/^\d+/, (at) => String(Number(at) + 1)));
    expect(leftOutOf(file, { answers: { [key]: answer } })).toEqual(shifted);
    expect(leftOutOf(file, { answers: { [key]: "charge" } })).toEqual([]);
  });
  it.each([
    ["Refunds report 11/01/2026", "refund"],
    ["Chargebacks", "dispute"],
    ["Payouts", "payout"],
  ])("%s", (title, kind) => {
    const file = activity(title);
    const [key = ""] = openIn(file);
    const { table } = readList(file, { answers: { [key]: kind } });
    const at = table.headers.indexOf("kind");
    // What is taken off a payout is a line of its own.
    const kinds = new Set(table.rows.map(({ cells }) => cells[at]));
    kinds.delete("fee");
    expect(kinds).toEqual(new Set([kind]));
  });
  it.each([
    ["Paid invoices", "paid", "0.00"],
    ["Credit notes", "credit", "(100.00)"],
    ["Quotes and estimates", "void", undefined],
    ["Unpaid bills", "void", undefined],
  ])("%s", (title, answer, sum) => {
    const file = invoices(title);
    const [key = ""] = openIn(file);
    expect(linesIn("invoices", file, { answers: { [key]: answer } })[0]?.split(" | ")[1]).toBe(sum);
  });
  it.each(["Scheduled payments", "Rejected payments"])("%s", (title) => {
    expect(openIn(statement(title), bank)).toEqual([`titled:${title.toLowerCase()}`]);
    expect(openIn(statement("All payments"), bank)).toEqual([]);
  });
  it("says nothing of two sorts, of the other sort, or beside a column that says it", () => {
    for (const title of ["Payments and refunds", "All transactions", "Report"])
      expect(openIn(activity(title))).toEqual([]);
    for (const title of ["Unpaid invoices", "Invoices not yet paid", "Open invoices"])
      expect(openIn(invoices(title))).toEqual([]);
    const kinds = list("Refunds", "Id,Type,Date,Amount", "a1,Charge,2026-11-16,120.00");
    expect(openIn(kinds)).toEqual([]);
  });
  it("may be the head of the only day", () => {
    const file = (head: string): string =>
      list(`Id,${head},Amount,Fee`, "a1,2026-11-16,120.00,3.78", "a2,2026-11-17,50.00,1.75");
    expect(openIn(file("Declined on"))).toEqual(["titled:declined on"]);
    expect(openIn(file("Created on"))).toEqual([]);
  });
  it("may be the name of a sheet among others", () => {
    const sheet = (name: string, id: string): string[] => [
      `${SHEET_MARK},${name}`,
      "Id,Date,Amount,Fee,Net",
      `${id},2026-11-16,120.00,3.78,116.22`,
    ];
    const file = list(...sheet("Payments", "a1"), ...sheet("Refunds", "a2"));
    const keysOf = (head: string): string[] => openIn(file, { answers: { head } });
    expect(keysOf("2")).toEqual([]);
    expect(keysOf("5")).toEqual(["titled:refunds"]);
  });
  it("is asked about again under another title, as the answer was of this one", () => {
    const [key = ""] = openIn(activity("Refunds"));
    expect(openIn(activity("Chargebacks"), { answers: { [key]: "refund" } })).toEqual([
      "titled:chargebacks",
    ]);
    expect(openIn(activity(), { answers: { [key]: "refund" } })).toEqual([]);
    expect(linesIn("processor", activity(), { answers: { [key]: "refund" } })[0]).toContain(
      "charge",
    );
  });
});

describe("lines that take money by their word and bring it by their sign", () => {
  const file = list(
    "Id,Type,Date,Amount,Fee,Net",
    "a1,charge,2026-11-16,120.00,3.78,116.22",
    "a2,refund,2026-11-16,-20.00,0.00,-20.00",
    "a3,refund,2026-11-17,15.00,0.00,15.00",
  );
  it("are asked about", () => {
    expect(openIn(file)).toEqual(["against"]);
    const last = (against: string): string | undefined =>
      linesIn("processor", file, { answers: { against } })[2];
    expect(last("words")).toBe("Tue 17 Nov | (15.00) | refund");
    expect(last("sums")).toBe("Tue 17 Nov | 15.00 | adjustment");
  });
});
