import type { ImportReport } from "@/contracts/arrivals";

import { activity } from "../support/activity";
import { TestBook } from "../support/book";
import { Dice } from "../support/exports/dice";

const LINES = 150;
const ADVICE =
  "Trace,Payment date,Payer,Invoice,Amount paid,Discount\n0012345,2026-11-18,Ann Lee,20404,490.00,10.00\n";
const SPAN = "p_span,payout,2026-11-22,,,,,,,,,75.25,2026-11-01,2026-11-12";

/** The same activity where half of its lines name no payout, and a payout covers days. */
function withSpan(text: string): string {
  const lines = text
    .trim()
    .split("\n")
    .map((line, at) => (at % 2 === 0 ? line : line.replace(/po_\d/, "")));
  const [head, ...rows] = lines;
  return [`${head},paid_on,net,span_from,span_to`, ...rows, SPAN].join("\n");
}

/** Some lines told with another sum. */
const changed = (text: string): string =>
  text.replaceAll(/^(i_\d*7,charge,[^,]*,)(\d+)/gmu, (_, before: string, sum: string) => {
    return `${before}${Number(sum) + 1}`;
  });

/** What the bank says of the payouts that activity names. */
function bankOf(text: string): string {
  const book = TestBook.ready();
  book.mustTake("processor", text, { account: "card" });
  const payouts = book.db.all<{ id: string; paidOn: string; net: number }>(
    "SELECT external_id AS id, paid_on AS paidOn, net FROM payout ORDER BY id",
  );
  book.close();
  const lines = payouts
    .slice(0, 5)
    .map(({ id, paidOn, net }) => `${paidOn},PAYOUT ${id},${(net / 100).toFixed(2)}`);
  return `Date,Description,Amount\n${lines.join("\n")}\n`;
}

/** What was promised of a file, and what came of it. */
function bothOf(book: TestBook, text: string): { promised: ImportReport; came: ImportReport } {
  const to = { account: "card" };
  const promised = book.mustTake("processor", text, { ...to, rehearse: true });
  return { promised, came: book.mustTake("processor", text, to) };
}

describe("a dry run of activity", () => {
  let book: TestBook;
  afterEach(() => {
    expect(book.broken()).toEqual([]);
    book.close();
  });

  it.each([1, 2, 3, 4, 5, 6])("promises what comes of it (%s)", (seed) => {
    const dice = new Dice(seed);
    const text = activity(dice, LINES);
    const others = activity(dice, LINES, LINES - 20);
    const bank = bankOf(text);
    book = TestBook.ready();
    book.mustTake("bank", bank);
    if (seed % 3 === 0) book.mustTake("remittance", ADVICE);
    const first = bothOf(book, text);
    expect(first.promised).toEqual(first.came);
    expect(first.came.outcome.map(({ words }) => words)).toContain(
      "payouts tied to their bank line",
    );
    for (const later of [changed(text), others, withSpan(activity(dice, LINES, 1000))]) {
      const { promised, came } = bothOf(book, later);
      expect(promised).toEqual(came);
      expect(came.new + came.changed).toBeGreaterThan(0);
    }
    expect(
      book.db.all("SELECT id FROM processor_item WHERE external_id LIKE '% together'"),
    ).toEqual([]);
  });

  it("is refused where the import would be, as no sum can hold what comes", () => {
    book = TestBook.ready();
    const lines = Array.from(
      { length: 9001 },
      (_, at) => `x${at},charge,2026-11-05,10000000000.00,po_1`,
    );
    const text = `id,kind,occurred_on,gross,payout_id\n${lines.join("\n")}\n`;
    expect(book.take("processor", text, { account: "card", rehearse: true })).toMatchObject({
      ok: false,
      error: { code: "sum.total" },
    });
  });

  it("writes plain charges together, and one by one where advice waits for its receipt", () => {
    book = TestBook.ready();
    const rowsSeen = (): number => {
      let most = 0;
      const all = jest.spyOn(book.db, "insert").mockImplementation(function counted(
        this: typeof book.db,
        of,
        ...values
      ) {
        if (of.table === "receipt") most += 1;
        return Object.getPrototypeOf(book.db).insert.call(this, of, ...values) as number;
      });
      book.mustTake("processor", activity(new Dice(9), 60), { account: "card", rehearse: true });
      all.mockRestore();
      return most;
    };
    const together = rowsSeen();
    book.mustTake("remittance", ADVICE);
    expect(together).toBeLessThan(rowsSeen());
  });
});
