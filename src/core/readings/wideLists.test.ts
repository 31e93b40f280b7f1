import {
  columnsIn,
  kindsIn,
  leftOutOf,
  linesIn,
  list,
  openIn,
  readList,
} from "../../../tests/support/readings";

/* Lists with all the columns that those who export them write; made by hand, common practice, no source. */

describe("columns of a processor's wide list", () => {
  it("what was charged elsewhere stands beside what it came to where it is settled", () => {
    const file = list(
      "Transaction,Booked,Kind,Charged,Charged currency,Exchange rate,Settled gross,Settled fee,Settled net,Settlement currency,Payer",
      "t0,2026-11-12,charge,429.96,GBP,1.27,546.05,16.38,529.67,USD,Ada",
      "t1,2026-11-13,charge,175.40,USD,1,175.40,5.26,170.14,USD,Bo",
      "t2,2026-11-14,charge,159.74,EUR,1.08,172.52,5.18,167.34,USD,Cy",
    );
    expect(openIn(file, { kind: "processor" })).toEqual([]);
    expect(columnsIn("processor", file)).toMatchObject({
      gross: "Settled gross",
      fee: "Settled fee",
      net: "Settled net",
      currency: "Settlement currency",
    });
  });
  it("fees that a total of fees is made of are none beside it", () => {
    const file = list(
      "Trans date,Trans type,Gross amount,Interchange,Scheme fee,Acquirer fee,Total charges,Settled amount,Batch no",
      "2026-11-12,Sale,495.04,4.95,0.99,0.25,6.19,488.85,100",
      "2026-11-13,Sale,277.40,2.77,0.55,0.25,3.57,273.83,100",
      "2026-11-14,Refund,-88.00,0.00,0.00,0.00,0.00,-88.00,101",
    );
    expect(openIn(file)).toEqual([]);
    expect(columnsIn("processor", file)).toMatchObject({ fee: "Total charges" });
    expect(columnsIn("processor", file).fee2).toBeUndefined();
  });
  it("a fee and a net without names that are left of a gross with one", () => {
    const file = list(
      "Payment date,Payer,Invoice,Amount received,Processing cost,Deposit amount,Deposit date",
      "2026-11-12,Ada,INV-20400,100.00,3.20,96.80,2026-11-16",
      "2026-11-13,Bo,INV-20401,50.00,1.75,48.25,2026-11-17",
    );
    expect(openIn(file, { kind: "processor" })).toEqual([]);
    expect(columnsIn("processor", file)).toMatchObject({
      fee: "Processing cost",
      net: "Deposit amount",
    });
  });
  it("what arrives alone says nothing of a fee: asked", () => {
    const file = list(
      "Payment Date,Payer,Invoice,Net deposit,Fee %,Deposit ID",
      "2026-11-12,Ada,20400,433.62,2.9%,D0",
      "2026-11-13,Bo,20401,95.39,2.9%,D0",
    );
    expect(openIn(file, { kind: "processor" })).toEqual(["gross"]);
    const said = { kind: "processor" as const, answers: { gross: "net" } };
    expect(openIn(file, said)).toEqual([]);
  });
  it("heads that say of which zone their times are", () => {
    const file = list(
      "payment,created_local,settled_utc,amount,fee_amount,net_amount,state,payer_name",
      "p0,2026-11-12 11:30:00,2026-11-13T14:30:00Z,504.76,15.14,489.62,settled,Ada",
    );
    expect(columnsIn("processor", file)).toMatchObject({
      occurredOn: "created_local",
      settledOn: "settled_utc",
    });
  });
  it("a tip between two sums is no fee", () => {
    const file = list(
      "Batch,Seq,Date,Type,Base,Tip,Total",
      "88,1,2026-11-12,SALE,56.63,2.00,58.63",
      "88,2,2026-11-13,SALE,60.59,0.00,60.59",
      "88,3,2026-11-13,REFUND,-20.00,0.00,-20.00",
    );
    expect(columnsIn("processor", file).fee).toBeUndefined();
    expect(openIn(file, { kind: "processor" })).toEqual(["column:Base", "column:Tip"]);
  });
  it.each([
    ["a tax between a total and a price", "Total,Sales tax,Net sales", ["106.00,6.00,100.00"]],
    [
      "a price with its tax beside what was paid of it",
      "Amount,Order value,Tax,Subtotal",
      ["50.00,106.00,6.00,100.00"],
    ],
    ["a tip between two sums without a name", "With tip,Tip,Without tip", ["106.00,6.00,100.00"]],
    ["a tip and a tax", "Total,Tip,Tax,Net sales", ["112.00,6.00,6.00,100.00"]],
  ])("%s: no fee", (_what, heads, sums) => {
    const file = list(
      `Payment ID,Date,Customer,${heads}`,
      ...sums.flatMap((line) => [`p1,2026-11-12,Ada,${line}`, `p2,2026-11-13,Bo,${line}`]),
    );
    expect(columnsIn("processor", file)).not.toHaveProperty("fee");
    expect(columnsIn("processor", file)).not.toHaveProperty("net");
  });
  it("what a gateway calls a credit among its captures is asked", () => {
    const file = list(
      "Trans ID,Response,Invoice,Submit date/time,Amount,Customer,Batch,Action",
      "6001,Approved,20401,12-Nov-2026 09:12:01 AM,320.37,Ada,300,Auth Capture",
      "6002,Approved,20402,13-Nov-2026 09:12:01 AM,93.18,Bo,300,Auth Capture",
      "6003,Approved,20403,13-Nov-2026 09:14:01 AM,32.62,Cy,300,Credit",
    );
    expect(openIn(file, { kind: "processor" })).toEqual(["word:credit"]);
  });
  it("French heads and words", () => {
    const file = list(
      "Identifiant;Date de l'opération;Nature;Montant brut;Commission HT;TVA;Montant net;Devise;Client",
      "OP0;12/11/2026;Paiement CB;707,70;9,91;1,98;695,81;EUR;Ada",
      "OP1;13/11/2026;Remboursement;-20,00;0,00;0,00;-20,00;EUR;Bo",
    );
    expect(kindsIn(file).sure).toBe("processor");
    expect(openIn(file)).toEqual([]);
  });
});

