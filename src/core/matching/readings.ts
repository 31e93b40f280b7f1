import { add, minor, sumOf, type Minor } from "@/core/money";

import type { Payer, PayerIndex } from "./payers";
import type { MemoNumbers, Quoted } from "./references";
import { fill, partsOf, subsetsOf, type Part } from "./sums";
import type { MatchItem, MatchReceipt, Reading, ReadingLine, Reason } from "./types";

/** A reading while it is judged: `bits` is its weight of evidence, `plain` whether its kind may ever be sure. */
export type Draft = Reading & { readonly bits: number; readonly plain: boolean };

export type Around = { readonly payers: PayerIndex; readonly readMemo: (memo: string) => MemoNumbers; readonly groupOf: (customerId: number) => MatchItem[]; readonly graceDays: number };

const BITS = { quotedExact: 14, quotedDiscount: 12, quotedOver: 5, quotedShort: 6, single: 7, singleDiscount: 5, allOpen: 8, several: 4, orders: 7, onAccount: 0, oldest: -3, cut: -2 };

/** Every reading of one receipt worth showing, best first, against the items that are still free. */
export function readingsOf(receipt: MatchReceipt, around: Around): Draft[] {
  const memo = around.readMemo(receipt.reference);
  const payers = around.payers.find(receipt);
  const drafts: Draft[] = [];
  const open = memo.quoted.map(({ item }) => item).filter((item) => item.currency === receipt.currency);
  for (const customerId of candidates(payers, [...open, ...memo.orders], around)) {
    const payer = payers.find((one) => around.payers.group(one.customerId) === around.payers.group(customerId) && (one.customerId === customerId || payers.every((other) => other.customerId !== customerId)));
    drafts.push(...readingsFor(receipt, customerId, payer, memo, around));
  }
  const foreign = memo.quoted.some(({ item }) => item.currency !== receipt.currency);
  return dropRepeats(drafts.map((draft) => (foreign ? { ...draft, plain: false, reasons: [...draft.reasons, { code: "against_currency" }] } : draft)));
}

function candidates(payers: readonly Payer[], named: readonly MatchItem[], around: Around): Set<number> {
  const ids = new Set<number>(named.map((item) => item.customerId));
  for (const { customerId } of payers.slice(0, 5)) ids.add(customerId);
  // A site's payer may be its head office: the group's own items are looked at under the payer.
  for (const { customerId } of payers.slice(0, 1)) if (around.payers.group(customerId) !== customerId) ids.add(around.payers.group(customerId));
  return ids;
}

function readingsFor(receipt: MatchReceipt, customerId: number, payer: Payer | undefined, memo: MemoNumbers, around: Around): Draft[] {
  const items = around.groupOf(customerId).filter((item) => item.currency === receipt.currency);
  const ids = new Set(items.map((item) => item.id));
  const quoted = memo.quoted.filter(({ item }) => ids.has(item.id));
  const strange = memo.quoted.filter(({ item }) => !ids.has(item.id)).map(({ item }) => item.number);
  const drafts: Draft[] = [];
  const make = (lines: readonly Part[], bits: number, plain: boolean, reasons: readonly Reason[]): void => {
    const used = sumOf(lines, (line) => line.amount);
    const onAccount = add(receipt.amount, -used);
    if (onAccount < 0) return;
    const against: Reason[] = strange.length > 0 ? [{ code: "against_number", numbers: strange }] : [];
    if (payer === undefined && memo.quoted.length > 0) against.push({ code: "against_payer" });
    const ownItems = lines.every(({ item }) => item.customerId === customerId);
    const weight = bits + (payer?.weight ?? -3) - strange.length * 8;
    drafts.push({
      customerId, onAccount, confidence: 0, bits: weight, plain: plain && strange.length === 0 && payer !== undefined,
      lines: lines.map(({ item, amount, discount }): ReadingLine => ({ itemId: item.id, number: item.number, amount, discount })),
      reasons: [...reasons, ...(payer?.reasons ?? []), ...(ownItems || lines.length === 0 ? [] : [{ code: "group" } as const]), ...against],
    });
  };
  if (quoted.length > 0) fromQuoted(receipt, quoted, around, make);
  else if (memo.orders.some((item) => ids.has(item.id))) fromOrders(receipt, memo.orders.filter((item) => ids.has(item.id)), make);
  if (payer || quoted.length === 0) fromSums(receipt, items, quoted.map(({ item }) => item.id), around, make);
  return drafts;
}

type Make = (lines: readonly Part[], bits: number, plain: boolean, reasons: readonly Reason[]) => void;

const whole = (item: MatchItem, amount: Minor = item.balance): Part => ({ item, amount, discount: minor(0), inTime: true });

