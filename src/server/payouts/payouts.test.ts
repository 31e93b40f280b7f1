import { day } from "@/core/calendar";
import { bankLineById } from "@/db/bank";

import { eachBook, type TestBook } from "../../../tests/support/book";
import { bulkPayoutsOf } from "./queries/bulkPayouts";
import { payoutViews } from "./queries/payouts";
import { payoutWorkings } from "./queries/payoutWorkings";

let book: TestBook;
eachBook((made) => {
  book = made;
});

const activity = (...rows: string[]): void =>
  void book.mustTake(
    "processor",
    `Id,Type,Date,Gross,Fee,Payer,Payout id,Original id\n${rows.join("\n")}\n`,
  );
const statement = (on: string, words: string, amount: string): number => {
  book.mustTake("bank", `Date,Description,Amount\n${on},${words},${amount}\n`);
  return book.id("bank_line", `description = '${words}'`);
};
const item = (externalId: string, kind = "charge"): number =>
  book.db.get<{ id: number }>(
    "SELECT id FROM processor_item WHERE external_id = ? AND kind = ?",
    externalId,
    kind,
  )?.id ?? 0;
const explanations = (): string[] =>
  payoutWorkings(book.db, book.id("payout", "external_id = 'po_1'"))!.explanations.map(
    ({ code, remedy }) => `${code} ${remedy.as}`,
  );

describe("a lump on the statement", () => {
  it("is taken apart into the receipts of a run of days, tied, and undone", () => {
    activity(
      "ch_1,Charge,11/16/2026,100.00,3.20,A,,",
      "ch_2,Charge,11/16/2026,50.00,1.75,B,,",
      "ch_3,Charge,11/17/2026,84.00,2.74,C,,",
    );
    const lineId = statement("2026-11-18", "SHOP TAKINGS", "145.05");
    const [lump] = bulkPayoutsOf(book.db, bankLineById(book.db, lineId)!);
    expect([lump?.count, lump?.answers[0]]).toMatchObject([
      1,
      { receipts: 2, words: "2 receipts of Mon 16 Nov", leftOut: [] },
    ]);
    const { actId, payoutId } = book.must("splitBulkPayout", {
      lineId,
      itemIds: lump!.answers[0]!.itemIds,
    });
    expect([
      book.balance("clearing"),
      payoutWorkings(book.db, payoutId)?.payout.shown,
      book.broken(),
    ]).toEqual([8126, "tied", []]);
    expect(book.do("splitBulkPayout", { lineId, itemIds: [item("ch_3")] })).toMatchObject({
      error: { code: "line.explained" },
    });
    book.must("undo", { actId });
    expect([
      book.balance("clearing"),
      payoutViews(book.db, day("2026-11-01"), day("2026-11-30")).filter(
        ({ state }) => state === "open",
      ),
    ]).toEqual([22_631, []]);
  });
  it("is refused where the items do not make it, or stand in a payout", () => {
    activity("ch_1,Charge,11/16/2026,100.00,3.20,A,po_9,", "ch_2,Charge,11/16/2026,50.00,1.75,B,,");
    const lineId = statement("2026-11-18", "SHOP TAKINGS", "50.00");
    expect(book.do("splitBulkPayout", { lineId, itemIds: [item("ch_1")] })).toMatchObject({
      error: { code: "payout.item" },
    });
    expect(
      book.do("splitBulkPayout", { lineId, itemIds: [item("ch_2"), item("ch_2", "fee")] }),
    ).toMatchObject({ error: { code: "payout.off" } });
  });
});

describe("what explains a payout that is off, and one key that books it", () => {
  const tie = (difference: object): ReturnType<TestBook["do"]> =>
    book.do("tiePayout", {
      payoutId: book.id("payout", "external_id = 'po_1'"),
      bankLineIds: [book.id("bank_line", "description LIKE '%PO_1%'")],
      difference,
    } as never);
  it("a charge that names no payout is taken in, and put back by undo", () => {
    activity("ch_1,Charge,11/16/2026,100.00,0.00,A,po_1,", "ch_2,Charge,11/16/2026,50.00,1.75,B,,");
    statement("2026-11-18", "PROC PO_1", "148.25");
    expect(explanations()[0]).toBe("item_missing take_in");
    const tied = tie({ as: "take_in", itemIds: [item("ch_2"), item("ch_2", "fee")] });
    expect([tied.ok, book.balance("clearing")]).toEqual([true, 0]);
    book.must("undo", { actId: tied.ok ? (tied.value as { actId: number }).actId : 0 });
    expect([
      book.balance("clearing"),
      book.db.get(
        "SELECT payout_id AS payout FROM processor_item WHERE external_id = 'ch_2' AND kind = 'charge'",
      ),
    ]).toEqual([14_825, { payout: null }]);
  });
  it("a charge that was not paid with it is left for another payout", () => {
    activity(
      "ch_1,Charge,11/16/2026,100.00,0.00,A,po_1,",
      "ch_2,Charge,11/16/2026,50.00,0.00,B,po_1,",
    );
    statement("2026-11-18", "PROC PO_1", "100.00");
    expect(explanations()).toContain("item_not_paid take_out");
    expect(tie({ as: "take_out", itemIds: [item("ch_1")] })).toMatchObject({
      error: { code: "payout.off" },
    });
    expect(tie({ as: "take_out", itemIds: [item("ch_2")] }).ok).toBe(true);
    expect(book.balance("clearing")).toBe(5000);
  });
  it("a dispute fee of the sum it was before comes first; digits that changed places are said and not booked", () => {
    activity(
      "d_0,Dispute fee,11/02/2026,-15.00,0.00,,,",
      "ch_1,Charge,11/16/2026,864.50,0.00,A,po_1,",
      "d_1,Dispute,11/16/2026,-37.80,0.00,,po_1,",
    );
    statement("2026-11-18", "PROC PO_1", "811.70");
    expect(explanations()[0]).toBe("fee_missing fee");
    expect(tie({ as: "fee", kind: "dispute" }).ok).toBe(true);
  });
});
