import { PaidSums } from "@/core/matching/engine/paidSums";

import { type Draft } from "../candidates/candidate";
import type { MatchContext } from "../candidates/customerScope";
import { groupsFor, readingsOf, textOf } from "../candidates/readings";
import { certainty } from "../decision/decide";
import { mentionsOf } from "../memo/mention";
import { isTouchedBy } from "../payers/query";
import type { MatchingInput, MatchReceipt, Payer, Proposal } from "../types";
import { affectedReceipts } from "./affectedReceipts";
import { type Judged, order, twinsTogether } from "./claimants";
import { Claims } from "./claims";
import { differenceOf } from "./difference";
import { closedNumbers, closedOf, isPlaced, isSmallShort, judged } from "./judged";
import { lookedAt, type Looked, Plan } from "./plan";
import { Rivals } from "./rivals";

/**
 * Proposes a home for every receipt, all of them together: the most certain
 * claim their balances first, and what is left is judged again on what
 * remains, so no balance is claimed twice. The order of the input does not
 * matter. What is sure is a matter of structure (decide.ts), what is likely of
 * how often the like was right (calibration.ts).
 */
export function propose(input: MatchingInput): Proposal[] {
  return new Matcher(input).all();
}

/**
 * A book as matching holds it: proposals for all receipts, for what a change can touch, and for one
 * receipt again.
 */
export class Matcher {
  private readonly claims: Claims;
  private readonly around: MatchContext;
  private readonly looks = new Map<number, Looked>();
  private readonly proposals = new Map<number, Proposal>();
  private closed: ReadonlyMap<string, number>;
  private paid = new PaidSums([]);
  private rivals = new Rivals([], () => false);

  constructor(private input: MatchingInput) {
    this.claims = new Claims(input);
    this.around = this.claims.around(input.settings.discountGraceDays);
    this.closed = closedOf(input);
    this.countPaid();
  }

  /** Reads all memos, which needs no payers: those may be looked for in another thread meanwhile. */
  readMemos(): void {
    for (const receipt of this.input.receipts) this.around.memo(textOf(receipt));
  }

  /** Takes over who paid (payersFor), for every receipt; `history` is not needed then. */
  knowPayers(payers: ReadonlyMap<string, readonly Payer[]>): void {
    this.claims.knowPayers(payers);
  }

  /** Proposals for every receipt, in the order of the input. */
  all(): Proposal[] {
    for (const receipt of this.input.receipts) this.look(receipt);
    this.settleAll(this.input.receipts);
    return this.stated();
  }

  /**
   * Proposals for the book as it is now, the same as made anew, but judged anew
   * only where the difference can reach; null where that is everything.
   */
  update(next: MatchingInput): Proposal[] | null {
    const difference = differenceOf(this.input, next);
    if (difference === null) return null;
    const mentioned = new Map(
      this.input.receipts.map((receipt) => [receipt.id, this.mentionsOf(receipt)]),
    );
    const keys = this.claims.change(next, difference);
    this.input = next;
    this.closed = closedOf(next);
    const items = [...difference.gone, ...difference.come];
    const touched = [...items.map(({ customerId }) => customerId), ...difference.customers];
    const groups = new Set(touched.map((id) => this.claims.groupOf(id)));
    const others = next.receipts.filter(
      (receipt) =>
        isTouchedBy(keys, receipt.payerName, receipt.payerEmail) ||
        mentioned.get(receipt.id) !== this.mentionsOf(receipt),
    );
    // What they could be for before, and what they can be for now.
    for (const { id } of [...difference.goneReceipts, ...others, ...difference.newReceipts])
      for (const group of this.looks.get(id)?.groups ?? []) groups.add(group);
    for (const { id } of difference.goneReceipts) {
      this.looks.delete(id);
      this.proposals.delete(id);
    }
    for (const receipt of new Set([...others, ...difference.newReceipts])) {
      this.look(receipt);
      for (const group of groupsFor(receipt, this.around)) groups.add(group);
    }
    const changed = [...difference.newReceipts, ...difference.goneReceipts, ...others];
    const sums = [...changed.map(({ amount }) => amount), ...items.map(({ balance }) => balance)];
    const reached = affectedReceipts(next.receipts, this.looks, groups, new Set(sums));
    this.claims.release(reached.groups);
    for (const receipt of reached.receipts) {
      this.look(receipt);
      this.proposals.delete(receipt.id);
    }
    this.countPaid();
    this.settleAll(reached.receipts);
    return this.stated();
  }