function fromQuoted(receipt: MatchReceipt, quoted: readonly Quoted[], around: Around, make: Make): void {
  const items = quoted.map(({ item }) => item);
  const how = quoted.some((one) => one.how === "cut") ? "cut" : quoted.some((one) => one.how === "digits") ? "digits" : "whole";
  const named: Reason = { code: "numbers", numbers: items.map(({ number }) => number), how };
  const full = sumOf(items, (item) => item.balance);
  const cut = how === "cut" ? BITS.cut : 0;
  if (full === receipt.amount) return make(items.map((item) => whole(item)), BITS.quotedExact + cut, true, [named, { code: "sum_of_quoted", count: items.length }]);
  const discounted = items.map((item) => partsOf(item, receipt.paidOn, around.graceDays).at(-1) ?? whole(item));
  const discount = sumOf(discounted, (part) => part.discount);
  if (discount > 0 && add(full, -discount) === receipt.amount) {
    const inTime = discounted.every((part) => part.inTime);
    return make(discounted, BITS.quotedDiscount + cut, inTime, [named, { code: "discount", sum: discount, inTime }]);
  }
  const off = add(receipt.amount, -full);
  if (off > 0) return make(items.map((item) => whole(item)), BITS.quotedOver, false, [named, { code: "against_over", by: off }]);
  make(fill(items, receipt.amount).map(({ item, amount }) => whole(item, amount)), BITS.quotedShort, false, [named, { code: "against_short", by: minor(-off) }]);
}

function fromOrders(receipt: MatchReceipt, items: readonly MatchItem[], make: Make): void {
  const po: Reason = { code: "po", number: items[0]?.poNumber ?? "" };
  if (sumOf(items, (item) => item.balance) === receipt.amount) make(items.map((item) => whole(item)), BITS.orders + 3, true, [po, { code: "sum_several", count: items.length }]);
  const exact = items.find((item) => item.balance === receipt.amount);
  if (exact && items.length > 1) make([whole(exact)], BITS.orders, false, [po, { code: "sum_one", number: exact.number }]);
}

function fromSums(receipt: MatchReceipt, items: readonly MatchItem[], quoted: readonly number[], around: Around, make: Make): void {
  const due = items.filter((item) => item.balance > 0);
  const equal = due.filter((item) => item.balance === receipt.amount);
  const [oldest] = equal;
  const said = quoted.length === 0;
  if (oldest) {
    const same: Reason[] = equal.length > 1 ? [{ code: "equal_items", count: equal.length }] : [];
    make([whole(oldest)], BITS.single, said, [{ code: "sum_one", number: oldest.number }, ...same]);
  }
  const discounted = due.flatMap((item) => partsOf(item, receipt.paidOn, around.graceDays).slice(1)).find((part) => part.amount === receipt.amount);
  if (discounted) make([discounted], BITS.singleDiscount, said && discounted.inTime, [{ code: "sum_one", number: discounted.item.number }, { code: "discount", sum: discounted.discount, inTime: discounted.inTime }]);
  const all = sumOf(items, (item) => item.balance);
  if (items.length > 1 && all === receipt.amount) make(items.map((item) => whole(item)), BITS.allOpen, said, [{ code: "sum_all_open", count: items.length }]);
  for (const subset of subsetsOf(due, receipt.amount).filter((one) => one.length < items.length || all !== receipt.amount).slice(0, 4)) {
    make(subset.map((item) => whole(item)), BITS.several - subset.length, false, [{ code: "sum_several", count: subset.length }]);
  }
  if (due.length > 0 && !oldest) {
    const filled = fill(due, receipt.amount);
    make(filled.map(({ item, amount }) => whole(item, amount)), BITS.oldest, false, partly(receipt, filled.map(({ item }) => item)));
  }
  make([], BITS.onAccount - 4, false, []);
}

/** How the receipt differs from the items it would pay, the last perhaps in part. */
function partly(receipt: MatchReceipt, paid: readonly MatchItem[]): Reason[] {
  const off = add(receipt.amount, -sumOf(paid, (item) => item.balance));
  return off > 0 ? [{ code: "against_over", by: off }] : [{ code: "against_short", by: minor(-off) }];
}

/** Readings that differ in money only; the one with more evidence stays. */
function dropRepeats(drafts: readonly Draft[]): Draft[] {
  const best = new Map<string, Draft>();
  for (const draft of [...drafts].sort((a, b) => b.bits - a.bits || (a.customerId ?? 0) - (b.customerId ?? 0))) {
    const key = draft.lines.length === 0 ? `on ${draft.customerId}` : draft.lines.map((line) => `${line.itemId}:${line.amount}:${line.discount}`).sort().join(" ");
    if (!best.has(key)) best.set(key, draft);
  }
  return [...best.values()];
}
