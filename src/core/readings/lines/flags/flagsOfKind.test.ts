import { linesIn, list, openIn, readList } from "../../../../../tests/support/readings";

/* What columns say of advices, returns and customers; made by hand, common practice, no source. */

describe("an advice", () => {
  const asked = { kind: "remittance" as const };
  const file = (head: string, ...cells: string[]): string =>
    list(
      `Pay date,Reference,Payer,Invoice,Amount,${head}`,
      ...cells.map((cell, at) => `2026-11-19,T${at},Ada,900${at},100.00,${cell}`),
    );
  it("of a void check, or of a payment that is only to come, is asked about; of one that was sent it is not", () => {
    expect(openIn(file("Void", "", "V"), asked)).toEqual(["column:Void"]);
    expect(openIn(file("Void", "", "N"), asked)).toEqual([]);
    expect(openIn(file("Payment status", "Sent", "Issued"), asked)).toEqual([]);
    const mixed = readList(file("Payment status", "Sent", "Scheduled", "Rejected"), asked);
    expect(mixed.questions[0]?.words).toContain("says “Scheduled”, “Rejected” on 2 lines");
  });
  const discounts = (head: string, off: string, above = ""): string =>
    `${above}${list(
      `Pay date,Payment,Payer,Invoice,${head},Discount`,
      `2026-11-19,T1,Ada,9001,100.00,${off}`,
      "2026-11-19,T1,Ada,9002,50.00,",
    )}`;
  const paid = (text: string, answers: Record<string, string> = {}): (string | undefined)[] =>
    linesIn("remittance", text, { answers }).map((line) => line.split(" | ")[1]);
  it("whose discount may come off its sums is asked about, where no head and no total says it", () => {
    expect(openIn(discounts("Amount", "5.00"), asked)).toEqual(["discounts"]);
    expect(paid(discounts("Amount", "5.00"), { discounts: "off" })).toEqual(["95.00", "50.00"]);
    expect(paid(discounts("Amount", "5.00"), { discounts: "beside" })).toEqual(["100.00", "50.00"]);
    expect(openIn(discounts("Amount paid", "5.00"), asked)).toEqual([]);
    expect(openIn(discounts("Amount", "0.00"), asked)).toEqual([]);
  });
  it("whose payment says what it comes to is read by that", () => {
    const total = (sum: string): string =>
      list(
        "Pay date,Payment,Payer,Payment total,Invoice,Amount,Discount",
        `2026-11-19,T1,Ada,${sum},9001,100.00,5.00`,
        `2026-11-19,T1,Ada,${sum},9002,50.00,`,
      );
    expect(openIn(total("145.00"), asked)).toEqual([]);
    expect(paid(total("145.00"))).toEqual(["95.00", "50.00"]);
    expect(openIn(total("150.00"), asked)).toEqual([]);
    expect(paid(total("150.00"))).toEqual(["100.00", "50.00"]);
  });
  it("names the invoice, and not the payer's own document, in German too", () => {
    const file = list("Pay date;Beleg;Rechnung;Zahlbetrag", "19.11.2026;T1;9001;1.000,00");
    expect(linesIn("remittance", file, { answers: { days: "dmy" } })[0]).toContain("| 9001");
  });
});

it("a return that was handed in again, or was not accepted, is asked about", () => {
  const file = (head: string, cell: string): string =>
    list(
      `Original trace,Code,Amount,Returned on,${head}`,
      `0910000001,R01,5.00,2026-11-19,${cell}`,
    );
  const open = (head: string, cell: string): string[] =>
    openIn(file(head, cell), { kind: "returns" });
  expect(open("Status", "Redeposited")).toEqual(["column:Status"]);
  expect(open("Represented on", "2026-11-21")).toEqual(["column:Represented on"]);
  expect(open("Type", "Dishonored return")).toEqual(["column:Type"]);
  expect(open("Status", "Final")).toEqual([]);
});

it("a customer that was deleted is asked about", () => {
  const file = (cell: string): string => list("customer_id,name,deleted", `1,Ada,${cell}`);
  expect(openIn(file("true"), { kind: "customers" })).toEqual(["column:deleted"]);
  expect(openIn(file("false"), { kind: "customers" })).toEqual([]);
});

describe("an advice of several payees", () => {
  const file = (...payees: string[]): string =>
    list(
      "Pay date,Reference,Invoice,Amount,Vendor",
      ...payees.map((payee, at) => `2026-11-19,T${at},900${at},100.00,${payee}`),
    );
  const asked = { kind: "remittance" as const };
  it("asks about what was paid to others than us", () => {
    expect(openIn(file("Kestrel Row", "Clay Supply Co"), asked)).toEqual(["column:Vendor"]);
    const left = readList(file("Kestrel Row", "Clay Supply Co"), {
      ...asked,
      answers: { "column:Vendor": "status" },
    });
    expect(left.leftOut).toEqual([{ line: 3, why: "said" }]);
  });
  it("says nothing where all go to one, whatever that is called", () => {
    expect(openIn(file("Kestrel Row Clay", "Kestrel Row Clay"), asked)).toEqual([]);
    expect(openIn(file("V-1002 KRC", "V-1002 KRC"), asked)).toEqual([]);
  });
});

describe("returns and customers of whom a column says more", () => {
  it("a state that nobody knows is asked about", () => {
    const file = (state: string): string =>
      list("Date,Original trace,Code,Amount,Status", `2026-11-12,0210000200,R01,9.00,${state}`);
    expect(openIn(file("Dismissed"), { kind: "returns" })).toEqual(["column:Status"]);
    expect(openIn(file("Confirmed"), { kind: "returns" })).toEqual([]);
  });
  it("a return by the title of its code has that code", () => {
    const file = list(
      "Date,Original trace,Reason,Amount",
      "2026-11-12,0210000200,Account closed,9.00",
    );
    expect(linesIn("returns", file)[0]).toContain("R02");
  });
  it("who was given up for another, or is not a customer yet, is asked about", () => {
    const of = (head: string, cell: string): string[] =>
      openIn(list(`Number,Name,${head}`, "1,Ada,", `2,Adah,${cell}`), { kind: "customers" });
    expect(of("Duplicate of", "1")).toEqual(["column:Duplicate of"]);
    expect(of("Stage", "Prospect")).toEqual(["column:Stage"]);
    expect(of("Stage", "Customer")).toEqual([]);
  });
});
