import { list } from "../../../tests/support/readings";
import { bookOfEach, taking } from "../../../tests/support/taking";

/* One account's activity in several exports, each with ids of its own; made by hand, common practice, no source. */

const book = bookOfEach();

const HEAD = "Id,Type,Date,Gross,Fee,Net,Payer";
const FIRST = [
  "ch_1,Charge,2026-11-20,100.00,3.20,96.80,Fernhill Studio",
  "ch_2,Charge,2026-11-21,50.00,1.75,48.25,Morrow Ceramics",
];

const { must: mustTake, asks: asksOf } = taking(book);
const must = (text: string, answers: Record<string, string> = {}): ReturnType<typeof mustTake> =>
  mustTake("processor", text, answers);
const asks = (text: string): string => asksOf("processor", text);
/** What is asked of a file once the answers are given. */
const asksThen = (text: string, answers: Record<string, string>): string => {
  const done = book().take("processor", text, { mapping: { answers } });
  return done.ok ? "" : String(done.error.first);
};
const items = (): unknown =>
  book().db.get("SELECT count(*) AS n, sum(amount) AS sum FROM processor_item WHERE withdrawn = 0");

describe("activity that the book has already", () => {
  beforeEach(() => {
    must(list(HEAD, ...FIRST));
    expect(items()).toEqual({ n: 4, sum: 14505 });
  });
  afterEach(() => {
    expect(items()).toEqual({ n: 4, sum: 14505 });
  });

  it("under the ids of its balance entries is asked about, and known where that is said", () => {
    const other = list(
      "Id,Source,Type,Created,Amount,Fee,Net",
      "txn_1,ch_1,charge,2026-11-20,100.00,3.20,96.80",
      "txn_2,ch_2,charge,2026-11-21,50.00,1.75,48.25",
    );
    expect(asks(other)).toContain("2 of 2 lines stand in the book already by day and sum");
    expect(must(other, { same: "same" })).toMatchObject({ new: 0, known: 2 });
  });
  it("without ids is asked about too, by whoever paid", () => {
    const other = (payer: string): string =>
      list(
        "Date,Customer,Amount,Fees",
        `11/20/2026,${payer},100.00,3.20`,
        "11/21/2026,Morrow Ceramics LLC,50.00,1.75",
      );
    expect(asks(other("Fernhill"))).toContain("2 of 2 lines");
    expect(asks(other("Quarry Lane"))).toContain("1 of 2 lines");
    expect(must(other("Fernhill"), { same: "same" })).toMatchObject({ new: 0, known: 2 });
  });
  it("in another zone is known by who paid, though its day is the next", () => {
    const other = (payer: string): string =>
      list(
        "Id,Type,Created,Amount,Fee,Net,Customer",
        `txn_1,charge,2026-11-21,100.00,3.20,96.80,${payer}`,
        "txn_2,charge,2026-11-21,50.00,1.75,48.25,Morrow Ceramics",
      );
    expect(asks(other("Fernhill"))).toContain("2 of 2 lines");
    expect(asks(other("Quarry Lane"))).toContain("1 of 2 lines");
    expect(must(other("Fernhill"), { same: "same" })).toMatchObject({ new: 0, known: 2 });
  });
  it("with each fee in a line of its own is asked about for the fees alone", () => {
    const other = list(
      "Id,Type,Date,Amount",
      "ch_1,Charge,2026-11-20,100.00",
      "fee_1,Fee,2026-11-20,-3.20",
      "ch_2,Charge,2026-11-21,50.00",
      "fee_2,Fee,2026-11-21,-1.75",
    );
    expect(asks(other)).toContain("2 of 4 lines");
    expect(must(other, { same: "same" })).toMatchObject({ new: 0, known: 4 });
  });
});