  /**
   * One receipt again, as it reads now (its memo mended, its payer known), with
   * the claims of all others standing. Call `all` once before.
   */
  again(receipt: MatchReceipt): Proposal {
    const [standing] = this.proposals.get(receipt.id)?.readings ?? [];
    if (standing && this.proposals.get(receipt.id)?.decision !== "none")
      this.claims.giveBack(standing);
    const before = readingsOf(
      receipt,
      this.claims.unclaimed(this.input.settings.discountGraceDays),
    );
    return this.settle({ receipt, before, groups: [] }, readingsOf(receipt, this.around));
  }

  private stated(): Proposal[] {
    return this.input.receipts.flatMap(({ id }) => this.proposals.get(id) ?? []);
  }

  private look(receipt: MatchReceipt): void {
    this.looks.set(receipt.id, lookedAt(receipt, this.around));
  }

  private readonly mentionsOf = (receipt: MatchReceipt): string =>
    mentionsOf(this.around.memo(textOf(receipt)));

  /** What was paid before, and by the receipts whose proposals stand. */
  private countPaid(): void {
    this.paid = new PaidSums(this.input.placed);
    for (const receipt of this.input.receipts) {
      const standing = this.proposals.get(receipt.id);
      if (standing && standing.decision !== "none")
        this.paid.add(standing.readings[0]?.customerId ?? null, receipt);
    }
  }

  private settleAll(receipts: readonly MatchReceipt[]): void {
    const looks = this.input.receipts.flatMap(({ id }) => this.looks.get(id) ?? []);
    this.rivals = new Rivals(looks, (id) => isPlaced(this.proposals.get(id)));
    const first = receipts.flatMap(({ id }): Judged[] => {
      const look = this.looks.get(id);
      return look ? [{ ...look, rank: certainty(look.before) }] : [];
    });
    twinsTogether(first);
    first.sort((a, b) => b.rank - a.rank || order(a.receipt, b.receipt));
    const plan = new Plan(first, this.claims, this.around);
    const late: Judged[] = [];
    for (const judged of first) {
      const now = plan.first(judged.receipt, this.now(judged));
      // What is but a guess waits until all that comes out has claimed its own.
      if (now[0]?.sum === "oldest" || plan.yields(judged.receipt.id)) late.push(judged);
      else this.settle(judged, now);
    }
    for (const judged of late) this.settle(judged, this.now(judged));
  }

  /** Whether a receipt is sure of a home by a number that it names. */
  private isPlaced(receiptId: number): boolean {
    const proposal = this.proposals.get(receiptId);
    return proposal?.decision === "sure" && proposal.readings[0]?.pattern.split(" ")[1] !== "none";
  }

  private now({ receipt, before }: Looked): Draft[] {
    return this.claims.touches(before) ? readingsOf(receipt, this.around) : before;
  }

  /** Judges a receipt by its readings as they are now, and claims what the best one takes. */
  private settle({ receipt, before }: Looked, now: readonly Draft[]): Proposal {
    const [best] = now;
    const proposal = judged(receipt, now, before, {
      ...this.rivals.of(receipt, best, this.paid),
      closed: closedNumbers(receipt, this.closed, now),
      smallShort: !!best && isSmallShort(best, this.input.settings.smallDifferenceLimit),
      foreignCurrency: this.claims.namesForeign(receipt),
      riskLimit: this.input.settings.riskLimit,
      isNamed: this.claims.isNamed,
    });
    this.proposals.set(receipt.id, proposal);
    const [chosen] = proposal.readings;
    if (chosen && proposal.decision !== "none") {
      this.claims.take(chosen, proposal.decision === "sure" && best?.numbers !== "none");
      this.paid.add(chosen.customerId, receipt);
    }
    return proposal;
  }
}
