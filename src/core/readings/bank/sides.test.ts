import { linesIn, list, openIn } from "../../../../tests/support/readings";

/* Statements by hand, common practice, no source. */

const asked = { kind: "bank" as const };

describe("a column of sides beside columns of money in and out", () => {
  const file = (side: string): string =>
    list(
      "Txn Date,Description,Withdrawals,Deposits,Balance,Dr/Cr",
      '13/11/2026,Brightwater,,"1,420.50","3,420.50",Cr',
      '16/11/2026,Cheque 123,"4,000.00",,579.50,Dr',
      `17/11/2026,Cobalt Row,,"2,000.00","1,420.50",${side}`,
    );
  it("is that of the balance, where the balances follow on with it", () => {
    expect(openIn(file("Cr"), asked)).toEqual([]);
    expect(linesIn("bank", file("Cr")).map((line) => line.split(" | ")[1])).toEqual([
      "1,420.50",
      "(4,000.00)",
      "2,000.00",
    ]);
  });
  it("is none where they do not", () => expect(openIn(file("Dr"), asked)).toContain("balance"));
  it("leaves open whose side it is where the heads are a ledger's too", () =>
    expect(openIn(file("Cr").replace("Withdrawals,Deposits", "Debit,Credit"), asked)).toEqual([
      "signs",
    ]));
});

describe("columns of debit and credit with their signs", () => {
  const file = (out: string): string =>
    list("Date,Details,Debit,Credit", "2026-11-13,Brightwater,,20.00", `2026-11-14,Rent,${out},`);
  it("are a bank's where what goes out is below zero", () => {
    expect(openIn(file("-30.00"), asked)).toEqual([]);
    expect(linesIn("bank", file("-30.00"))[1]).toBe("Sat 14 Nov | (30.00) | Rent");
  });
  it("may be a ledger's where both are above it", () =>
    expect(openIn(file("30.00"), asked)).toEqual(["signs"]));
});

describe("the order of days", () => {
  const file = (above: string): string =>
    list(above, "", "Date,Details,Amount", "03/11/2026,Brightwater,20.00", "05/11/2026,Rent,-3.00");
  it("is that of a day above the list, which only one order makes a day of", () => {
    expect(openIn(file("Balance on 30/11/2026,204.35"), asked)).toEqual([]);
    expect(linesIn("bank", file("Balance on 30/11/2026,204.35"))[0]).toMatch(/^Tue 3 Nov/);
  });
  it("is asked where that day may be of either too", () =>
    expect(openIn(file("Balance on 06/11/2026,204.35"), asked)).toEqual(["days"]));
});

describe("codes of three digits beside sums without a sign", () => {
  const file = (code: string): string =>
    list(
      "Date,Tran Code,Description,Amount",
      "11/13/2026,142,Brightwater,20.00",
      `11/16/2026,${code},Check 1022,5.00`,
    );
  it("are offered as those of a bank's report: credits below 400, debits above", () => {
    expect(openIn(file("475"), asked)).toEqual(["signs"]);
    expect(linesIn("bank", file("475"), { answers: { signs: "codes" } })).toEqual([
      "Fri 13 Nov | 20.00 | Brightwater",
      "Mon 16 Nov | (5.00) | Check 1022",
    ]);
  });
  it("say nothing where all are of one side", () =>
    expect(openIn(file("165"), asked)).toEqual(["signs"]));
});

describe("words beside sums that have signs", () => {
  const file = (...lines: string[]): string =>
    list("Date,Description,Amount,Type,Balance", ...lines);
  const lines = (balances: readonly string[]): string[] => [
    `11/12/2026,Check 1041,-150.00,DEBIT,${balances[0] ?? ""}`,
    `11/13/2026,Deposit,970.00,CREDIT,${balances[1] ?? ""}`,
    `11/16/2026,Supplier,60.00,DEBIT,${balances[2] ?? ""}`,
  ];
  it("that go against one are asked about", () => {
    const text = file(...lines([]));
    expect(openIn(text, asked)).toEqual(["against"]);
    const last = (against: string): string | undefined =>
      linesIn("bank", text, { answers: { against } })[2]?.split(" | ")[1];
    expect([last("sums"), last("words")]).toEqual(["60.00", "(60.00)"]);
  });
  it("say nothing where the balances follow on", () =>
    expect(openIn(file(...lines(["850.00", "1820.00", "1880.00"])), asked)).toEqual([]));
});

describe("what came back within a column of money out or in", () => {
  const statement = (...lines: string[]): string =>
    list("Date,Description,Withdrawals,Deposits,Balance", ...lines);
  const sums = (file: string): (string | undefined)[] =>
    linesIn("bank", file).map((line) => line.split(" | ")[1]);
  it("has the other sign, where the balance goes on by it", () => {
    const file = statement(
      "2026-11-12,DEPOSIT,,100.00,1100.00",
      "2026-11-13,DEPOSIT CORRECTION,,-10.00,1090.00",
      "2026-11-14,CHECK 12,50.00,,1040.00",
      "2026-11-15,CHECK 12 REVERSED,-50.00,,1090.00",
    );
    expect(openIn(file, asked)).toEqual([]);
    expect(sums(file)).toEqual(["100.00", "(10.00)", "(50.00)", "50.00"]);
  });
  it("is so too where all of the other column came back; no line is turned for it", () => {
    const file = statement(
      "2026-11-12,DEPOSIT,,100.00,1100.00",
      "2026-11-13,DEPOSIT CORRECTION,,-10.00,1090.00",
      "2026-11-14,CHECK 12 REVERSED,-50.00,,1140.00",
    );
    expect(openIn(file, asked)).toEqual([]);
    expect(sums(file)).toEqual(["100.00", "(10.00)", "50.00"]);
  });
  it("may stand beside sums that went out with a minus", () => {
    const file = statement(
      "2026-11-12,DEPOSIT,,100.00,1100.00",
      "2026-11-13,DEPOSIT CORRECTION,,-10.00,1090.00",
      "2026-11-14,CHECK 12,-50.00,,1040.00",
    );
    expect(sums(file)).toEqual(["100.00", "(10.00)", "(50.00)"]);
  });
});
