import { eachBook, type TestBook } from "../../../tests/support/book";
import { inWords } from "../runtime/messages";

let book: TestBook;
eachBook((made) => {
  book = made;
});

const activity = (...rows: string[]): void =>
  void book.mustTake(
    "processor",
    `Id,Type,Date,Gross,Fee,Payer,Payout id,Original id\n${rows.join("\n")}\n`,
  );
const line = (on: string, words: string, amount: string): number => {
  book.mustTake("bank", `Date,Description,Amount\n${on},${words},${amount}\n`);
  return book.id("bank_line", `description = '${words}'`);
};
const payout = (externalId = "po_1"): number => book.id("payout", `external_id = '${externalId}'`);
const item = (externalId: string): number =>
  book.db.get<{ id: number }>(
    "SELECT id FROM processor_item WHERE external_id = ? AND kind = 'charge'",
    externalId,
  )?.id ?? 0;
const codeOf = (done: ReturnType<typeof book.do>): string => (done.ok ? "done" : done.error.code);

/** A payout of 96.80 net, and a line of 81.80: what it is off by is a dispute fee of 15.00. */
function off(): { payoutId: number; lineId: number } {
  activity("ch_1,Charge,11/16/2026,100.00,3.20,A,po_1,");
  return { payoutId: payout(), lineId: line("2026-11-18", "PROC OFF", "81.80") };
}

describe("a payout that is tied by hand", () => {
  it("is refused without its difference, which is told to the cent, and nothing is posted", () => {
    const { payoutId, lineId } = off();
    const before = book.balance("clearing");
    const done = book.do("tiePayout", { payoutId, bankLineIds: [lineId] });
    expect(codeOf(done)).toBe("payout.off");
    expect(!done.ok && inWords(done.error)).toMatch(/81\.80.*96\.80.*15\.00/);
    expect([book.balance("clearing"), book.broken()]).toEqual([before, []]);
  });
  it("books its difference as the fee that it is, and comes back whole by undo", () => {
    const { payoutId, lineId } = off();
    const before = [book.balance("clearing"), book.balance("bank"), book.balance("fees")];
    const { actId } = book.must("tiePayout", {
      payoutId,
      bankLineIds: [lineId],
      difference: { as: "fee", kind: "dispute" },
    });
    expect([book.balance("clearing"), book.broken()]).toEqual([0, []]);
    book.must("undo", { actId });
    expect([book.balance("clearing"), book.balance("bank"), book.balance("fees")]).toEqual(before);
    expect(book.broken()).toEqual([]);
  });
  it("parks its difference with a reason, and asks for one", () => {
    const { payoutId, lineId } = off();
    const park = (reason: string): ReturnType<typeof book.do> =>
      book.do("tiePayout", {
        payoutId,
        bankLineIds: [lineId],
        difference: { as: "park", reason },
      });
    expect(codeOf(park("  "))).toBe("input.invalid");
    expect(codeOf(park("asked the processor"))).toBe("done");
    expect([book.balance("parked"), book.broken()]).toEqual([1500, []]);
  });
  it("takes a charge in that stands in no payout and is just the difference", () => {
    activity("ch_1,Charge,11/16/2026,100.00,3.20,A,po_1,", "ch_2,Charge,11/16/2026,15.00,0.00,B,,");
    const lineId = line("2026-11-18", "PROC MORE", "111.80");
    const tieWith = (itemIds: number[]): ReturnType<typeof book.do> =>
      book.do("tiePayout", {
        payoutId: payout(),
        bankLineIds: [lineId],
        difference: { as: "take_in", itemIds },
      });
    expect(codeOf(tieWith([item("ch_1")]))).toBe("payout.item");
    expect(codeOf(tieWith([999_999]))).toBe("payout.item");
    expect(codeOf(tieWith([item("ch_2")]))).toBe("done");
    expect([book.balance("clearing"), book.broken()]).toEqual([0, []]);
  });
  it("takes a charge out that was not paid with it, which then stands in clearing", () => {
    activity(
      "ch_1,Charge,11/16/2026,100.00,0.00,A,po_1,",
      "ch_2,Charge,11/16/2026,15.00,0.00,B,po_1,",
    );
    const lineId = line("2026-11-18", "PROC LESS", "100.00");
    const { actId } = book.must("tiePayout", {
      payoutId: payout(),
      bankLineIds: [lineId],
      difference: { as: "take_out", itemIds: [item("ch_2")] },
    });
    expect([book.balance("clearing"), book.broken()]).toEqual([1500, []]);
    book.must("undo", { actId });
    expect([book.balance("clearing"), book.broken()]).toEqual([11_500, []]);
  });
});

describe("what cannot be tied", () => {
  it.each([
    ["a line that is not there", (): number[] => [999_999], "line.unknown"],
    ["no line", (): number[] => [], "input.invalid"],
    [
      "a line that is explained already",
      (): number[] => {
        const lineId = line("2026-11-18", "RENT", "-40.00");
        book.must("explainLine", { lineId, as: "elsewhere" });
        return [lineId];
      },
      "payout.line",
    ],
  ])("%s", (_case, linesOf, code) => {
    const { payoutId } = off();
    expect(codeOf(book.do("tiePayout", { payoutId, bankLineIds: linesOf() }))).toBe(code);
    expect(book.broken()).toEqual([]);
  });
  it("a payout that is tied, a second time", () => {
    const { payoutId, lineId } = off();
    const difference = { as: "fee", kind: "dispute" } as const;
    book.must("tiePayout", { payoutId, bankLineIds: [lineId], difference });
    const other = line("2026-11-19", "PROC AGAIN", "96.80");
    expect(codeOf(book.do("tiePayout", { payoutId, bankLineIds: [other] }))).toBe("payout.tied");
  });
  it("a line counts once, however often it is named", () => {
    const { payoutId, lineId } = off();
    const done = book.do("tiePayout", { payoutId, bankLineIds: [lineId, lineId] });
    expect(codeOf(done)).toBe("payout.off");
  });
});
