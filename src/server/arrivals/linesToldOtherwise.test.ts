import { list } from "../../../tests/support/readings";
import { bookOfEach, taking } from "../../../tests/support/taking";

/* One statement in several exports of the bank; made by hand, common practice, no source. */

const book = bookOfEach();

const { must: mustTake, asks: asksOf } = taking(book);
const must = (text: string, answers: Record<string, string> = {}): ReturnType<typeof mustTake> =>
  mustTake("bank", text, answers);
const asks = (text: string): string => asksOf("bank", text);

/** Under heads of its own, so that it is another export. */
const ofValue = (...lines: string[]): string => list("Value date;Text;Amount", ...lines);

describe("a statement by day of booking, and again by day of value", () => {
  beforeEach(() => {
    must(
      list(
        "Booking date,Description,Amount,Balance",
        "2026-11-02,ACH CREDIT FERNHILL STUDIO,412.55,1412.55",
        "2026-11-03,CHECK 2201,1250.00,2662.55",
        "2026-11-09,MONTHLY SERVICE CHARGE,-15.00,2647.55",
      ),
    );
  });

  it("is asked about, and known where that is said", () => {
    const other = ofValue(
      "2026-11-03;ACH CREDIT FERNHILL STUDIO;412.55",
      "2026-11-06;CHECK 2201;1250.00",
      "2026-11-08;MONTHLY SERVICE CHARGE;-15.00",
    );
    expect(asks(other)).toContain("3 of 3 lines stand in the book already by sum, on their day or");
    expect(must(other, { same: "same" })).toMatchObject({ new: 0, known: 3 });
  });
  it("is not asked about where the lines say something else, or stand a week away", () => {
    const beside = "2026-11-04;QUARRY LANE;-70.00";
    expect(asks(ofValue("2026-11-04;MORROW CERAMICS;412.55", beside))).toBe("");
    expect(asks(ofValue("2026-11-13;ACH CREDIT FERNHILL STUDIO;412.55", beside))).toBe("");
  });
  it("is not asked about where it goes on in the same export: what repeats is new", () => {
    const next = list(
      "Booking date,Description,Amount,Balance",
      "2026-11-10,MONTHLY SERVICE CHARGE,-15.00,2632.55",
    );
    expect(must(next)).toMatchObject({ new: 1, known: 0 });
  });
  it("is not asked about where one of many sums repeats in another export that goes on", () => {
    const next = ofValue(
      "2026-11-10;MONTHLY SERVICE CHARGE;-15.00",
      "2026-11-11;ACH CREDIT QUARRY LANE;70.00",
      "2026-11-12;ACH CREDIT BRACKEN HILL;90.00",
    );
    expect(must(next)).toMatchObject({ new: 3, known: 0 });
  });
});

describe("a deposit of checks, and each check of it", () => {
  const deposits = list(
    "Date,Description,Amount,Balance",
    "2026-11-02,DEPOSIT,1662.55,2662.55",
    "2026-11-05,SERVICE CHARGE,-15.00,2647.55",
  );
  const checks = ofValue(
    "2026-11-02;CHECK 88;412.55",
    "2026-11-02;CHECK 2201;1250.00",
    "2026-11-05;SERVICE CHARGE;-15.00",
  );

  it("are asked about and known, whichever comes first", () => {
    must(deposits);
    expect(asks(checks)).toContain("by day and sum, some as the sum of several");
    expect(must(checks, { same: "same" })).toMatchObject({ new: 0, known: 3 });
  });
  it("are known the other way round too", () => {
    must(checks);
    expect(asks(deposits)).toContain("1 of 1 line stands in the book already by day and sum, some");
    expect(must(deposits, { same: "same" })).toMatchObject({ new: 0, known: 2 });
  });
});
