import { addBankingDays, addDays, day } from "@/core/calendar";

import { type ActiveDay, type FeedReach, reachOf, staleFeed } from "./feeds";

const TODAY = day("2026-11-24");
const reach = (feed: FeedReach["feed"], account: string, to: string): FeedReach => ({
  feed,
  account,
  to: day(to),
  silent: 0,
});

describe("a feed that has fallen behind", () => {
  it("is none while there is none, or all end within the limit", () => {
    expect(staleFeed([], { today: TODAY, within: 5 })).toBeNull();
    const fresh = [
      reach("bank", "Operating", "2026-11-17"),
      reach("processor", "Card", "2026-11-23"),
    ];
    expect(staleFeed(fresh, { today: TODAY, within: 5 })).toBeNull();
    expect(staleFeed(fresh, { today: TODAY, within: 4 })).toMatchObject({ account: "Operating" });
  });
  it("is counted in banking days: weekends and holidays make nothing older", () => {
    for (const within of [1, 2, 5, 10, 60]) {
      const last = addBankingDays(TODAY, -within);
      expect(staleFeed([reach("bank", "B", last)], { today: TODAY, within })).toBeNull();
      const before = addBankingDays(last, -1);
      expect(staleFeed([reach("bank", "B", before)], { today: TODAY, within })).not.toBeNull();
    }
    // Thanksgiving and the weekend after it: Wednesday is two banking days before Monday.
    const monday = day("2026-11-30");
    expect(staleFeed([reach("bank", "B", "2026-11-25")], { today: monday, within: 2 })).toBeNull();
  });
  it("is the one that ends first; an account out of use for a quarter holds nobody", () => {
    const card = reach("processor", "Card", "2026-11-23");
    const slow = reach("processor", "Web shop", "2026-10-30");
    const closed = reach("processor", "Old", addDays(day("2026-11-23"), -91));
    const within = 5;
    expect(staleFeed([card, slow, closed], { today: TODAY, within })).toBe(slow);
    expect(staleFeed([card, closed], { today: TODAY, within })).toBeNull();
    // Where everything stands still, nothing is out of use.
    expect(staleFeed([closed], { today: TODAY, within })).toBe(closed);
    expect(staleFeed([closed, reach("bank", "B", "2026-11-23")], { today: TODAY, within })).toBe(
      closed,
    );
  });
  it("is not one that is silent as long as a rule: its own habit counts where that is longer", () => {
    const days = (...all: string[]): ActiveDay[] =>
      all.map((on) => ({ id: 3, account: "Abroad", on: day(on) }));
    // Once in two weeks: after eight banking days it is not behind, after eleven it is.
    const [rare] = reachOf("processor", days("2026-10-12", "2026-10-26", "2026-11-09"));
    expect(rare).toEqual({ feed: "processor", account: "Abroad", to: "2026-11-09", silent: 10 });
    const on = (today: string): FeedReach | null =>
      staleFeed([rare!], { today: day(today), within: 5 });
    expect([on("2026-11-20"), on("2026-11-25")]).toEqual([null, rare]);
    expect(reachOf("bank", [])).toEqual([]);
  });
  it("is told apart from another of the same name", () => {
    const reaches = reachOf("processor", [
      { id: 1, account: "Card", on: day("2026-11-02") },
      { id: 2, account: "Card", on: day("2026-11-23") },
    ]);
    expect(reaches.map(({ to }) => to)).toEqual(["2026-11-02", "2026-11-23"]);
    expect(staleFeed(reaches, { today: TODAY, within: 5 })).toMatchObject({ to: "2026-11-02" });
  });
});
