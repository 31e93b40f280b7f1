import {
  cellsIn,
  columnsIn,
  leftOutOf,
  linesIn,
  list,
  openIn,
  readList,
} from "../../../tests/support/readings";

/* Lists of what was settled, and of what markets and shops export; made by hand, common practice, no source. */

const asked = { kind: "processor" as const };
const linesOf = (text: string, answers: Record<string, string> = {}): string[] =>
  linesIn("processor", text, { answers });

describe("what was given back beside its charge", () => {
  const deposits = (id: string): string =>
    list(
      `${id},Date,Sales,Returns,Fee,Deposit amount`,
      "a,11/13/2026,100.00,0.00,3.00,97.00",
      "b,11/14/2026,80.00,20.00,2.00,58.00",
    );
  it("is a refund of its own where what arrives is less it too, and no charge has an id", () => {
    expect(openIn(deposits("Customer"), asked)).toEqual([]);
    expect(linesOf(deposits("Customer"))).toEqual([
      "Fri 13 Nov | 100.00 | charge, fee 3.00 | a",
      "Sat 14 Nov | 80.00 | charge, fee 2.00 | b",
      "Sat 14 Nov | (20.00) | refund | b",
    ]);
  });
  it("is asked about where charges have ids: its refund may have one in another list", () => {
    expect(openIn(deposits("Charge id"), asked)).toEqual(["refunded"]);
    expect(linesOf(deposits("Charge id"), { refunded: "apart" })).toHaveLength(2);
  });
  it("was money by its sum, whatever its state is called", () => {
    const file = (given: string): string =>
      list(
        "Transaction ID,Date,Type,Status,Amount,Refunded Amount",
        "T1,11/13/2026,Sale,Settled,200.00,0.00",
        `T2,11/14/2026,Sale,Refunded,150.00,${given}`,
      );
    expect(openIn(file("150.00"), asked)).toEqual(["refunded"]);
    expect(openIn(file("0.00"), asked)).toEqual(["state:refunded"]);
  });
  it("is no fee, whatever lies between", () => {
    const file = list(
      "Date,Customer,Sales,Credits,Fees,Net deposit",
      "11/13/2026,a,150.00,-20.00,4.30,125.70",
      "11/14/2026,b,100.00,0.00,2.90,97.10",
    );
    expect(columnsIn("processor", file)).toMatchObject({ gross: "Sales", refunded: "Credits" });
    expect(linesOf(file)).toContain("Fri 13 Nov | (20.00) | refund | a");
  });
  it("is no refund where a bank took it: that is asked about", () => {
    const file = list(
      "Date,Customer,Sales,Chargebacks,Fees,Net deposit",
      "11/13/2026,a,150.00,-20.00,4.30,125.70",
      "11/14/2026,b,100.00,0.00,2.90,97.10",
    );
    expect(columnsIn("processor", file).refunded).toBeUndefined();
    expect(openIn(file, asked)).toEqual(["column:Chargebacks", "foot"]);
  });
  it("is all that lies between, where there is no fee", () => {
    const file = list(
      "Batch Date,Batch Number,Card Type,Sales Amount,Credit Amount,Net Amount",
      "11/13/2026,100,VISA,354.43,0.00,354.43",
      "11/14/2026,101,MC,657.73,15.00,642.73",
    );
    expect(columnsIn("processor", file)).toMatchObject({ refunded: "Credit Amount" });
    expect(linesOf(file).map((line) => line.split(" | ")[1])).toEqual([
      "354.43",
      "657.73",
      "(15.00)",
    ]);
  });
  it("without a charge is a refund alone", () => {
    const file = list(
      "Date,Customer,Sale amount,Refund amount,Commission,VAT on commission,Settled amount",
      "11/13/2026,a,100.00,0.00,4.00,0.80,95.20",
      "11/14/2026,b,0.00,12.00,0.00,0.00,-12.00",
    );
    expect(openIn(file, asked)).toEqual([]);
    expect(linesOf(file)).toEqual([
      "Fri 13 Nov | 100.00 | charge, fee 4.80 | a",
      "Sat 14 Nov | (12.00) | refund | b",
    ]);
  });
});

