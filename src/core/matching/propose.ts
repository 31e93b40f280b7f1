import { daysBetween } from "@/core/calendar";
import { add, minor, type Minor } from "@/core/money";

import { confidenceOf, patternOf } from "./calibration";
import { certainty, decide, type Seen } from "./decide";
import { NumberIndex, numberSpots } from "./memo";
import { PayerIndex } from "./payers";
import { moneyOf, type Draft } from "./drafts";
import { readingsOf, textOf, type Around } from "./readings";
import type { Habit, MatchingInput, MatchItem, MatchReceipt, Proposal, Reading, Reason, Spot } from "./types";

/** Readings shown beside the best. */
const MOST_READINGS = 6;
const DOUBLE_WITHIN_DAYS = 10;

type Judged = { receipt: MatchReceipt; before: Draft[]; rank: number };

/**
 * Proposes a home for every receipt, all of them together: the most certain
 * claim their balances first, and what is left is judged again on what
 * remains, so no balance is claimed twice. The order of the input does not
 * matter. What is sure is a matter of structure (decide.ts), what is likely of
 * hit rates (calibration.ts).
 */
export function propose(input: MatchingInput): Proposal[] {
  const claims = new Claims(input);
  const around = claims.around(input.settings.discountGraceDays);
  const closed = new Map(input.closed.map((one) => [one.number.toUpperCase(), one.customerId]));
  const first = input.receipts.map((receipt): Judged => { const before = readingsOf(receipt, around); return { receipt, before, rank: certainty(before) }; });
  twinsTogether(first);
  const claimants = byMoney(first);
  first.sort((a, b) => b.rank - a.rank || order(a.receipt, b.receipt));
  const proposals = new Map<number, Proposal>();
  const taken = new Map<string, { id: number; paidOn: MatchReceipt["paidOn"] }[]>();
  for (const one of input.placed) listOf(taken, `${one.customerId} ${one.amount}`).push(one);
  for (const { receipt, before } of first) {
    const now = claims.touches(before) ? readingsOf(receipt, around) : before;
    const best = now[0];
    const double = best ? taken.get(`${best.customerId} ${receipt.amount}`)?.find((one) => one.id !== receipt.id && Math.abs(daysBetween(one.paidOn, receipt.paidOn)) <= DOUBLE_WITHIN_DAYS) : undefined;
    const named = best !== undefined && best.numbers !== "none" && best.flaws === 0;
    const proposal = judged(receipt, now, before, { closed: closedNumbers(receipt, closed, now), doubleOf: double && !named ? double : null, alsoOn: best && best.numbers === "none" ? earlierFor(receipt, best, claimants) : null, smallShort: best?.sum === "part" && isSmallShort(best, input.settings.smallDifferenceLimit), foreignCurrency: claims.namesForeign(receipt) });
    proposals.set(receipt.id, proposal);
    const chosen = proposal.readings[0];
    if (chosen && proposal.decision !== "none") {
      claims.take(chosen);
      if (chosen.customerId !== null) listOf(taken, `${chosen.customerId} ${receipt.amount}`).push({ id: receipt.id, paidOn: receipt.paidOn });
    }
  }
  return input.receipts.flatMap(({ id }) => proposals.get(id) ?? []);
}

const order = (a: MatchReceipt, b: MatchReceipt): number => (a.paidOn < b.paidOn ? -1 : a.paidOn > b.paidOn ? 1 : a.id - b.id);

/** Equal sums that seem one customer's are judged in the order they came, so that the second is the possible double. */
function twinsTogether(all: Judged[]): void {
  const twins = new Map<string, Judged[]>();
  for (const one of all) {
    const best = one.before[0];
    if (best) listOf(twins, `${best.customerId} ${one.receipt.amount}`).push(one);
  }
  for (const group of twins.values()) {
    group.sort((a, b) => order(a.receipt, b.receipt));
    group.forEach((one, at) => { if (at > 0 && one.before[0]?.numbers === "none") one.rank = Math.min(one.rank, ...group.slice(0, at).map(({ rank }) => rank - 0.01)); });
  }
}

/** Receipts by what their readings would pay, to see where a second one wants the same. */
function byMoney(all: readonly Judged[]): Map<string, MatchReceipt[]> {
  const found = new Map<string, MatchReceipt[]>();
  for (const { receipt, before } of all) {
    // Who gives no name, or hardly one, may be anybody; a stranger's name is a stranger's.
    if (before.length === 0 && receipt.payerName.replace(/[^A-Za-z]/g, "").length <= 6) listOf(found, `nobody's ${receipt.amount}`).push(receipt);
    for (const draft of before.slice(0, 4)) if (draft.lines.length > 0) listOf(found, moneyOf(draft)).push(receipt);
  }
  return found;
}

/** The day of an earlier receipt that may be for the very items a reading by sum alone would take; equal items go round. */
function earlierFor(receipt: MatchReceipt, best: Draft, claimants: ReadonlyMap<string, readonly MatchReceipt[]>): MatchReceipt["paidOn"] | null {
  if (best.lines.length === 0 || best.reasons.some(({ code }) => code === "equal_items")) return null;
  const wanting = [...(claimants.get(moneyOf(best)) ?? []), ...(claimants.get(`nobody's ${receipt.amount}`) ?? [])];
  return wanting.find((other) => other.id !== receipt.id && order(other, receipt) < 0 && daysBetween(other.paidOn, receipt.paidOn) <= DOUBLE_WITHIN_DAYS)?.paidOn ?? null;
}

function isSmallShort(draft: Draft, limit: number): boolean {
  const short = draft.reasons.find((reason) => reason.code === "against_short");
  return short?.code === "against_short" && short.by <= limit;
}

