import { addBankingDays, type Day, earlierFirst } from "@/core/calendar";
import { add, sumOf, type Minor } from "@/core/money";

/** Something in clearing that is in no payout yet. */
export type Unpaid = {
  readonly account: string;
  readonly delayDays: number;
  readonly settledOn: Day;
  readonly amount: Minor;
  readonly charges: number;
};
/** What should reach the bank on a day: by a payout that the processor has told, or by its delay. */
export type Expected = {
  readonly on: Day;
  readonly account: string;
  readonly sum: Minor;
  readonly charges: number;
  readonly from: Day;
  readonly to: Day;
  readonly late: boolean;
};

/**
 * What has settled and is in no payout, by the day it should land: the
 * processor's delay in banking days after its settlement. What should have
 * landed before `today` is late; the late ones stand first.
 * @example settled on Wednesday 25 Nov 2026, two banking days: due Monday 30 Nov (the 26th is a holiday)
 */
export function expectedOf(items: readonly Unpaid[], today: Day): Expected[] {
  const groups = new Map<string, { on: Day; account: string; all: Unpaid[] }>();
  for (const item of items) {
    const on = addBankingDays(item.settledOn, item.delayDays);
    const key = `${item.account}\n${on}`;
    const group = groups.get(key) ?? { on, account: item.account, all: [] };
    group.all.push(item);
    groups.set(key, group);
  }
  return [...groups.values()]
    .map(({ on, account, all }): Expected => {
      const days = all.map(({ settledOn }) => settledOn).sort();
      return {
        on,
        account,
        sum: sumOf(all, ({ amount }) => amount),
        charges: sumOf(all, ({ charges }) => charges),
        from: days[0] ?? on,
        to: days[days.length - 1] ?? on,
        late: on < today,
      };
    })
    .sort((a, b) => earlierFirst(a.on, b.on) || a.account.localeCompare(b.account, "en"));
}

/** The sum of what is expected up to a day. */
export function expectedUpTo(expected: readonly Expected[], to: Day): Minor {
  return add(0, ...expected.filter(({ on }) => on <= to).map(({ sum }) => sum));
}
