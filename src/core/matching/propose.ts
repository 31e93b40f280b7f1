import { daysBetween } from "@/core/calendar";
import { add, minor, type Minor } from "@/core/money";

import { PayerIndex } from "./payers";
import { readingsOf, type Around, type Draft } from "./readings";
import { NumberIndex, numberWords, type MemoNumbers } from "./references";
import type { Decision, MatchingInput, MatchItem, MatchReceipt, Proposal, Reading, Reason } from "./types";

/** Readings shown beside the best. */
const MOST_READINGS = 6;
/** A second reading within this many bits (a likelihood ratio of 32) is near. */
const NEAR_BITS = 5;
const SURE_BITS = 15;
const DOUBLE_WITHIN_DAYS = 10;

/**
 * Proposes a home for every receipt, all of them together: the most certain
 * claim their balances first, and what is left is judged again on what
 * remains, so no balance is claimed twice. The order of the input does not
 * matter. A reading is sure only where its kind is plain (a known payer, all
 * numbers explained, an exact sum), its evidence is strong and no other
 * reading is near.
 */
export function propose(input: MatchingInput): Proposal[] {
  const claims = new Claims(input);
  const around = claims.around(input.settings.discountGraceDays);
  const closed = new Map(input.closed.map((one) => [one.number.toUpperCase(), one.customerId]));
  const first = input.receipts.map((receipt) => ({ receipt, before: readingsOf(receipt, around) }));
  first.sort((a, b) => certainty(b.before) - certainty(a.before) || order(a.receipt, b.receipt));
  const proposals = new Map<number, Proposal>();
  const taken = input.placed.map((one) => ({ ...one }));
  for (const { receipt, before } of first) {
    const now = claims.touches(before) ? readingsOf(receipt, around) : before;
    const best = now[0];
    const double = best ? taken.find((one) => one.customerId === best.customerId && one.amount === receipt.amount && one.id !== receipt.id && Math.abs(daysBetween(one.paidOn, receipt.paidOn)) <= DOUBLE_WITHIN_DAYS) : undefined;
    const proposal = decide(receipt, now, before, { closed: closedNumbers(receipt, closed, now), doubleOf: double?.paidOn ?? null });
    proposals.set(receipt.id, proposal);
    const chosen = proposal.readings[0];
    if (chosen && proposal.decision !== "none") {
      claims.take(chosen);
      if (chosen.customerId !== null) taken.push({ id: receipt.id, customerId: chosen.customerId, paidOn: receipt.paidOn, amount: receipt.amount });
    }
  }
  return input.receipts.flatMap(({ id }) => proposals.get(id) ?? []);
}

const order = (a: MatchReceipt, b: MatchReceipt): number => (a.paidOn < b.paidOn ? -1 : a.paidOn > b.paidOn ? 1 : a.id - b.id);

function certainty(drafts: readonly Draft[]): number {
  const best = drafts[0];
  return best ? best.bits + (best.plain ? 100 : 0) : -1000;
}

/** Numbers in the memo that are the book's own but closed, where no open one is quoted. */
function closedNumbers(receipt: MatchReceipt, closed: ReadonlyMap<string, number>, drafts: readonly Draft[]): string[] {
  if (closed.size === 0) return [];
  const used = new Set(drafts[0]?.lines.map((line) => line.number.toUpperCase()));
  return numberWords(receipt.reference).map((word) => word.toUpperCase()).filter((word) => closed.has(word) && !used.has(word));
}

