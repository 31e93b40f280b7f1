import { minor } from "@/core/money";

import { allToMatch, move, type Parts, type ReceiptEvent, type ReceiptState } from ".";

const AMOUNT = minor(10_000);
const parts = (more: Partial<Record<keyof Parts, number>>): Parts => ({
  ...allToMatch(minor(0)),
  ...(more as Partial<Parts>),
});
const placed = (
  applied: number,
  onAccount = 0,
  surcharge = 0,
  recovered = 0,
): Extract<ReceiptEvent, { kind: "placed" }> => ({
  kind: "placed",
  applied: minor(applied),
  onAccount: minor(onAccount),
  surcharge: minor(surcharge),
  recovered: minor(recovered),
});
const goneBack = (more: Partial<Record<keyof Parts, number>>): ReceiptEvent => {
  return { kind: "gone_back", parts: parts(more) };
};

/** What comes of an event: the state and the parts that are not nothing, or the refusal. */
function after(state: ReceiptState, from: Parts, event: ReceiptEvent): string {
  const moved = move(state, from, event);
  if (!moved.ok) return moved.error.code;
  const some = Object.entries(moved.value.parts).filter(([, sum]) => sum !== 0);
  return [moved.value.state, ...some.map(([name, sum]) => `${name} ${sum}`).sort()].join(", ");
}

describe("a receipt that waits", () => {
  const waits = allToMatch(AMOUNT);
  it.each<[string, ReceiptEvent, string]>([
    ["placed whole", placed(10_000), "placed, applied 10000"],
    ["placed with a rest", placed(9000, 1000), "placed, applied 9000, onAccount 1000"],
    [
      "placed in every way at once",
      placed(7000, 1000, 500, 1500),
      "placed, applied 7000, onAccount 1000, recovered 1500, surcharge 500",
    ],
    ["kept on account", placed(0, 10_000), "placed, onAccount 10000"],
    ["set aside", { kind: "set_aside" }, "set_aside, parked 10000"],
    ["other income", { kind: "other_income" }, "set_aside, income 10000"],
    [
      "gone back before anybody saw it",
      goneBack({ unidentified: 10_000 }),
      "returned, goneBack 10000",
    ],
    [
      "gone back in part",
      goneBack({ unidentified: 4000 }),
      "to_match, goneBack 4000, unidentified 6000",
    ],
  ])("%s", (_case, event, expected) => expect(after("to_match", waits, event)).toBe(expected));

  it.each<[string, ReceiptEvent]>([
    ["more than came", placed(10_001)],
    ["less than came", placed(9999)],
    ["a rest below zero", placed(10_500, -500)],
    ["a surcharge below zero", placed(10_500, 0, -500)],
    ["a recovery below zero", placed(10_500, 0, 0, -500)],
    ["more back than there is", goneBack({ unidentified: 10_001 })],
    ["back what was never applied", goneBack({ applied: 1 })],
    ["back what was never parked", goneBack({ parked: 1 })],
  ])("is never placed, or sent back, with %s", (_case, event) =>
    expect(after("to_match", waits, event)).toBe("receipt.sum"),
  );
});

describe("a receipt that was dealt with", () => {
  const done = parts({ applied: 9000, onAccount: 1000 });
  it.each<[ReceiptState, ReceiptEvent]>([
    ["placed", placed(0)],
    ["set_aside", placed(0)],
    ["returned", placed(0)],
    ["placed", { kind: "set_aside" }],
    ["returned", { kind: "other_income" }],
    ["to_match", { kind: "moved_from_account", applied: minor(1) }],
    ["set_aside", { kind: "moved_from_account", applied: minor(1) }],
  ])("%s: is not dealt with again by %j", (state, event) =>
    expect(after(state, done, event)).toBe("receipt.not_to_match"),
  );
  it("gives what stands on account to an item, and no more than that", () => {
    const use = (sum: number): string =>
      after("placed", done, { kind: "moved_from_account", applied: minor(sum) });
    expect(use(400)).toBe("placed, applied 9400, onAccount 600");
    expect(use(1000)).toBe("placed, applied 10000");
    expect(use(1001)).toBe("receipt.sum");
  });
  it("waits again when it is taken back, with all that it had become", () => {
    const all = parts({ applied: 5000, onAccount: 1000, surcharge: 300, recovered: 700 });
    expect(after("placed", all, { kind: "taken_back" })).toBe("to_match, unidentified 7000");
    expect(after("set_aside", parts({ parked: 10_000 }), { kind: "taken_back" })).toBe(
      "to_match, unidentified 10000",
    );
  });
  it("owes what went back beyond what there was, and has nothing to match then", () => {
    const owing = parts({ applied: 3000, onAccount: -5000, goneBack: 12_000 });
    expect(after("placed", owing, { kind: "taken_back" })).toBe(
      "returned, goneBack 12000, onAccount -2000",
    );
  });
  it("is returned when the last of it has gone back", () => {
    const back = goneBack({ applied: 9000, onAccount: 1000 });
    expect(after("placed", done, back)).toBe("returned, goneBack 10000");
    expect(after("placed", done, goneBack({ applied: 9000 }))).toBe(
      "placed, goneBack 9000, onAccount 1000",
    );
  });
});
