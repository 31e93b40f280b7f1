import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

import { addDays, day, type Day } from "@/core/calendar";
import { minor } from "@/core/money";
import { PracticeStore } from "@/db/practice";

import { isLost } from "./disputes";
import { practiceCard } from "./numbers";
import { PracticeProcessor } from "./processor";

const ON = day("2026-11-24");
let folder: string;
let store: PracticeStore;
let processor: PracticeProcessor;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "dozo-disputes-"));
  store = new PracticeStore(join(folder, "practice.sqlite"));
  processor = new PracticeProcessor(store);
});
afterEach(() => {
  store.close();
  rmSync(folder, { recursive: true, force: true });
});

/** A charge that is disputed on a day; gives the dispute's id. */
function disputed(no: number): string {
  const typed = { number: practiceCard(no, "00"), expiry: "12/31", code: "123" };
  const taken = processor.takeCard(typed, ON);
  if (!taken.ok) throw new Error(taken.error.code);
  const paid = processor.charge({
    key: `dispute-key-${no}`,
    token: taken.value.token,
    amount: minor(10_000),
    currency: "USD" as never,
    payerName: "Alder Lane Pottery School",
    payerEmail: "",
    reference: "INV-1",
    on: ON,
    present: true,
  });
  if (!paid.ok) throw new Error(paid.error.code);
  const charge = store.disputable(ON).find(({ id }) => id === paid.value.chargeId);
  if (!charge) throw new Error("a charge of a card can be disputed");
  processor.dispute(charge, ON);
  return `${charge.id}-d`;
}

/** What the processor tells of a day, by kind and sum. */
const told = (on: Day): [string, number][] =>
  store.told("card", { to: on }).map(({ type, amount }) => [type, amount]);
const live = (to: Day): void => {
  for (let on = addDays(ON, 1); on <= to; on = addDays(on, 1)) processor.day(on);
};
const answer = (disputeId: string, on: Day) =>
  processor.answerDispute({ disputeId, evidence: new Uint8Array(), on });

describe("a dispute of the practice processor", () => {
  it("takes the sum and a fee, and asks for an answer", () => {
    disputed(1);
    expect(told(ON).slice(2)).toEqual([
      ["dispute", -10_000],
      ["dispute fee", -1_500],
    ]);
  });

  it("that is answered is decided ten days later, and gives the sum back where it is won", () => {
    const [one, two] = [disputed(1), disputed(2)];
    for (const id of [one, two]) {
      expect(answer(id, addDays(ON, 3)).ok).toBe(true);
      expect(answer(id, addDays(ON, 4)).ok).toBe(true);
    }
    live(addDays(ON, 40));
    const won = [one, two].filter((id) => !isLost(store, id));
    expect(won).toHaveLength(1);
    expect(told(addDays(ON, 13))).toContainEqual(["dispute won", 10_000]);
    expect(told(addDays(ON, 14))).not.toContainEqual(["dispute won", 10_000]);
  });

  it("that nobody answers in time is lost", () => {
    const id = disputed(1);
    live(addDays(ON, 14));
    expect(isLost(store, id)).toBe(false);
    live(addDays(ON, 15));
    expect(isLost(store, id)).toBe(true);
    expect(answer(id, addDays(ON, 15))).toMatchObject({ error: { code: "dispute.late" } });
  });

  it("that there is none of is not answered", () => {
    expect(answer("pc_0-d", ON)).toMatchObject({ error: { code: "dispute.elsewhere" } });
  });
});
