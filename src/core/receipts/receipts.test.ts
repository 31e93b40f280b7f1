import fc from "fast-check";

import { minor } from "@/core/money";

import { allToMatch, move, type Parts, type ReceiptEvent, type ReceiptState } from ".";

const sumOfParts = (parts: Parts): number =>
  parts.unidentified +
  parts.onAccount +
  parts.applied +
  parts.parked +
  parts.income +
  parts.surcharge +
  parts.recovered +
  parts.goneBack;

const events: fc.Arbitrary<(parts: Parts) => ReceiptEvent> = fc.oneof(
  fc.nat(100).map((share) => (parts: Parts): ReceiptEvent => {
    const applied = minor(Math.floor((parts.unidentified * share) / 100));
    const surcharge = minor(Math.floor((parts.unidentified - applied) / 3));
    const recovered = minor(Math.floor((parts.unidentified - applied - surcharge) / 2));
    return {
      kind: "placed",
      applied,
      surcharge,
      recovered,
      onAccount: minor(parts.unidentified - applied - surcharge - recovered),
    };
  }),
  fc.nat(100).map((share) => (parts: Parts): ReceiptEvent => ({
    kind: "moved_from_account",
    applied: minor(Math.floor((Math.max(0, parts.onAccount) * share) / 100)),
  })),
  fc.constant((): ReceiptEvent => ({ kind: "set_aside" })),
  fc.constant((): ReceiptEvent => ({ kind: "taken_back" })),
  fc.nat(100).map((share) => (parts: Parts): ReceiptEvent => ({
    kind: "gone_back",
    parts: {
      unidentified: minor(Math.floor((parts.unidentified * share) / 100)),
      onAccount: minor(Math.floor((parts.onAccount * share) / 100)),
      applied: parts.applied,
      parked: minor(0),
      income: minor(0),
      surcharge: parts.surcharge,
      recovered: parts.recovered,
    },
  })),
);

describe("a receipt's life", () => {
  it("keeps its parts summing to its amount, whatever happens in whatever order", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e9 }),
        fc.array(events, { maxLength: 30 }),
        (amount, made) => {
          let [state, parts]: [ReceiptState, Parts] = ["to_match", allToMatch(minor(amount))];
          for (const make of made) {
            const moved = move(state, parts, make(parts));
            if (!moved.ok) continue;
            ({ state, parts } = moved.value);
            expect(sumOfParts(parts)).toBe(amount);
            expect(
              Math.min(parts.unidentified, parts.applied, parts.parked, parts.recovered),
            ).toBeGreaterThanOrEqual(0);
            if (state === "placed") expect(parts.unidentified).toBe(0);
          }
        },
      ),
    );
  });
  it("is placed once only, and never at more than came in", () => {
    const open = allToMatch(minor(100));
    const placed = move("to_match", open, {
      kind: "placed",
      applied: minor(60),
      onAccount: minor(40),
      surcharge: minor(0),
      recovered: minor(0),
    });
    expect(
      placed.ok &&
        move(placed.value.state, placed.value.parts, {
          kind: "placed",
          applied: minor(1),
          onAccount: minor(0),
          surcharge: minor(0),
          recovered: minor(0),
        }),
    ).toMatchObject({ ok: false, error: { code: "receipt.not_to_match" } });
    expect(
      move("to_match", open, {
        kind: "placed",
        applied: minor(101),
        onAccount: minor(-1),
        surcharge: minor(0),
        recovered: minor(0),
      }),
    ).toMatchObject({ ok: false, error: { code: "receipt.sum" } });
    expect(
      move(
        "placed",
        { ...open, unidentified: minor(0), onAccount: minor(100) },
        { kind: "moved_from_account", applied: minor(101) },
      ),
    ).toMatchObject({ ok: false, error: { code: "receipt.sum" } });
  });
  it("keeps what is missing below zero on account where more went back than came in, through placing and undo", () => {
    const short = {
      ...allToMatch(minor(500)),
      unidentified: minor(0),
      onAccount: minor(-5),
      goneBack: minor(505),
    };
    const back = move("placed", short, { kind: "taken_back" });
    expect(back).toMatchObject({
      ok: true,
      value: { state: "returned", parts: { unidentified: 0, onAccount: -5, goneBack: 505 } },
    });
  });
  it("is returned once all of it has gone back", () => {
    const moved = move(
      "placed",
      { ...allToMatch(minor(100)), unidentified: minor(0), applied: minor(100) },
      {
        kind: "gone_back",
        parts: {
          unidentified: minor(0),
          onAccount: minor(0),
          applied: minor(100),
          parked: minor(0),
          income: minor(0),
          surcharge: minor(0),
          recovered: minor(0),
        },
      },
    );
    expect(moved).toMatchObject({
      ok: true,
      value: { state: "returned", parts: { goneBack: 100 } },
    });
  });
});