describe("what arrives", () => {
  it("of net sales is what their fee leaves", () => {
    const file = list(
      "Sale date,Customer,Net sales,Discount fee,Deposit amount",
      "11/13/2026,a,100.00,2.50,97.50",
      "11/14/2026,b,50.00,1.25,48.75",
    );
    expect(columnsIn("processor", file)).toMatchObject({
      gross: "Net sales",
      net: "Deposit amount",
    });
  });
  it("is never more than what was charged, whatever the two are called", () => {
    const file = list(
      "Date,Customer,Net sales,Processing,Total",
      "11/13/2026,a,100.00,8.00,92.00",
      "11/14/2026,b,50.00,4.00,46.00",
    );
    expect(columnsIn("processor", file)).toMatchObject({ gross: "Net sales", net: "Total" });
    expect(linesOf(file)[0]).toBe("Fri 13 Nov | 100.00 | charge, fee 8.00 | a");
  });
  it("of which all sums are parts has every cost among them as a fee", () => {
    const file = list(
      "Order ID,Order date,Buyer,Item total,Shipping,Platform fee,Payment fee,VAT on fees,You receive",
      "O1,13 Nov 2026,Ada,20.00,5.00,-1.60,-1.00,-0.52,21.88",
      "O2,14 Nov 2026,Bo,40.00,5.00,-2.90,-1.60,-0.90,39.60",
      "O3,15 Nov 2026,Cy,10.00,5.00,-1.00,-0.70,-0.34,12.96",
    );
    expect(openIn(file, asked)).toEqual([]);
    expect(linesOf(file)[0]).toBe("Fri 13 Nov | 25.00 | charge, fee 3.12 | Ada");
  });
  it("of nothing that was charged is all that a line moves", () => {
    const file = list(
      "Date,Customer,Sales amount,Net amount",
      "11/13/2026,a,100.00,100.00",
      "11/14/2026,b,0.00,-20.00",
    );
    expect(openIn(file, asked)).toEqual(["negatives"]);
    expect(linesOf(file, { negatives: "refund" })[1]).toBe("Sat 14 Nov | (20.00) | refund | b");
  });
});

describe("ids", () => {
  const idsIn = (text: string): string[] => cellsIn(text, ["id", "kind", "related_id"]);
  it("of charges are what their refunds name, where each line has one of its own, too", () => {
    const file = list(
      "automatic_payout_id,balance_transaction_id,created,gross,fee,net,reporting_category,charge_id",
      "po_0,txn_0,2026-11-13,100.00,3.00,97.00,charge,ch_0",
      "po_0,txn_1,2026-11-14,-20.00,0.00,-20.00,refund,ch_0",
    );
    expect(idsIn(file)).toEqual(["ch_0 charge", "txn_1 refund ch_0"]);
    expect(columnsIn("processor", file).payoutId).toBe("automatic_payout_id");
  });
  it("are no numbers of what was sold, where all lines have the same", () => {
    const items = (...ids: string[]): string =>
      list(
        "Date,Type,Order number,Item ID,Amount",
        ...ids.map((id, at) => `11/1${at + 3}/2026,Order,o${at},${id},9.00`),
      );
    expect(columnsIn("processor", items("77", "77", "77")).id).toBe("Order number");
    expect(columnsIn("processor", items("a1", "a2", "a3")).id).toBe("Item ID");
  });
});

describe("what is no affair of the processor", () => {
  it("is asked about by the gateway of a shop, whose orders are no payers", () => {
    const file = list(
      "Name,Created at,Kind,Gateway,Status,Amount",
      "#1001,2026-11-13,sale,card,success,20.00",
      "#1002,2026-11-14,sale,manual,success,30.00",
    );
    expect(openIn(file)).toEqual(["tender:manual"]);
    expect(linesOf(file)[0]).toBe("Fri 13 Nov | 20.00 | charge | #1001");
    expect(columnsIn("processor", file)).toMatchObject({ reference: "Name" });
  });
  it("is asked about by the codes of an ACH file: what was sent was not collected", () => {
    const file = list(
      "Effective date,Transaction code,Name,Amount",
      "11/13/2026,27,Ada,20.00",
      "11/14/2026,22,Bo,30.00",
    );
    expect(openIn(file, asked)).toEqual(["column:Transaction code"]);
    expect(openIn(`${file}11/15/2026,,Cy,40.00\n`, asked)).toEqual(["column:Transaction code"]);
  });
});