function decide(receipt: MatchReceipt, now: readonly Draft[], before: readonly Draft[], seen: { closed: string[]; doubleOf: MatchReceipt["paidOn"] | null }): Proposal {
  const best = now[0];
  if (!best) return { receiptId: receipt.id, decision: "none", readings: [] };
  const against: Reason[] = [];
  const rivals = now.slice(1).filter((other) => other.bits > best.bits - NEAR_BITS && other.lines.length > 0);
  const changed = before[0] !== undefined && moneyOf(before[0]) !== moneyOf(best);
  if (rivals.length > 0) against.push({ code: "against_other_reading", count: rivals.length });
  if (seen.closed.length > 0) against.push({ code: "against_closed", numbers: seen.closed });
  if (seen.doubleOf !== null) against.push({ code: "against_double", paidOn: seen.doubleOf });
  if (changed) against.push({ code: "against_claimed" });
  const safe = best.plain && best.onAccount === 0 && best.bits >= SURE_BITS && against.length === 0;
  const decision: Decision = safe ? "sure" : best.bits >= 2 ? "check" : "none";
  const quotedOrHome = decision !== "none" && seen.doubleOf !== null && best.lines.length > 0 && !best.reasons.some((reason) => reason.code === "numbers") ? onAccountFirst(receipt, best, now) : now;
  const readings = quotedOrHome.slice(0, MOST_READINGS).map((draft, index) => finish(draft, index === 0 ? against : [], confidence(draft, quotedOrHome, against.length)));
  return { receiptId: receipt.id, decision, readings: decision === "none" && best.lines.length === 0 && best.bits < 0 ? [] : readings };
}

/** The second of two equal payments is kept from any item that it was not given for by number. */
function onAccountFirst(receipt: MatchReceipt, best: Draft, drafts: readonly Draft[]): Draft[] {
  const kept = drafts.find((draft) => draft.lines.length === 0 && draft.customerId === best.customerId) ?? { ...best, lines: [], onAccount: receipt.amount, plain: false, reasons: best.reasons.filter((reason) => !reason.code.startsWith("sum")) };
  return [kept, ...drafts.filter((draft) => draft !== kept)];
}

function moneyOf(draft: Draft): string {
  return draft.lines.map((line) => `${line.itemId}:${line.amount}`).sort().join(" ");
}

/** The share of this reading among all, from their bits, lowered where something speaks against it; never certainty. */
function confidence(draft: Draft, all: readonly Draft[], against: number): number {
  const others = all.reduce((sum, other) => sum + 2 ** Math.min(40, other.bits - draft.bits), 0);
  const absolute = 2 ** Math.min(40, draft.bits) / (1 + 2 ** Math.min(40, draft.bits));
  const share = (absolute / others) * (draft.plain && against === 0 ? 0.9995 : 0.9) * 0.8 ** against;
  return Math.min(0.9995, Math.max(0.001, Number(share.toFixed(4))));
}

function finish(draft: Draft, against: readonly Reason[], certain: number): Reading {
  return { customerId: draft.customerId, lines: draft.lines, onAccount: draft.onAccount, confidence: certain, reasons: [...draft.reasons, ...against] };
}

/** What is left of every open item while receipts claim their balances. */
class Claims {
  private readonly left = new Map<number, MatchItem>();
  private readonly byCustomer = new Map<number, MatchItem[]>();
  private readonly byGroup = new Map<number, MatchItem[]>();
  private readonly touched = new Set<number>();
  private readonly payers: PayerIndex;
  private readonly numbers: NumberIndex;

  constructor(input: MatchingInput) {
    this.payers = new PayerIndex(input);
    this.numbers = new NumberIndex(input.items);
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
    return {
      payers: this.payers, graceDays,
      readMemo: (memo) => this.freeOnly(this.numbers.read(memo)),
      groupOf: (id) => (this.payers.group(id) === id ? free(this.byGroup.get(id)) : free(this.byCustomer.get(id))),
    };
  }

  /** A number whose balance was claimed is no longer found open. */
  private freeOnly(memo: MemoNumbers): MemoNumbers {
    const quoted = memo.quoted.flatMap((one) => {
      const item = this.left.get(one.item.id);
      return item ? [{ ...one, item }] : [];
    });
    return { quoted, orders: memo.orders.flatMap((item) => this.left.get(item.id) ?? []), unknown: memo.unknown };
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