describe("columns of a bank's wide list", () => {
  it("a state in a column of another name, umlauts in two letters, the payer beside the words", () => {
    const file = list(
      "Auftragskonto;Buchungstag;Verwendungszweck;Beguenstigter/Zahlungspflichtiger;Betrag;Waehrung;Info",
      "DE00;13.11.26;Rechnung 20400;Ada;687,05;EUR;Umsatz vorgemerkt",
      "DE00;12.11.26;Rechnung 20401;Bo;-488,44;EUR;Umsatz gebucht",
    );
    expect(openIn(file)).toEqual(["column:Info"]);
    const said = { answers: { "column:Info": "status" } };
    expect(leftOutOf(file, said)).toEqual(["2 no_money"]);
    expect(linesIn("bank", file, said).join()).toContain("(488.44)");
  });
  it("what the account has before what is free of it; words that stand before an empty memo", () => {
    const file = list(
      "Posted date,Transaction,Amount,Type,Available balance,Current balance,Memo",
      "2026-11-12,Ada,100.00,Credit,900.00,1100.00,",
      "2026-11-13,Bo,50.00,Credit,950.00,1150.00,",
    );
    expect(columnsIn("bank", file)).toMatchObject({
      balance: "Current balance",
      description: "Transaction",
    });
  });
  it("words in several columns with a number", () => {
    const file = list(
      "Buchungsdatum;Währung;Beschreibung1;Beschreibung2;Beschreibung3;Belastung;Gutschrift;Saldo",
      "13.11.2026;CHF;Lieferant;;Zahlung;-20.00;;1'130.00",
      "12.11.2026;CHF;Ada;Rechnung;20400;;1'050.00;1'150.00",
    );
    expect(linesIn("bank", file)[1]).toContain("Ada Rechnung 20400");
  });
  it("heads that name their currency in words", () => {
    const file = list(
      "Date;Libellé;Débit euros;Crédit euros",
      "13/11/2026;VIR RECU ADA;;2654,18",
      "12/11/2026;PRLV ATELIER;-208,86;",
    );
    expect(linesIn("bank", file, { answers: { signs: "signed" } }).join()).toContain("EUR");
  });
  it("DR beside a balance: a bank's, overdrawn, or a ledger's: both follow on, and it is asked", () => {
    const file = list(
      "Date,Particulars,Debit,Credit,Balance",
      "2026-11-12,ADA,,100.00,900.00 DR",
      "2026-11-13,RENT,20.00,,920.00 DR",
    );
    expect(openIn(file)).toEqual(["signs"]);
    const as = (signs: string): string[] => linesIn("bank", file, { answers: { signs } });
    expect(as("signed")[0]).toContain(" 100.00");
    expect(as("turned")[0]).toContain("(100.00)");
    expect(openIn(file, { answers: { signs: "signed" } })).toEqual([]);
    expect(openIn(file, { answers: { signs: "turned" } })).toEqual([]);
  });
  it("heads that name their currency by its sign", () => {
    const file = list(
      "Data;Histórico;Crédito (R$);Débito (R$);Saldo (R$)",
      "13/11/2026;PIX ADA;1.194,98;;2.194,98",
      "14/11/2026;PAGTO;;-770,37;1.424,61",
    );
    expect(linesIn("bank", file).join()).toContain("BRL");
  });
  it("a day that stands on the first of its lines alone is asked", () => {
    const file = list(
      "Date,Description,Paid out,Paid in,Balance",
      "12 Nov 2026,ADA,,100.00,1100.00",
      ",BO,,50.00,1150.00",
      "13 Nov 2026,RENT,20.00,,1130.00",
    );
    expect(openIn(file)).toEqual(["above"]);
    expect(linesIn("bank", file, { answers: { above: "day" } })[1]).toContain("12 Nov");
    // Without one it is refused, and nothing is understood of it.
    expect(linesIn("bank", file, { answers: { above: "leave" } })).toHaveLength(2);
  });
  const withFees = (...balances: string[]): string =>
    list(
      "Type,Completed date,Description,Amount,Fee,Currency,State,Balance",
      `TOPUP,2026-11-12,From Ada,100.00,0.00,USD,COMPLETED,${balances[0] ?? ""}`,
      `TRANSFER,2026-11-13,To supplier,-50.00,0.20,USD,COMPLETED,${balances[1] ?? ""}`,
      "TRANSFER,,From Bo,70.00,0.00,USD,PENDING,",
      `TOPUP,2026-11-14,From Cy,10.00,0.00,USD,COMPLETED,${balances[2] ?? ""}`,
    );
  it("a fee beside the sum comes off where the balance follows by it alone", () => {
    const file = withFees("1100.00", "1049.80", "1059.80");
    expect(kindsIn(file).possible).toEqual(["processor", "bank"]);
    expect(openIn(file, { kind: "bank" })).toEqual([]);
    expect(linesIn("bank", file)[1]).toContain("(50.20)");
    expect(leftOutOf(file, { kind: "bank" })).toEqual(["4 not_yet"]);
    const without = withFees("1100.00", "1050.00", "1060.00");
    expect(linesIn("bank", without)[1]).toContain("(50.00)");
  });
  it("a fee that was given back goes the other way", () => {
    const file = list(
      "Completed date,Description,Amount,Fee,Balance",
      "2026-11-12,Ada,100.00,0.40,1099.60",
      "2026-11-13,To supplier,-50.00,0.20,1049.40",
      "2026-11-14,Fee of 12 November,0.00,-0.40,1049.80",
    );
    expect(openIn(file, { kind: "bank" })).toEqual([]);
  });
  it("a balance that cannot be read is refused by its name", () => {
    const file = list(
      "Date,Description,Amount,Balance",
      "2026-11-12,Ada,100.00,1100.00",
      "2026-11-13,Bo,50.00,115O.OO",
    );
    const { refused } = readList(file, { kind: "bank" });
    expect(refused.map(({ line, field }) => [line, field])).toEqual([[3, "balance"]]);
  });
  it("and is asked about where nothing shows it", () => {
    const file = withFees();
    expect(openIn(file, { kind: "bank" })).toEqual(["column:Fee"]);
    const said = { answers: { "column:Fee": "off" } };
    expect(linesIn("bank", file, said)[1]).toContain("(50.20)");
  });
});

