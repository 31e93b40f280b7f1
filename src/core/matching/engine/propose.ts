import { daysBetween, earlierFirst } from "@/core/calendar";

import { type Draft, moneyOf } from "../candidates/candidate";
import type { MatchContext } from "../candidates/customerScope";
import { groupsFor, readingsOf, textOf } from "../candidates/readings";
import { confidenceOf, patternOf } from "../decision/calibration";
import { certainty, decide, type Seen } from "../decision/decide";
import { listOf } from "../lists";
import { numberSpots } from "../memo/memo";
import { payerKeys } from "../payers/payers";
import type {
  MatchingInput,
  MatchReceipt,
  Payer,
  Proposal,
  MatchCandidate,
  Reason,
  Spot,
} from "../types";
import { isNobody, affectedReceipts } from "./affectedReceipts";
import { Claims } from "./claims";
import { differenceOf } from "./difference";
import { type Looked, Plan } from "./plan";

/** Readings shown beside the best. */
const MOST_READINGS = 6;
const DOUBLE_WITHIN_DAYS = 10;

type Judged = Looked & { rank: number };

/**
 * Proposes a home for every receipt, all of them together: the most certain
 * claim their balances first, and what is left is judged again on what
 * remains, so no balance is claimed twice. The order of the input does not
 * matter. What is sure is a matter of structure (decide.ts), what is likely of
 * hit rates (calibration.ts).
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
  /** Payments by customer and sum, to see the second of two. */
  private paid = new Map<string, { id: number; paidOn: MatchReceipt["paidOn"] }[]>();
  private claimants: ReadonlyMap<string, readonly MatchReceipt[]> = new Map();

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
    const groups = new Set(
      [
        ...[...difference.gone, ...difference.come].map(({ customerId }) => customerId),
        ...difference.customers,
      ].map((id) => this.claims.groupOf(id)),
    );
    const others = next.receipts.filter(
      (receipt) =>
        payerKeys(receipt.payerName, receipt.payerEmail).some((key) => keys.has(key)) ||
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
    const sums = new Set(
      [...difference.newReceipts, ...difference.goneReceipts, ...others].map(
        ({ amount }) => amount,
      ),
    );
    const reached = affectedReceipts(next.receipts, this.looks, groups, sums);
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
    this.looks.set(receipt.id, {
      receipt,
      before: readingsOf(receipt, this.around),
      groups: groupsFor(receipt, this.around),
    });
  }

  /** What a memo names, in one line of text, to see whether it names something else now. */
  private mentionsOf(receipt: MatchReceipt): string {
    const { mentions, strays } = this.around.memo(textOf(receipt));
    return `${mentions.map(({ items, orders }) => [...items, ...orders].map(({ id }) => id).join()).join(";")}|${strays.map(({ text, ownStyle }) => `${text}${ownStyle}`).join()}`;
  }

  /** What was paid before, and by the receipts whose proposals stand. */
  private countPaid(): void {
    this.paid = new Map();
    for (const placedReceipt of this.input.placed)
      listOf(this.paid, `${placedReceipt.customerId} ${placedReceipt.amount}`).push(placedReceipt);
    for (const { id, amount, paidOn } of this.input.receipts) {
      const standing = this.proposals.get(id);
      const customerId = standing?.readings[0]?.customerId ?? null;
      if (standing && standing.decision !== "none" && customerId !== null)
        listOf(this.paid, `${customerId} ${amount}`).push({ id, paidOn });
    }
  }

  private settleAll(receipts: readonly MatchReceipt[]): void {
    this.claimants = byMoney(this.input.receipts.flatMap(({ id }) => this.looks.get(id) ?? []));
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

  private now({ receipt, before }: Looked): Draft[] {
    return this.claims.touches(before) ? readingsOf(receipt, this.around) : before;
  }

  /** Judges a receipt by its readings as they are now, and claims what the best one takes. */
  private settle({ receipt, before }: Looked, now: readonly Draft[]): Proposal {
    const best = now[0];
    const named = best !== undefined && best.numbers !== "none" && best.flaws === 0;
    const proposal = judged(receipt, now, before, {
      closed: closedNumbers(receipt, this.closed, now),
      doubleOf: named ? null : this.doubleOf(receipt, best),
      alsoOn: best && best.numbers === "none" ? earlierFor(receipt, best, this.claimants) : null,
      smallShort:
        best?.sum === "part" && isSmallShort(best, this.input.settings.smallDifferenceLimit),
      foreignCurrency: this.claims.namesForeign(receipt),
    });
    this.proposals.set(receipt.id, proposal);
    const chosen = proposal.readings[0];
    if (chosen && proposal.decision !== "none") {
      this.claims.take(chosen);
      if (chosen.customerId !== null)
        listOf(this.paid, `${chosen.customerId} ${receipt.amount}`).push({
          id: receipt.id,
          paidOn: receipt.paidOn,
        });
    }
    return proposal;
  }

  /** The first payment of the same sum by the same customer a few days around. */
  private doubleOf(receipt: MatchReceipt, best: Draft | undefined): Seen["doubleOf"] {
    if (!best) return null;
    const [first] = (this.paid.get(`${best.customerId} ${receipt.amount}`) ?? [])
      .filter(
        (entry) =>
          entry.id !== receipt.id &&
          Math.abs(daysBetween(entry.paidOn, receipt.paidOn)) <= DOUBLE_WITHIN_DAYS,
      )
      .sort((a, b) => earlierFirst(a.paidOn, b.paidOn) || a.id - b.id);
    return first ?? null;
  }
}

const closedOf = (input: MatchingInput): ReadonlyMap<string, number> =>
  new Map(input.closed.map((entry) => [entry.number.toUpperCase(), entry.customerId]));
