import ICAL from "ical.js";

import { type Currency, currencyOf } from "@/core/money";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { followUpCalendar } from "./queries/calendar";
import { overdueRows } from "./queries/overdue";

let book: TestBook;
eachBook((made) => {
  book = made;
});

it("has calls, tasks and promises as whole days, read back by another reader (RFC 5545)", () => {
  book.must("setLadder", {
    id: 1,
    name: "Standard",
    steps: [
      { fromDays: 1, act: "call" },
      { fromDays: 30, act: "letter" },
    ],
  });
  book.must("logContact", {
    customerId: 2,
    kind: "promise",
    text: 'after the fair; "for sure", she says',
    promisedOn: "2026-11-27",
    promisedSum: 12_000,
  });
  const make = (): string =>
    followUpCalendar(overdueRows(book.db, TODAY, book.proposals()), {
      book: "test-book",
      business: "Test, Clay & Kiln",
      currency: currencyOf("USD") as Currency,
      today: TODAY,
    });
  const events = new ICAL.Component(ICAL.parse(make()) as never)
    .getAllSubcomponents("vevent")
    .map((component) => new ICAL.Event(component));
  expect(
    events.map(({ uid, summary, startDate, endDate }) => [
      uid,
      summary,
      startDate.toString(),
      endDate.toString(),
      startDate.isDate,
    ]),
  ).toEqual([
    [
      "step-1-1-2026-10-31@test-book.dozo.invalid",
      "Call: Alder Lane Pottery School",
      "2026-11-24",
      "2026-11-25",
      true,
    ],
    [
      "promise-2-2026-11-27@test-book.dozo.invalid",
      "Promised: Heron Point Studio, 120.00",
      "2026-11-27",
      "2026-11-28",
      true,
    ],
  ]);
  expect(events[0]?.description).toContain("864.50 USD overdue, the oldest 24 days");
  expect(make()).toBe(make());
});
