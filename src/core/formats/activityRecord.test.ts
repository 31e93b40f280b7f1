import { type Currency, currencyOf } from "@/core/money";

import {
  guessMapping,
  type MappingSpec,
  type ProcessorRecord,
  readActivity,
  readRows,
  readTable,
} from ".";

const USD = currencyOf("USD") as Currency;
const context = { bookCurrency: USD, timeZone: "America/Chicago" };
const HEAD =
  "Id,Type,Date,Settled,Gross,Fee,Net,Payer,Email,Memo,Payout id,Payout date,Original id";

type Read = { rows: ProcessorRecord[]; refused: string[] };
function read(lines: readonly string[], more: Partial<MappingSpec> = {}, head = HEAD): Read {
  const table = readTable([head, ...lines, ""].join("\n"));
  if (!table.ok) throw new Error(table.error.code);
  const spec = { ...guessMapping(table.value, "processor"), ...more };
  const { rows, refused } = readRows<ProcessorRecord[]>(table.value, spec, context, (row) =>
    readActivity(row, spec),
  );
  return {
    rows: rows.flat(),
    refused: refused.map(({ line, field, error }) => `${line} ${field} ${error.code}`),
  };
}
/** Each record in a few words: its kind, its sum, and of what it is. */
const shown = ({ rows }: Read): string[] =>
  rows.map((row) =>
    row.kind === "payout"
      ? `payout ${row.externalId} ${row.net}`
      : `${row.kind} ${row.externalId} ${row.amount}${row.relatedId === null ? "" : ` of ${row.relatedId}`}`,
  );

describe("a row of a processor's activity", () => {
  it("is a charge with its fee, each an item of its own", () => {
    const found = read([
      "ch_1,Charge,11/16/2026,11/18/2026,864.50,25.37,839.13,Alder,o@a.example,invoice 20401,po_1,11/20/2026,",
    ]);
    expect(shown(found)).toEqual(["charge ch_1 86450", "fee ch_1 -2537 of ch_1"]);
    expect(found.rows[0]).toMatchObject({
      occurredOn: "2026-11-16",
      settledOn: "2026-11-18",
      payoutId: "po_1",
      payoutOn: "2026-11-20",
      payerName: "Alder",
      payerEmail: "o@a.example",
      reference: "invoice 20401",
    });
  });
  it("settles on its own day where no other is said", () => {
    const [row] = read(["ch_1,Charge,11/16/2026,,5.00,,,,,,,,"]).rows;
    expect(row).toMatchObject({ occurredOn: "2026-11-16", settledOn: "2026-11-16" });
  });
  it("without a fee is a charge alone", () => {
    expect(shown(read(["ch_1,Charge,11/16/2026,,5.00,0.00,5.00,,,,,,"]))).toEqual([
      "charge ch_1 500",
    ]);
  });
  it.each([
    ["refund", "rf_1,Refund,11/16/2026,,12.00,,,,,,,,ch_1", "refund rf_1 -1200 of ch_1"],
    [
      "refund written negative",
      "rf_1,Refund,11/16/2026,,-12.00,,,,,,,,ch_1",
      "refund rf_1 -1200 of ch_1",
    ],
    ["dispute", "dp_1,Dispute,11/16/2026,,40.00,,,,,,,,ch_1", "dispute dp_1 -4000 of ch_1"],
    ["return", "rt_1,ACH return,11/16/2026,,40.00,,,,,,,,ch_1", "ach_return rt_1 -4000 of ch_1"],
    [
      "dispute that is won",
      "dw_1,Dispute won,11/16/2026,,40.00,,,,,,,,ch_1",
      "dispute_won dw_1 4000 of ch_1",
    ],
  ])("takes a %s out of what there is, or gives it back", (_case, line, expected) =>
    expect(shown(read([line]))[0]).toBe(expected),
  );
  it("takes a card number out of what somebody wrote", () => {
    const [row] = read([
      "ch_1,Charge,11/16/2026,,5.00,,,Jo 4242 4242 4242 4242,,pay 4242424242424242,,,",
    ]).rows;
    expect(JSON.stringify(row)).not.toMatch(/4242 ?4242 ?4242/);
  });
  it.each([
    ["no day", "ch_1,Charge,,,5.00,,,,,,,,", "2 occurredOn field.empty"],
    ["a day that is none", "ch_1,Charge,02/30/2026,,5.00,,,,,,,,", "2 occurredOn day.impossible"],
    ["no sum", "ch_1,Charge,11/16/2026,,,,,,,,,,", "2 gross activity.no_sum"],
    ["words for a sum", "ch_1,Charge,11/16/2026,,lots,,,,,,,,", "2 gross amount.unreadable"],
  ])("is refused with %s", (_case, line, refused) => {
    const found = read([line], { dayOrder: "mdy" });
    expect(found.refused).toContain(refused);
    expect(found.rows).toEqual([]);
  });
  it("does not stop the rows around it", () => {
    const found = read([
      "ch_1,Charge,11/16/2026,,5.00,,,,,,,,",
      "ch_2,Charge,never,,5.00,,,,,,,,",
      "ch_3,Charge,11/17/2026,,6.00,,,,,,,,",
    ]);
    expect(shown(found)).toEqual(["charge ch_1 500", "charge ch_3 600"]);
    expect(found.refused).toHaveLength(1);
  });
});

describe("a row of a payout", () => {
  const PAYOUTS = "Entry id,Entry type,Date,Settled,Amount,For charge,From,To";
  it("says what was paid, and which days it covers", () => {
    const found = read(
      ["po_1,payout,11/18/2026,11/18/2026,-955.35,,11/16/2026,11/17/2026"],
      {},
      PAYOUTS,
    );
    expect(found.rows).toEqual([
      {
        line: 2,
        kind: "payout",
        externalId: "po_1",
        paidOn: "2026-11-18",
        currency: USD,
        net: 95_535,
        spanFrom: "2026-11-16",
        spanTo: "2026-11-17",
      },
    ]);
  });
  it("covers no days where none are said", () => {
    const [row] = read(["po_1,payout,11/18/2026,,-10.00,,,"], {}, PAYOUTS).rows;
    expect(row).toMatchObject({ spanFrom: null, spanTo: null, net: 1000 });
  });
});
