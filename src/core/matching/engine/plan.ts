import type { Draft } from "../candidates/candidate";
import type { MatchContext } from "../candidates/customerScope";
import { groupsFor, readingsOf } from "../candidates/readings";
import { listOf } from "../lists";
import type { MatchReceipt } from "../types";
import { assign, exactOnes, takes } from "./assign";
import type { Claims } from "./claims";

/** A receipt with its readings as they were before anything was claimed. */
export type Looked = {
  readonly receipt: MatchReceipt;
  readonly before: Draft[];
  /** Groups whose items it could be for. */
  readonly groups: readonly number[];
};

export const lookedAt = (receipt: MatchReceipt, around: MatchContext): Looked => ({
  receipt,
  before: readingsOf(receipt, around),
  groups: groupsFor(receipt, around),
});

/**
 * Receipts of one customer that only their sums speak for are planned together
 * when the first of them is reached: by then quoted numbers have claimed theirs.
 */
export class Plan {
  private readonly waiting = new Map<number, Looked[]>();
  private readonly chosen = new Map<number, string>();
  private readonly yielding = new Set<number>();

  constructor(
    all: readonly Looked[],
    private readonly claims: Claims,
    private readonly around: MatchContext,
  ) {
    for (const looked of all) {
      const best = looked.before[0];
      if (best && best.customerId !== null && best.numbers === "none" && best.lines.length > 0)
        listOf(this.waiting, claims.groupOf(best.customerId)).push(looked);
    }
  }

  private choose(group: number, together: readonly Looked[]): void {
    const contenders = together.map(({ receipt, before }) => ({
      id: receipt.id,
      drafts: exactOnes(this.claims.touches(before) ? readingsOf(receipt, this.around) : before),
    }));
    const chosen = assign(
      contenders,
      this.around.scope(group).map(({ balance }) => balance),
    );
    for (const { id, drafts } of contenders) {
      const taking = chosen.get(id);
      if (taking !== undefined) this.chosen.set(id, taking);
      // All that is open or due is no accident, and yields to none.
      else if (drafts[0]?.sum === "several") this.yielding.add(id);
    }
  }

  /** Whether a receipt comes out only at the cost of others that could: they go first. */
  yields(receiptId: number): boolean {
    return this.yielding.has(receiptId);
  }

  /** The readings of a receipt, the planned one first if it is still there. */
  first(receipt: MatchReceipt, now: Draft[]): Draft[] {
    const best = now[0];
    if (!best || best.customerId === null || best.numbers !== "none") return now;
    const group = this.claims.groupOf(best.customerId);
    const together = this.waiting.get(group);
    if (together && together.length > 1) this.choose(group, together);
    this.waiting.delete(group);
    const taking = this.chosen.get(receipt.id);
    const planned =
      taking === undefined || taking === takes(best)
        ? undefined
        : now.find((draft) => takes(draft) === taking);
    return planned ? [planned, ...now.filter((draft) => draft !== planned)] : now;
  }
}
