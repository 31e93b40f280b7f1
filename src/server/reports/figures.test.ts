import { addDays, day } from "@/core/calendar";
import { cei, dso } from "@/core/metrics";
import { type Currency, currencyOf, sumOf } from "@/core/money";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { listSheet } from "../output/lists";
import { overdueRows } from "../overdue/queries/overdue";
import { expectedIn } from "./queries/expected";
import { figuresOf } from "./queries/figures";

const USD = currencyOf("USD") as Currency;
let book: TestBook;
eachBook((made) => {
  book = made;
});
const figures = (): ReturnType<typeof figuresOf> =>
  figuresOf(book.db, TODAY, overdueRows(book.db, TODAY, book.proposals()), USD);

it("takes a month's figures from the journal: what was sold, owed at its end, and not due of it", () => {
  book.mustTake(
    "processor",
    "Id,Type,Date,Gross,Fee,Net,Payer,Email,Memo\nch_1,Charge,11/10/2026,864.50,25.37,839.13,Alder Lane Pottery School,office@alderlane.example,20401\n",
  );
  book.must("postSure", { receiptIds: null });
  const { months } = figures();
  const november = months.at(-1)!;
  // Opening 864.50 + 120.00; sold 106.00 + 500.00 + 250.00 less the credit note of 10.00; paid
  // 864.50; not due 106.00 + 500.00 + 250.00.
  expect(november).toMatchObject({
    month: "2026-11",
    sales: 84_600,
    receivables: 96_600,
    notDue: 85_600,
    daysLate: 10,
  });
  expect([november.cei, november.dso]).toEqual([
    cei(98_450, 84_600, 96_600, 85_600),
    dso(96_600, 84_600, 85),
  ]);
  expect(months[0]).toMatchObject({
    sales: 0,
    receivables: 0,
    dso: null,
    cei: null,
    daysLate: null,
  });
});

it("expects cash by habit and promise, and holds what was expected before against what came", () => {
  const weeks = (): number[] => figures().weeks.map(({ expected }) => expected);
  const all = weeks().reduce((sum, week) => sum + week, 0);
  expect(all).toBe(86_450 + 10_600 + 12_000 + 50_000 + 25_000);
  book.must("logContact", {
    customerId: book.id("customer", "external_id = 'C2'"),
    kind: "promise",
    text: "after the fair",
    promisedOn: "2026-12-18",
    promisedSum: null,
  });
  const [before, after] = [weeks, weeks].map((of) => of());
  expect(before).toEqual(after);
  expect(
    figures().weeks.find(({ from }) => from === "2026-12-14")?.expected,
  ).toBeGreaterThanOrEqual(12_000);
  expect(figures().before).toMatchObject({ asOf: addDays(TODAY, -28), expected: 0, came: 0 });
});

it("says item by item what a week's sum is expected from; a promise in parts covers the oldest first", () => {
  const C3 = book.id("customer", "external_id = 'C3'");
  book.must("changeSettings", { clock: "2027-01-12" });
  const TUESDAY = day("2027-01-12");
  const at = (): ReturnType<typeof figuresOf> =>
    figuresOf(book.db, TUESDAY, overdueRows(book.db, TUESDAY, []), USD);
  book.must("logContact", {
    customerId: C3,
    kind: "promise",
    text: "by halves",
    parts: [
      { dueOn: "2027-01-20", sum: 25_000 },
      { dueOn: "2027-02-03", sum: 50_000 },
    ],
  });
  for (const week of at().weeks)
    expect(expectedIn(book.db, TUESDAY, week.from).reduce((so, { amount }) => so + amount, 0)).toBe(
      week.expected,
    );
  const promised = at().weeks.flatMap(({ from }) =>
    expectedIn(book.db, TUESDAY, from)
      .filter((expectedItem) => expectedItem.promised)
      .map((expectedItem) => [from, expectedItem.customerId, expectedItem.amount]),
  );
  // The site's invoice of 500.00 is the older one: with both, 750.00 are there by the last day only.
  expect(promised).toEqual([
    ["2027-02-01", book.id("customer", "external_id = 'C4'"), 50_000],
    ["2027-02-01", C3, 25_000],
  ]);
});

it("says whom to call first, and why", () => {
  book.must("logContact", {
    customerId: book.id("customer", "external_id = 'C2'"),
    kind: "promise",
    text: "by Friday",
    promisedOn: "2026-11-20",
    promisedSum: null,
  });
  const { calls } = figures();
  expect(calls[0]).toMatchObject({
    name: "Alder Lane Pottery School",
    why: expect.stringContaining("864.50, the oldest 24 days late") as string,
  });
  expect(calls[1]?.why).toContain("a promise was broken");
});

it("brings the allowance to what the ages make of it, once, and back by undo", () => {
  const { allowance } = figures();
  // 1 % of 856.00 not due, 3 % of 974.50 of 1 to 30 days (864.50 + 120.00 - 10.00).
  expect(allowance).toMatchObject({ sum: 856 + 2924, stands: 0, entry: 3780 });
  const { actId } = book.must("bringAllowance", {});
  expect([book.balance("allowance"), book.balance("bad_debt"), figures().allowance.entry]).toEqual([
    -3780, 3780, 0,
  ]);
  expect(book.do("bringAllowance", {})).toMatchObject({
    ok: false,
    error: { code: "allowance.stands" },
  });
  book.must("undo", { actId });
  expect(book.balance("allowance")).toBe(0);
  // By rates of the book's own: 0 % of what is not due, 10 % of 974.50.
  book.must("changeSettings", {
    doubtfulPercent: { not_due: "0", d1_30: "10", d31_60: "20", d61_90: "40", over_90: "75" },
  });
  expect(figures().allowance).toMatchObject({ sum: 9745, entry: 9745 });
  expect(
    book.do("changeSettings", {
      doubtfulPercent: { not_due: "0", d1_30: "101", d31_60: "20", d61_90: "40", over_90: "75" },
    }),
  ).toMatchObject({ ok: false, error: { code: "input.invalid" } });
});

it("gives the figures as a table", () => {
  const sheet = listSheet(
    { db: book.db, today: TODAY, proposals: book.proposals() },
    "figures",
    new URLSearchParams(),
  );
  expect(sheet.columns).toEqual(["figure", "of", "value"]);
  expect(
    sheet.rows.find(([figure, of]) => figure === "owed at the end" && of === "2026-11")?.[2],
  ).toBe("1830.50");
  expect(sheet.rows.filter(([figure]) => figure === "cash expected")).toHaveLength(8);
  expect(day(sheet.rows.find(([figure]) => figure === "cash expected")?.[1] ?? "")).toBe(
    "2026-11-23",
  );
});

it("says how the weeks of cash to expect come to what is owed, to the cent", () => {
  book.mustTake(
    "invoices",
    "invoice_number,customer_id,issued_on,due_on,total\nCN-77,C2,2026-11-20,2026-11-20,-30.00\nF-1,C2,2026-11-20,2027-06-30,75.00\n",
  );
  const { owed, weeks: all } = figures();
  const within = sumOf(all, (week) => week.expected);
  const items = book.db.all<{ sum: number }>(
    "SELECT sum(balance) AS sum FROM open_item WHERE balance > 0 UNION ALL SELECT -sum(balance) FROM open_item WHERE balance < 0",
  );
  expect([owed.open, owed.notes]).toEqual(items.map(({ sum }) => sum));
  expect(owed.later).toBeGreaterThanOrEqual(7500);
  expect(within + owed.later).toBe(owed.open);
  expect(owed.open - owed.notes).toBe(owed.receivables);
  expect(owed.receivables).toBe(book.balance("receivables"));
});