const order = (a: MatchReceipt, b: MatchReceipt): number =>
  earlierFirst(a.paidOn, b.paidOn) || a.id - b.id;

/**
 * Equal sums that seem one customer's are judged in the order they came, so that the second is the
 * possible double.
 */
function twinsTogether(all: Judged[]): void {
  const twins = new Map<string, Judged[]>();
  for (const judged of all) {
    const best = judged.before[0];
    if (best) listOf(twins, `${best.customerId} ${judged.receipt.amount}`).push(judged);
  }
  for (const group of twins.values()) {
    group.sort((a, b) => order(a.receipt, b.receipt));
    group.forEach((judged, at) => {
      if (at > 0 && judged.before[0]?.numbers === "none")
        judged.rank = Math.min(judged.rank, ...group.slice(0, at).map(({ rank }) => rank - 0.01));
    });
  }
}

/** Receipts by what their readings would pay, to see where a second one wants the same. */
function byMoney(all: readonly Looked[]): Map<string, MatchReceipt[]> {
  const found = new Map<string, MatchReceipt[]>();
  for (const { receipt, before } of all) {
    if (isNobody(receipt, before)) listOf(found, `nobody's ${receipt.amount}`).push(receipt);
    for (const draft of before.slice(0, 4))
      if (draft.lines.length > 0) listOf(found, moneyOf(draft)).push(receipt);
  }
  return found;
}

/**
 * The day of an earlier receipt that may be for the very items a reading by sum alone would take;
 * equal items go round.
 */
function earlierFor(
  receipt: MatchReceipt,
  best: Draft,
  claimants: ReadonlyMap<string, readonly MatchReceipt[]>,
): MatchReceipt["paidOn"] | null {
  if (best.lines.length === 0 || best.reasons.some(({ code }) => code === "equal_items"))
    return null;
  const wanting = [
    ...(claimants.get(moneyOf(best)) ?? []),
    ...(claimants.get(`nobody's ${receipt.amount}`) ?? []),
  ];
  return (
    wanting.find(
      (other) =>
        other.id !== receipt.id &&
        order(other, receipt) < 0 &&
        daysBetween(other.paidOn, receipt.paidOn) <= DOUBLE_WITHIN_DAYS,
    )?.paidOn ?? null
  );
}

function isSmallShort(draft: Draft, limit: number): boolean {
  const short = draft.reasons.find((reason) => reason.code === "against_short");
  return short?.code === "against_short" && short.by <= limit;
}

/** Numbers in the memo that are the book's own but closed, where no open one is quoted. */
function closedNumbers(
  receipt: MatchReceipt,
  closed: ReadonlyMap<string, number>,
  drafts: readonly Draft[],
): Spot[] {
  if (closed.size === 0) return [];
  const used = new Set(drafts[0]?.lines.map((line) => line.number.toUpperCase()));
  return numberSpots(textOf(receipt))
    .map(({ at, text }) => ({ at, text: text.toUpperCase() }))
    .filter(({ text }) => closed.has(text) && !used.has(text));
}

function judged(
  receipt: MatchReceipt,
  now: readonly Draft[],
  before: readonly Draft[],
  seen: Omit<Seen, "claimed">,
): Proposal {
  const best = now[0];
  if (!best) return { receiptId: receipt.id, decision: "none", readings: [] };
  const changed = before[0] !== undefined && moneyOf(before[0]) !== moneyOf(best);
  const shown =
    seen.doubleOf !== null && best.lines.length > 0 ? onAccountFirst(receipt, best, now) : [...now];
  const { decision, against } = decide(best, now.slice(1), { ...seen, claimed: changed });
  const kept = decision === "none" && best.lines.length === 0 ? [] : shown.slice(0, MOST_READINGS);
  const alike = now.filter(
    (other) => other.score >= best.score - 1 && other.lines.length > 0,
  ).length;
  const pattern = patternOf(shown[0] ?? best, decision, against, alike);
  const certain = confidenceOf(pattern, decision);
  return {
    receiptId: receipt.id,
    decision,
    readings: kept.map((draft, index) =>
      index === 0
        ? finish(draft, against, certain, pattern)
        : finish(draft, [], Number((((1 - certain) * 0.6) / 2 ** (index - 1)).toFixed(4)), pattern),
    ),
  };
}

/** The second of two equal payments is kept from any item that it was not given for by number. */
function onAccountFirst(receipt: MatchReceipt, best: Draft, drafts: readonly Draft[]): Draft[] {
  const kept = drafts.find(
    (draft) => draft.lines.length === 0 && draft.customerId === best.customerId,
  ) ?? {
    ...best,
    lines: [],
    onAccount: receipt.amount,
    sum: "account" as const,
    numbers: "none" as const,
    reasons: best.reasons.filter((reason) => !reason.code.startsWith("sum")),
  };
  return [kept, ...drafts.filter((draft) => draft !== kept)];
}

/** A number that nothing explains because it is paid already is said once. */
function isClosed(reason: Reason, against: readonly Reason[]): boolean {
  const closed = against.find(({ code }) => code === "against_closed");
  return (
    reason.code === "against_unread" &&
    closed?.code === "against_closed" &&
    reason.spots.every(({ text }) => closed.spots.some((spot) => spot.text === text))
  );
}

function finish(
  draft: Draft,
  against: readonly Reason[],
  certain: number,
  pattern: string,
): MatchCandidate {
  return {
    customerId: draft.customerId,
    lines: draft.lines,
    onAccount: draft.onAccount,
    confidence: certain,
    pattern,
    ...(draft.surcharge === undefined ? {} : { surcharge: draft.surcharge }),
    reasons: [...draft.reasons.filter((reason) => !isClosed(reason, against)), ...against],
  };
}
