import { add, minor, type Minor } from "@/core/money";

import { listOf } from "./lists";
import { NumberIndex } from "./memo";
import { PayerIndex } from "./payers";
import { textOf, type Around } from "./readings";
import type { Draft } from "./drafts";
import type { Habit, MatchingInput, MatchItem, MatchReceipt, Reading } from "./types";

/** What is left of every open item while receipts claim their balances. */
export class Claims {
  private readonly whole = new Map<number, MatchItem>();
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
      this.whole.set(item.id, item);
      const group = this.payers.group(item.customerId);
      listOf(this.byCustomer, item.customerId).push(item);
      listOf(this.byGroup, group).push(item);
    }
  }

  /** What readings are made from: items as receipts have left them, or as they were before any claimed. */
  around(graceDays: number, from: "left" | "whole" = "left"): Around {
    const free = (items: readonly MatchItem[] | undefined): MatchItem[] => (items ?? []).flatMap((item) => this[from].get(item.id) ?? []);
    return { payers: this.payers, graceDays, habit: (id) => this.habits.get(id), memo: (text) => this.numbers.read(text), scope: (id) => (this.payers.group(id) === id ? free(this.byGroup.get(id)) : free(this.byCustomer.get(id))) };
  }

  groupOf(customerId: number): number {
    return this.payers.group(customerId);
  }

  /** Whether the memo names an item in another currency than the receipt's. */
  namesForeign(receipt: MatchReceipt): boolean {
    return this.numbers.read(textOf(receipt)).mentions.some(({ items }) => items.length > 0 && items.every((item) => item.currency !== receipt.currency));
  }

  /** Whether an item that these readings rest on has been claimed since they were made. */
  touches(drafts: readonly Draft[]): boolean {
    return this.touched.size > 0 && drafts.some((draft) => draft.lines.some((line) => this.touched.has(line.itemId)) || (draft.customerId !== null && (this.byGroup.get(this.payers.group(draft.customerId)) ?? []).some((item) => this.touched.has(item.id))));
  }

  /** What a reading had claimed is free again. */
  giveBack(reading: Reading): void {
    for (const line of reading.lines) {
      const [whole, item] = [this.whole.get(line.itemId), this.left.get(line.itemId)];
      if (whole) this.left.set(line.itemId, { ...whole, balance: add(item?.balance ?? 0, line.amount, line.discount) });
    }
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
