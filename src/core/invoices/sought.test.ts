import { day } from "@/core/calendar";

import { soughtIn } from ".";

describe("what a list of invoices is looked through for", () => {
  const TODAY = day("2026-11-24");
  it.each([
    ["702.54", { sum: 70_254 }],
    ["1,312.50", { sum: 131_250 }],
    [" 0.05 ", { sum: 5 }],
    ["-49.81", { sum: 4981 }],
    ["2026-11-20", { day: "2026-11-20" }],
    ["Fri 20 Nov", { day: "2026-11-20" }],
    ["Nov 20", { day: "2026-11-20" }],
    ["20533", null],
    ["11/12", null],
    ["1.5", null],
    ["2026-02-31", null],
    ["kiln 12", null],
    ["20 bags", null],
  ])("%s", (text, sought) => {
    expect(soughtIn(text, TODAY)).toEqual(sought);
  });
});
