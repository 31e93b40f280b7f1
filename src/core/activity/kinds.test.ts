import {
  ACTIVITY_ORDER,
  FEE_KINDS,
  guessRowKind,
  kindsInColumn,
  PAYOUT_COLUMNS,
  PROCESSOR_ITEM_KIND_NAMES,
  PROCESSOR_ITEM_KINDS,
  ROW_KIND_NAMES,
  ROW_KINDS,
} from ".";

describe("kinds of what a processor reports", () => {
  it("stand each in one column of a payout", () => {
    const placed = PAYOUT_COLUMNS.flatMap(kindsInColumn);
    expect([...placed].sort()).toEqual([...PROCESSOR_ITEM_KIND_NAMES].sort());
  });
  it("that are fees stand among the fees, each under its own item", () => {
    for (const [feeKind, { item }] of Object.entries(FEE_KINDS))
      expect(PROCESSOR_ITEM_KINDS[item]).toMatchObject({ feeKind, column: "fees" });
    const fees = PROCESSOR_ITEM_KIND_NAMES.filter(
      (kind) => PROCESSOR_ITEM_KINDS[kind].feeKind !== null,
    );
    expect(fees).toHaveLength(Object.keys(FEE_KINDS).length);
  });
  it("are taken in so that what refers to others comes after them", () => {
    const at = (kind: (typeof ACTIVITY_ORDER)[number]): number => ACTIVITY_ORDER.indexOf(kind);
    expect(at("charge")).toBe(0);
    expect(at("dispute")).toBeLessThan(at("dispute_won"));
    expect(at("ach_return")).toBeLessThan(at("return_fee"));
    expect(new Set(ACTIVITY_ORDER).size).toBe(ROW_KIND_NAMES.length - 2);
  });
  it("are told by words of their own, the narrower before the wider", () => {
    expect(new Set(ROW_KIND_NAMES.map((kind) => ROW_KINDS[kind].rank)).size).toBe(
      ROW_KIND_NAMES.length,
    );
    for (const kind of ROW_KIND_NAMES.filter((name) => name !== "ignore" && name !== "started"))
      expect(guessRowKind(ROW_KINDS[kind].label)).toBe(kind);
    expect(guessRowKind("chargeback fee")).toBe("dispute_fee");
    expect(guessRowKind("ACH_RETURN-FEE")).toBe("return_fee");
    expect(guessRowKind("interest")).toBeUndefined();
  });
});
