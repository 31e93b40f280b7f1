import { addBankingDays, addDays, day } from "@/core/calendar";

import { type FeedReach, staleFeed } from "./feeds";

const TODAY = day("2026-11-24");
const reach = (feed: FeedReach["feed"], account: string, to: string): FeedReach => ({
  feed,
  account,
  to: day(to),
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
});