/** Numbers in the memo that are the book's own but closed, where no open one is quoted. */
function closedNumbers(receipt: MatchReceipt, closed: ReadonlyMap<string, number>, drafts: readonly Draft[]): Spot[] {
  if (closed.size === 0) return [];
  const used = new Set(drafts[0]?.lines.map((line) => line.number.toUpperCase()));
  return numberSpots(textOf(receipt)).map(({ at, text }) => ({ at, text: text.toUpperCase() })).filter(({ text }) => closed.has(text) && !used.has(text));
}

function judged(receipt: MatchReceipt, now: readonly Draft[], before: readonly Draft[], seen: Omit<Seen, "claimed">): Proposal {
  const best = now[0];
  if (!best) return { receiptId: receipt.id, decision: "none", readings: [] };
  const changed = before[0] !== undefined && moneyOf(before[0]) !== moneyOf(best);
  const shown = seen.doubleOf !== null && best.lines.length > 0 ? onAccountFirst(receipt, best, now) : [...now];
  const { decision, against } = decide(best, now.slice(1), { ...seen, claimed: changed });
  const kept = decision === "none" && best.lines.length === 0 ? [] : shown.slice(0, MOST_READINGS);
  const alike = now.filter((other) => other.score >= best.score - 1 && other.lines.length > 0).length;
  const pattern = patternOf(shown[0] ?? best, decision, against, alike);
  const certain = confidenceOf(pattern, decision);
  return { receiptId: receipt.id, decision, readings: kept.map((draft, index) => (index === 0 ? finish(draft, against, certain, pattern) : finish(draft, [], Number((((1 - certain) * 0.6) / 2 ** (index - 1)).toFixed(4)), pattern))) };
}

/** The second of two equal payments is kept from any item that it was not given for by number. */
function onAccountFirst(receipt: MatchReceipt, best: Draft, drafts: readonly Draft[]): Draft[] {
  const kept = drafts.find((draft) => draft.lines.length === 0 && draft.customerId === best.customerId) ?? { ...best, lines: [], onAccount: receipt.amount, sum: "account" as const, numbers: "none" as const, reasons: best.reasons.filter((reason) => !reason.code.startsWith("sum")) };
  return [kept, ...drafts.filter((draft) => draft !== kept)];
}

/** A number that nothing explains because it is paid already is said once. */
function isClosed(reason: Reason, against: readonly Reason[]): boolean {
  const closed = against.find(({ code }) => code === "against_closed");
  return reason.code === "against_unread" && closed?.code === "against_closed" && reason.spots.every(({ text }) => closed.spots.some((spot) => spot.text === text));
}

function finish(draft: Draft, against: readonly Reason[], certain: number, pattern: string): Reading {
  return { customerId: draft.customerId, lines: draft.lines, onAccount: draft.onAccount, confidence: certain, pattern, reasons: [...draft.reasons.filter((reason) => !isClosed(reason, against)), ...against] };
}

/** What is left of every open item while receipts claim their balances. */
class Claims {
  private readonly left = new Map<number, MatchItem>();
  private readonly byCustomer = new Map<number, MatchItem[]>();
  private readonly byGroup = new Map<number, MatchItem[]>();
  private readonly touched = new Set<number>();
  private readonly payers: PayerIndex;
  private readonly numbers: NumberIndex;
  private readonly habits: ReadonlyMap<number, Habit>;

  constructor(input: MatchingInput) {
    this.payers = new PayerIndex(input);
    this.numbers = new NumberIndex(input.items);
    this.habits = new Map((input.habits ?? []).map((habit) => [habit.customerId, habit]));
    const oldest = [...input.items].sort((a, b) => (a.dueOn < b.dueOn ? -1 : a.dueOn > b.dueOn ? 1 : a.id - b.id));
    for (const item of oldest) {
      this.left.set(item.id, item);
      const group = this.payers.group(item.customerId);
      listOf(this.byCustomer, item.customerId).push(item);
      listOf(this.byGroup, group).push(item);
    }
  }

  around(graceDays: number): Around {
    const free = (items: readonly MatchItem[] | undefined): MatchItem[] => (items ?? []).flatMap((item) => this.left.get(item.id) ?? []);
    return { payers: this.payers, graceDays, habit: (id) => this.habits.get(id), memo: (text) => this.numbers.read(text), scope: (id) => (this.payers.group(id) === id ? free(this.byGroup.get(id)) : free(this.byCustomer.get(id))) };
  }

  /** Whether the memo names an item in another currency than the receipt's. */
  namesForeign(receipt: MatchReceipt): boolean {
    return this.numbers.read(textOf(receipt)).mentions.some(({ items }) => items.length > 0 && items.every((item) => item.currency !== receipt.currency));
  }

  /** Whether an item that these readings rest on has been claimed since they were made. */
  touches(drafts: readonly Draft[]): boolean {
    return this.touched.size > 0 && drafts.some((draft) => draft.lines.some((line) => this.touched.has(line.itemId)) || (draft.customerId !== null && (this.byGroup.get(this.payers.group(draft.customerId)) ?? []).some((item) => this.touched.has(item.id))));
  }

  take(reading: Reading): void {
    for (const line of reading.lines) {
      const item = this.left.get(line.itemId);
      if (!item) continue;
      this.touched.add(item.id);
      const balance: Minor = add(item.balance, -line.amount, -line.discount);
      if (balance === 0) this.left.delete(item.id);
      else this.left.set(item.id, { ...item, balance: minor(balance) });
    }
  }
}

function listOf<K, V>(map: Map<K, V[]>, key: K): V[] {
  const known = map.get(key);
  if (known) return known;
  const made: V[] = [];
  map.set(key, made);
  return made;
}