describe("a ledger's list", () => {
  const invoices = (head: string, ...more: string[]): string =>
    list(
      `ContactName,InvoiceNumber,InvoiceDate,DueDate,Total,AmountDue,${head}`,
      ...more.map((last, at) => `C${at},${at},2026-11-13,2026-12-13,9.00,9.00,${last}`),
    );
  it("is of its contacts, and not of the account that the sales went to", () => {
    const columns = columnsIn("invoices", invoices("AccountCode", "200", "200", "260"));
    expect(columns.customerId).toBe("ContactName");
    expect(columnsIn("invoices", invoices("AccountCode", "C1", "C2", "C3")).customerId).toBe(
      "AccountCode",
    );
  });
  it("has its customers in a column without a head, and below it when it was printed", () => {
    const file = list(
      "Open invoices,,,,,",
      ",Date,Transaction type,Num,Due date,Open balance",
      "Ada,,,,,",
      ",11/13/2026,Invoice,500,12/13/2026,20.00",
      "Total for Ada,,,,,$20.00",
      "TOTAL,,,,,$20.00",
      '"Monday, November 30, 2026 10:15 AM GMT-05:00"',
    );
    expect(columnsIn("invoices", file).customerId).toBe("Column 1");
    expect(linesIn("invoices", file)).toEqual(["Fri 13 Nov | 20.00 | 500, due Sun 13 Dec | Ada"]);
    expect(leftOutOf(file)).toEqual(["3 heading", "5 total", "6 total", "7 heading"]);
  });
  it("asks about what was cleared by another document", () => {
    const file = list(
      "Customer,Document,Doc. date,Net due date,Amount,Clrng doc.",
      "C1,180001,11/13/2026,12/13/2026,9.00,",
      "C2,180002,11/13/2026,12/13/2026,7.00,14000001",
    );
    expect(openIn(file, { kind: "invoices" })).toContain("column:Clrng doc.");
  });
});

describe("a day in a line of its own", () => {
  it("is that of the lines below it, where it stands in the column of days", () => {
    const file = list(
      "Date,Description,Amount",
      "13 October 2026,,",
      ",ACH Ada,20.00",
      ",Rent,-30.00",
    );
    expect(openIn(file, { kind: "bank" })).toContain("above");
    const answers = { above: "day" };
    expect(linesIn("bank", file, { answers }).filter((line) => /\.00/.test(line))).toEqual([
      "Tue 13 Oct | 20.00 | ACH Ada",
      "Tue 13 Oct | (30.00) | Rent",
    ]);
  });
});

describe("a statement with a column for each currency", () => {
  it("has its sums in the one that is filled", () => {
    const file = list(
      "Account number,Transaction date,Description 1,CAD$,USD$",
      "123,11/13/2026,Deposit Ada,,20.00",
      "123,11/14/2026,Rent,,-30.00",
    );
    expect(columnsIn("bank", file)).toMatchObject({ amount: "USD$" });
    expect(columnsIn("bank", file.replace("Rent,", "Rent,5.00")).amount).toBeUndefined();
  });
});

describe("debits and credits", () => {
  const file = (head: string, word: string): string =>
    list(
      `Batch,Effective Entry Date,${head},Individual Name,Amount`,
      `1001,11/13/2026,Debit,Brightwater,20.00`,
      `1001,11/13/2026,${word},Dara Voss,15.00`,
    );
  it("are asked about, for a credit may be money that went out", () =>
    expect(openIn(file("Type", "Credit"), asked)).toEqual(["column:Type"]));
  it("are cards where their head or another card says so", () => {
    expect(openIn(file("Card type", "Credit"), asked)).toEqual([]);
    expect(openIn(file("Type", "Visa"), asked)).toEqual([]);
  });
});

describe("sums beside those that have a name", () => {
  it("are the parts of a fee, up to three of them", () => {
    const file = list(
      "Date,Txn,Gross,Interchange,Assessments,Markup,Net",
      "2026-11-12,C1,100.00,1.80,0.14,0.50,97.56",
      "2026-11-13,C2,50.00,0.90,0.07,0.35,48.68",
    );
    expect(openIn(file, asked)).toEqual([]);
    expect(linesOf(file)[0]).toBe("Thu 12 Nov | 100.00 | charge, fee 2.44");
  });
  it("are one more fee and what both leave", () => {
    const file = list(
      "Id,Date,Amount,Processing Fee,Platform Fee,Net to Organization",
      "D1,2026-11-12,100.00,3.20,1.00,95.80",
      "D2,2026-11-13,50.00,1.75,0.50,47.75",
    );
    expect(openIn(file, asked)).toEqual([]);
    expect(linesOf(file)[0]).toBe("Thu 12 Nov | 100.00 | charge, fee 4.20");
  });
  it("are what it came to where it was settled, in that currency", () => {
    const file = list(
      "ref,created,customer,charge_currency,charge_amount,settled_currency,settled_amount,settled_fee,settled_net",
      "X1,2026-11-12,Terre,EUR,200.00,USD,218.00,6.62,211.38",
      "X2,2026-11-13,Fernhill,USD,80.00,USD,80.00,2.62,77.38",
    );
    expect(columnsIn("processor", file)).toMatchObject({
      gross: "settled_amount",
      fee: "settled_fee",
      net: "settled_net",
      currency: "settled_currency",
    });
  });
});