it("what is said to be the same gets its payout, and what came of it since finds its charge", () => {
  must(list(HEAD, ...FIRST));
  const other = list(
    "Id,Type,Created,Amount,Fee,Net,Payout id,Original id",
    "txn_1,charge,2026-11-20,100.00,3.20,96.80,po_1,",
    "txn_2,charge,2026-11-21,50.00,1.75,48.25,po_1,",
    "txn_3,refund,2026-11-22,-20.00,0.00,-20.00,po_1,txn_1",
  );
  expect(must(other, { same: "same" })).toMatchObject({ new: 1, changed: 2 });
  expect(
    book().db.all("SELECT external_id, related_id FROM processor_item WHERE kind = 'refund'"),
  ).toEqual([{ external_id: "txn_3", related_id: "ch_1" }]);
  expect(book().db.get("SELECT net FROM payout")).toEqual({ net: 12505 });
});

it("what is new of the same export is new, whatever else costs as much on its day", () => {
  const classes = (from: number, to: number): string =>
    list(
      HEAD,
      ...Array.from({ length: to - from }, (_, at) =>
        ["ch", from + at, "Charge", "2026-11-20", "25.00", "0.30", "24.70"]
          .join(",")
          .replace(",", "_")
          .concat(`,Payer${from + at}`),
      ),
    );
  expect(must(classes(0, 4))).toMatchObject({ new: 4 });
  // Some are known by their ids; then all are of another day's half, and have other payers.
  expect(must(classes(2, 8))).toMatchObject({ new: 4, known: 2 });
  expect(must(classes(8, 12))).toMatchObject({ new: 4 });
  // Without names, half a day at one price is as likely told twice.
  expect(asks(list("Id,Type,Date,Gross", "x_1,Charge,2026-11-20,25.00"))).toContain("1 of 1 line");
});

it("a payout under another id is asked about", () => {
  must(list("Id,Type,Date,Amount", "po_1,Payout,2026-11-20,-145.05"));
  const other = list("Id,Type,Date,Amount", "deposit 7,Payout,2026-11-20,-145.05");
  expect(asks(other)).toContain("1 of 1 line");
  expect(must(other, { same: "same" })).toMatchObject({ new: 0, known: 1 });
});

describe("a list of what the fees left", () => {
  const nets = list(
    "Id,Date,Net deposited,Payer",
    "T-1,2026-11-20,96.80,Fernhill Studio",
    "T-2,2026-11-21,48.25,Morrow Ceramics",
  );

  it("is asked about where the book has what was charged, and stays as it stands there", () => {
    must(list(HEAD, ...FIRST));
    expect(asksThen(nets, { gross: "net" })).toContain(
      "2 of 2 lines stand in the book already by day and sum, some at what",
    );
    expect(must(nets, { gross: "net", same: "same" })).toMatchObject({ new: 0, known: 2 });
    expect(items()).toEqual({ n: 4, sum: 14505 });
  });
  it("is known the other way round too, without its fees", () => {
    must(nets, { gross: "net" });
    expect(asks(list(HEAD, ...FIRST))).toContain("some at what a fee leaves of them");
    expect(must(list(HEAD, ...FIRST), { same: "same" })).toMatchObject({ new: 0, known: 2 });
    expect(items()).toEqual({ n: 2, sum: 14505 });
  });
});

it("a payout by the day on which it was sent is asked about by that of its arrival", () => {
  const payouts = (head: string, ...rows: string[]): string =>
    list(`${head},Amount,Status`, ...rows);
  must(payouts("Payout id,Date", "po_1,2026-11-13,400.29,paid"), { payouts: "payout" });
  const other = payouts("Transfer reference,Date", "TR-9,2026-11-16,400.29,paid");
  expect(asksThen(other, { payouts: "payout" })).toContain("by sum, on their day or a few");
  expect(must(other, { payouts: "payout", same: "same" })).toMatchObject({ new: 0, known: 1 });
});

it("who pays the same on the next day, in the same sort of export, pays again", () => {
  must(list(HEAD, ...FIRST));
  const next = list(HEAD, "ch_3,Charge,2026-11-22,50.00,1.75,48.25,Morrow Ceramics");
  expect(must(next)).toMatchObject({ new: 1, known: 0 });
  const payout = (id: string, day: string): string =>
    list("Payout id,Date,Amount,Status", `${id},${day},400.29,paid`);
  must(payout("po_1", "2026-11-23"), { payouts: "payout" });
  expect(must(payout("po_2", "2026-11-24"), { payouts: "payout" })).toMatchObject({ new: 1 });
});