describe("columns of a ledger's wide list", () => {
  it("what a customer owes, with its balance line by line, is no bank's statement by itself", () => {
    const file = list(
      "Date,Type,Reference,Due,Debit,Credit,Balance",
      "2026-10-01,Invoice,INV-1,2026-10-31,100.00,,100.00",
      "2026-10-05,Payment,PMT-9,,,60.00,40.00",
      "2026-10-09,Credit note,CN-1,,,15.00,25.00",
    );
    expect(kindsIn(file).sure).toBeNull();
    expect(kindsIn(file).possible).toContain("invoices");
  });
  it("a ledger's list of all that it wrote is no activity by itself", () => {
    const file = list(
      "Transaction ID,Transaction type,Customer name,Transaction date,Amount,Open amount",
      "9000,Invoice,Ada,2026-11-01,100.00,100.00",
      "9001,Payment,Bo,2026-11-02,-40.00,-40.00",
      "9002,Credit memo,Cy,2026-11-03,-20.00,-20.00",
      "9003,Refund,Di,2026-11-04,20.00,20.00",
    );
    expect(kindsIn(file).sure).toBeNull();
    expect(kindsIn(file).possible).toContain("invoices");
  });
  it("terms in German", () => {
    const file = list(
      "Rechnung;Debitor;Rechnungsdatum;Zahlungsbedingung;Offener Betrag",
      "R0;Ada;13.11.2026;14 Tage 2% Skonto, 30 Tage netto;674,32",
      "R1;Bo;14.11.2026;2 % Skonto 10 Tage, 30 Tage netto;95,00",
    );
    const said = { answers: { total: "balance" } };
    const terms = readList(file, said).table.rows.map(({ cells }) => cells.at(-1));
    expect(terms).toEqual(["2/14 n/30", "2/10 n/30"]);
  });
  it("checks of a lockbox with the invoices that they pay are no invoices by themselves", () => {
    const file = list(
      "Deposit date,Lockbox,Item,Check number,Check amount,Remitter,Invoice,Invoice amount,Account",
      "2026-11-12,L77,1,5000,217.74,Ada,20400,217.74,4821",
      "2026-11-12,L77,2,5001,314.96,Bo,20401,314.96,4821",
    );
    expect(kindsIn(file).sure).toBeNull();
  });
  it("orders by their number with its sign; a customer by the name on the bill", () => {
    const file = list(
      "Name,Email,Currency,Subtotal,Taxes,Total,Created at,Billing Name,Outstanding Balance,Due date",
      "#1000,a@x.example,USD,100.00,7.00,107.00,2026-11-01,Ada,107.00,2026-12-01",
      "#1001,b@x.example,USD,200.00,14.00,214.00,2026-11-02,Bo,0.00,2026-12-02",
    );
    expect(kindsIn(file).sure).toBe("invoices");
    expect(openIn(file)).toEqual([]);
    expect(linesIn("invoices", file)[0]).toContain("#1000");
  });
  const items = (head: string, ...sums: string[]): string =>
    list(
      `Invoice No,Invoice Date,Due Date,Customer,Item,${head}`,
      ...sums.map((sum, at) => `20400,2026-11-01,2026-12-01,Ada,Mug ${at},${sum}`),
      `20401,2026-11-01,2026-12-01,Bo,Vase,${sums.at(-1) ?? ""}`,
    );
  it("items of the same price are not one sum told twice: asked", () => {
    const file = items("Amount", "10.00", "10.00");
    expect(openIn(file)).toEqual(["balance", "lines"]);
    const as = (lines: string): string[] =>
      linesIn("invoices", file, { answers: { lines, balance: "total" } });
    expect(as("sum")[0]).toContain("20.00");
    expect(as("once")[0]).toContain("10.00");
  });
  it("the sum of the whole on each line of it, where its head or a column beside it says so", () => {
    const whole = items("Invoice total", "20.00", "20.00");
    const beside = items("Price,Amount", "8.00,20.00", "12.00,20.00", "20.00,20.00");
    const parts = items("Price,Amount", "8.00,20.00", "12.00,20.00");
    expect(openIn(whole)).not.toContain("lines");
    expect(openIn(parts)).not.toContain("lines");
    expect(openIn(beside)).toContain("lines");
  });
  it("a column that is the sum and its tax is what was made out", () => {
    const file = list(
      "Invoice No,Invoice Date,Due Date,Customer,Amount,Tax Amount,Line total",
      "20400,2026-11-01,2026-12-01,Ada,114.00,6.84,120.84",
      "20401,2026-11-02,2026-12-02,Bo,200.00,12.00,212.00",
    );
    expect(columnsIn("invoices", file).total).toBe("Line total");
    expect(openIn(file)).not.toContain("taxed");
  });
  it("names with where they are reached are customers, whatever they owe", () => {
    const file = list(
      "Customer ID,Company,Email,Phone,Billing street,Billing city,Credit limit,Balance,Created date",
      "C100,Ada,a@x.example,555-0100,1 Kiln Lane,Dover,5000.00,120.00,2024-03-01",
    );
    expect(kindsIn(file).sure).toBe("customers");
  });
});