describe("what was answered of a charge", () => {
  it("is asked about where not all was approved, by words or by codes", () => {
    const file = (head: string, no: string, yes: string): string =>
      list(
        `Txn,Date,Amount,${head},Name`,
        `1,2026-11-12,100.00,${yes},Fernhill`,
        `2,2026-11-13,50.00,${no},Dara`,
      );
    expect(openIn(file("Resp Text", "DO NOT HONOR", "APPROVED"), asked)).toEqual([
      "column:Resp Text",
    ]);
    expect(openIn(file("Response", "ZX-9", "APPROVED"), asked)).toEqual(["state:zx-9"]);
    expect(openIn(file("Resp", "51", "00"), asked)).toEqual(["column:Resp"]);
    expect(openIn(file("Resp", "00", "00"), asked)).toEqual([]);
  });
});

describe("totals with a day", () => {
  const file = (name: string, sum: string): string =>
    list(
      "Date,Txn,Amount,Fee",
      "2026-11-12,T1,100.00,3.20",
      "2026-11-12,T2,50.00,1.75",
      `2026-11-12,${name},${sum},4.95`,
      "2026-11-13,T3,80.00,2.62",
    );
  it("are left out where they are the sum of the lines above, and are called so", () => {
    expect(leftOutOf(file("Daily total", "150.00"), asked)).toEqual(["4 total"]);
    expect(leftOutOf(file("Daily total", "151.00"), asked)).toEqual([]);
    expect(leftOutOf(file("T9", "150.00"), asked)).toEqual([]);
  });
});

describe("a column of kinds by what it holds", () => {
  it("has words that are asked about where a third is known", () => {
    const file = list(
      "Txn,Date,What was done,Amount",
      "1,2026-11-12,Sale,100.00",
      "2,2026-11-12,Partial Reversal,30.00",
      "3,2026-11-13,Sale,50.00",
      "4,2026-11-13,Reversal,50.00",
    );
    expect(openIn(file, asked)).toEqual(["word:partial reversal", "word:reversal"]);
    const answers = { "word:partial reversal": "refund", "word:reversal": "refund" };
    expect(linesOf(file, answers)[3]).toBe("Fri 13 Nov | (50.00) | refund");
  });
});

describe("a time in a column of its own", () => {
  const file = (zone: string, time = "02:10:00"): string =>
    list(
      "Id,Date,Time,Timezone,Type,Amount",
      `T1,2026-11-13,${time},${zone},Payment,100.00`,
      `T2,2026-11-14,15:00:00,${zone},Payment,50.00`,
    );
  it("makes it another day where its zone does", () => {
    expect(linesOf(file("UTC"))[0]).toMatch(/^Thu 12 Nov/);
    expect(linesOf(file("CST"))[0]).toMatch(/^Fri 13 Nov/);
  });
  it("is asked about without a zone, where it may be another day", () => {
    expect(openIn(file(""), asked)).toEqual(["zone"]);
    expect(openIn(file("", "12:10:00"), asked)).toEqual([]);
  });
});

it("what stands beside each line as the sum of its payout is held against its lines", () => {
  const file = (second: string): string =>
    list(
      "Id,Type,Date,Gross,Fee,Net,Payout,Payout total",
      "a1,Charge,2026-11-16,120.00,3.78,116.22,po_1,213.02",
      "a2,Charge,2026-11-16,100.00,3.20,96.80,po_1,213.02",
      `a3,Charge,2026-11-17,50.00,1.75,48.25,po_2,${second}`,
    );
  expect(readList(file("48.25")).proofs).toContain(
    "“Payout total” is what the lines of each of 2 payouts come to",
  );
  expect(readList(file("60.00")).proofs).toContain(
    "payout po_2 is 60.00 by “Payout total”, and its lines in this file come to 48.25",
  );
});
