import { type Draft, OUT_TO_THE_CENT } from "../candidates/candidate";

/** A receipt that only its sum speaks for, with the readings of it that come out to the cent, best first. */
export type Contender = { readonly id: number; readonly drafts: readonly Draft[] };

/** Receipts of one customer that are looked at together, and how many tries the search may take. */
const MOST_TOGETHER = 9;
const MOST_TRIES = 20_000;

/** The readings by sum alone that settle whole items. */
export function exactOnes(drafts: readonly Draft[]): Draft[] {
  return drafts.filter(
    (draft) =>
      draft.numbers === "none" &&
      draft.lines.length > 0 &&
      draft.onAccount === 0 &&
      OUT_TO_THE_CENT.has(draft.sum),
  );
}

/**
 * What a reading takes, as the balances of its items: equal items stand for each other, the oldest
 * goes first when it comes to it.
 */
export function takes(draft: Pick<Draft, "lines">): string {
  return draft.lines
    .map((line) => line.amount + line.discount)
    .sort((a, b) => a - b)
    .join(" ");
}

/**
 * One reading for each of a customer's receipts, no item in two of them, so
 * that as many as possible come out; among equals the better evidence. The
 * optimum, up to the bounds above (an integer program in the tests finds the
 * same); receipts beyond them are left to their own best. `balances` are those
 * of the items that are free. Gives what each chosen reading takes, by receipt.
 */
export function assign(
  contenders: readonly Contender[],
  balances: readonly number[],
): Map<number, string> {
  const all = contenders
    .filter(({ drafts }) => drafts.length > 0)
    .slice(0, MOST_TOGETHER)
    .sort((a, b) => a.drafts.length - b.drafts.length || a.id - b.id);
  const free = new Map<number, number>();
  for (const balance of balances) free.set(balance, (free.get(balance) ?? 0) + 1);
  let best: { count: number; score: number; chosen: readonly (Draft | null)[] } = {
    count: 0,
    score: 0,
    chosen: [],
  };
  let tries = 0;
  const move = (draft: Draft, by: 1 | -1): void => {
    for (const line of draft.lines)
      free.set(line.amount + line.discount, (free.get(line.amount + line.discount) ?? 0) + by);
  };
  const search = (
    at: number,
    chosen: readonly (Draft | null)[],
    count: number,
    score: number,
  ): void => {
    if (count > best.count || (count === best.count && score > best.score))
      best = { count, score, chosen };
    const contender = all[at];
    if (!contender || count + all.length - at < best.count || (tries += 1) > MOST_TRIES) return;
    for (const draft of contender.drafts) {
      move(draft, -1);
      if (draft.lines.every((line) => (free.get(line.amount + line.discount) ?? 0) >= 0))
        search(at + 1, [...chosen, draft], count + 1, score + draft.score);
      move(draft, 1);
    }
    search(at + 1, [...chosen, null], count, score);
  };
  search(0, [], 0, 0);
  return new Map(
    all.flatMap(({ id }, at) => {
      const draft = best.chosen[at];
      return draft ? [[id, takes(draft)]] : [];
    }),
  );
}
