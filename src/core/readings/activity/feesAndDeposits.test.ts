import { columnsIn, leftOutOf, linesIn, list, openIn } from "../../../../tests/support/readings";

/* Lists of fees in several columns, and of deposits; made by hand, common practice, no source. */

const asked = { kind: "processor" as const };
const linesOf = (text: string): string[] => linesIn("processor", text);

describe("a fee that its parts stand beside", () => {
  const file = list(
    "Date,Ref,Card,Amount,Interchange,Scheme,Acquirer,Total fees,Settled",
    "11/13/2026,R1,Visa credit,150.00,-1.95,-0.15,-0.30,-2.40,147.60",
    "11/14/2026,R2,Mastercard debit,80.00,-0.20,-0.08,-0.16,-0.44,79.56",
  );
  it("is the whole of what lies between, and they are no more of it", () => {
    expect(openIn(file, asked)).toEqual([]);
    expect(linesOf(file)).toEqual([
      "Fri 13 Nov | 150.00 | charge, fee 2.40 | R1",
      "Sat 14 Nov | 80.00 | charge, fee 0.44 | R2",
    ]);
  });
});

it("a French list of what a bank took for its shop is read by its own words", () => {
  const file = list(
    "Date;Operation;Montant TTC;Commission HT;TVA commission;Montant net;Devise",
    "13/11/2026;Paiement CB;120,00;1,50;0,30;118,20;USD",
    "14/11/2026;Remboursement CB;-20,00;0,00;0,00;-20,00;USD",
  );
  expect(openIn(file, asked)).toEqual([]);
  expect(linesOf(file).map((line) => line.split(" | ").slice(1, 3).join(" | "))).toEqual([
    "120.00 | charge, fee 1.80",
    "(20.00) | refund",
  ]);
});

it("three costs of which one alone has a name are what lies before the only net that they leave", () => {
  const file = list(
    "Capture Date,Type,Amount,Assessments,Interchange,Markup,Funded",
    "2026-11-13,Purchase,100.00,0.13,1.65,0.30,97.92",
    "2026-11-14,Purchase,60.00,0.08,0.99,0.18,58.75",
  );
  expect(openIn(file, asked)).toEqual([]);
  expect(linesOf(file).map((line) => line.split(" | ").slice(1, 3).join(" | "))).toEqual([
    "100.00 | charge, fee 2.08",
    "60.00 | charge, fee 1.25",
  ]);
});

describe("payments by their deposits", () => {
  const file = (deposit: string): string =>
    list(
      "Deposit,Date,Type,Name,Invoice,Amount",
      `${deposit},11/16/2026,Payment,Ada Park,20310,100.00`,
      `${deposit},11/16/2026,Merchant fee,,,-2.90`,
      `${deposit} total,,,,,97.10`,
      "7,11/17/2026,Payment,Jo Ash,20312,30.00",
      "7 total,,,,,30.00",
    );
  it("are of the deposit that stands beside them, and what each comes to is no line", () => {
    expect(leftOutOf(file("DEP-1"), asked)).toEqual(["4 total", "6 total"]);
    expect(columnsIn("processor", file("DEP-1"))).toMatchObject({ payoutId: "Deposit" });
  });
  it("are of none where numbers alone stand there: they may be sums", () => {
    expect(columnsIn("processor", file("6")).payoutId).toBeUndefined();
  });
});
