import { type Difference } from "@/core/matching/engine/difference";
import { add, type Minor } from "@/core/money";

import type { Draft } from "../candidates/candidate";
import type { MatchContext } from "../candidates/customerScope";
import { textOf } from "../candidates/readings";
import { listOf } from "../lists";
import { NumberIndex } from "../memo/memo";
import { isForeign } from "../memo/mention";
import { PayerIndex } from "../payers/payers";
import type {
  Habit,
  MatchCandidate,
  MatchingInput,
  MatchItem,
  MatchReceipt,
  Payer,
  ReadingLine,
} from "../types";
import { Balances } from "./balances";
import { creditsOf, habitsOf, oldestFirst, surchargeBy, withBalance } from "./standing";

type Lists = Map<number, readonly MatchItem[]>;

/**
 * What is left of every open item while receipts claim their balances: by
 * customer and by group, oldest first. A list is made anew only when one of its
 * items is claimed, so that most receipts read the lists as they are.
 */
export class Claims {
  private readonly byCustomer: Lists = new Map();
  private readonly byGroup: Lists = new Map();
  private readonly touchedItems = new Set<number>();
  private readonly touchedGroups = new Set<number>();
  private readonly named = new Set<number>();
  private readonly balances: Balances;
  private readonly payers: PayerIndex;
  private readonly numbers: NumberIndex;
  private habits: ReadonlyMap<number, Habit>;
  private credits: ReadonlyMap<number, number>;

  constructor(private input: MatchingInput) {
    this.payers = new PayerIndex(input);
    this.numbers = new NumberIndex(input.items);
    this.habits = habitsOf(input);
    this.credits = creditsOf(input, this.payers);
    this.balances = new Balances(input.customers.length);
    for (const item of input.items) this.balances.count(item, 1);
    this.fill(input.items);
  }

  private fill(items: readonly MatchItem[]): void {
    const [byCustomer, byGroup] = [new Map<number, MatchItem[]>(), new Map<number, MatchItem[]>()];
    for (const item of [...items].sort(oldestFirst)) {
      listOf(byCustomer, item.customerId).push(item);
      listOf(byGroup, this.payers.group(item.customerId)).push(item);
    }
    for (const [id, list] of byCustomer) this.byCustomer.set(id, list);
    // A customer that is a group by itself has one list.
    for (const [id, list] of byGroup)
      this.byGroup.set(
        id,
        byCustomer.get(id)?.length === list.length ? (this.byCustomer.get(id) ?? list) : list,
      );
  }

  /** Takes over what is different in a book; gives the keys of payers of whom more (or less) is known now. */
  change(
    next: MatchingInput,
    { gone, come, paid }: Pick<Difference, "gone" | "come" | "paid">,
  ): Set<string> {
    this.input = next;
    this.ids = null;
    this.habits = habitsOf(next);
    this.credits = creditsOf(next, this.payers);
    if (gone.length > 0 || come.length > 0) this.numbers.change(gone, come);
    for (const item of gone) this.balances.count(item, -1);
    for (const item of come) this.balances.count(item, 1);
    return new Set(paid.flatMap(([payer, times]) => this.payers.learn(payer, times)));
  }

  /** Every item of these groups is as it was before any receipt claimed it. */
  release(groups: ReadonlySet<number>): void {
    const items = this.input.items.filter(({ customerId }) =>
      groups.has(this.payers.group(customerId)),
    );
    for (const [id] of [...this.byCustomer])
      if (groups.has(this.payers.group(id))) this.byCustomer.delete(id);
    for (const group of groups) {
      this.byGroup.delete(group);
      this.touchedGroups.delete(group);
    }
    for (const { id } of items) {
      this.touchedItems.delete(id);
      this.named.delete(id);
    }
    this.fill(items);
  }

  /** What readings are made from: items as receipts have left them. */
  around(graceDays: number): MatchContext {
    const percent = this.input.settings.surchargePercent ?? null;
    return {
      payers: this.payers,
      graceDays,
      surcharge: surchargeBy(percent),
      surchargePercent: percent ?? "",
      habit: (id) => this.habits.get(id),
      credit: (id) => this.credits.get(this.payers.group(id)) ?? 0,
      rarity: (currency, balance) => this.balances.rarity(currency, balance),
      memo: (text) => this.numbers.read(text),
      scope: (id) => (this.payers.group(id) === id ? this.byGroup : this.byCustomer).get(id) ?? [],
    };
  }

  /** The same with every item as it was before any receipt claimed it. */
  unclaimed(graceDays: number): MatchContext {
    const of = (is: (item: MatchItem) => boolean): MatchItem[] =>
      this.input.items.filter(is).sort(oldestFirst);
    return {
      ...this.around(graceDays),
      scope: (id) =>
        of((item) =>
          this.payers.group(id) === id
            ? this.payers.group(item.customerId) === id
            : item.customerId === id,
        ),
    };
  }

  /** Takes over who paid, found elsewhere meanwhile (payersFor). */
  knowPayers(payers: ReadonlyMap<string, readonly Payer[]>): void {
    this.payers.know(payers);
  }

  groupOf(customerId: number): number {
    return this.payers.group(customerId);
  }

  /** Whether the memo names an item in another currency than the receipt's. */
  namesForeign(receipt: MatchReceipt): boolean {
    return isForeign(this.numbers.read(textOf(receipt)), receipt.currency);
  }

  /** Whether an item that these readings rest on has been claimed since they were made. */
  touches(drafts: readonly Draft[]): boolean {
    return (
      this.touchedItems.size > 0 &&
      drafts.some(
        (draft) =>
          (draft.customerId !== null &&
            this.touchedGroups.has(this.payers.group(draft.customerId))) ||
          draft.lines.some((line) => this.touchedItems.has(line.itemId)),
      )
    );
  }

  take(reading: MatchCandidate, named: boolean): void {
    for (const line of reading.lines) {
      this.move(line, -1);
      if (named) this.named.add(line.itemId);
    }
  }

  /** Whether a receipt that is sure of it claimed an item by its number. */
  readonly isNamed = (itemId: number): boolean => this.named.has(itemId);

  /** What a reading had claimed is free again. */
  giveBack(reading: MatchCandidate): void {
    for (const line of reading.lines) {
      this.move(line, 1);
      this.named.delete(line.itemId);
    }
  }

  private move(line: ReadingLine, by: 1 | -1): void {
    const whole = this.itemById(line.itemId);
    if (!whole) return;
    const group = this.payers.group(whole.customerId);
    this.touchedItems.add(whole.id);
    this.touchedGroups.add(group);
    const standing = this.byCustomer.get(whole.customerId)?.find(({ id }) => id === whole.id);
    const balance: Minor = add(standing?.balance ?? 0, by * line.amount, by * line.discount);
    const shared = this.byCustomer.get(whole.customerId) === this.byGroup.get(group);
    this.byCustomer.set(
      whole.customerId,
      withBalance(this.byCustomer.get(whole.customerId) ?? [], whole, balance),
    );
    const own = this.byCustomer.get(whole.customerId) ?? [];
    const all = this.byGroup.get(group) ?? [];
    this.byGroup.set(group, shared ? own : withBalance(all, whole, balance));
  }

  private ids: Map<number, MatchItem> | null = null;

  private itemById(id: number): MatchItem | undefined {
    this.ids ??= new Map(this.input.items.map((item) => [item.id, item]));
    return this.ids.get(id);
  }
}
