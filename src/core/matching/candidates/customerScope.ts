import { add, minor, type Minor, sumOf, unitOf } from "@/core/money";

import type { Memo } from "../memo/mention";
import { namedIn, type ReferencedItems, type ReferenceQuality } from "../memo/scope";
import type { Told } from "../memo/told";
import type { PayerIndex } from "../payers/payers";
import type { Habit, MatchItem, MatchReceipt, Payer, ReadingLine, Reason, Spot } from "../types";
import type { AmountFit, Draft, PayerCertainty } from "./candidate";
import { against } from "./contradictions";
import type { Doubt } from "./doubts";
import { habitReasons } from "./habits";
import { whoIs } from "./choices";
import { scoreOf } from "./score";
import type { Part } from "./sums";

export type MatchContext = {
  readonly payers: PayerIndex;
  readonly memo: (text: string) => Memo;
  readonly scope: (customerId: number) => readonly MatchItem[];
  readonly graceDays: number;
  /** What a card pays on top of a sum; 0 where nothing is agreed. */
  readonly surcharge: (method: MatchReceipt["method"], sum: number) => Minor;
  readonly surchargePercent: string;
  readonly habit: (customerId: number) => Habit | undefined;
  /** What stands on account of a group. */
  readonly credit: (customerId: number) => number;
  /** Bits that it says that somebody's item has just this balance. */
  readonly rarity: (currency: MatchItem["currency"], balance: number) => number;
};

/** A reading as it was found. `doubts`: in what ways it may be another; `shape`: how it is calibrated. */
export type CandidateFound = {
  lines: readonly Part[];
  sum: AmountFit;
  numbers: ReferenceQuality;
  reasons: readonly Reason[];
  doubts?: readonly Doubt[];
  shape?: string;
  chance?: number;
};

/** One customer (with its sites, where it is the head office) as the one a receipt may be for. */
export class CustomerScope {
  readonly items: readonly MatchItem[];
  readonly named: ReferencedItems;
  readonly payer: Payer | undefined;
  readonly who: PayerCertainty;
  readonly told: Told;
  /** Minor units in a whole one of the receipt's currency. */
  readonly unit: number;
  readonly found: Draft[] = [];

  constructor(
    readonly receipt: MatchReceipt,
    readonly customerId: number,
    { memo, payers, told }: { memo: Memo; payers: readonly Payer[]; told: Told },
    readonly around: MatchContext,
  ) {
    this.told = told;
    this.unit = unitOf(receipt.currency);
    const group = around.payers.group(customerId);
    const inGroup = payers.filter((payer) => around.payers.group(payer.customerId) === group);
    this.payer = inGroup.find((payer) => payer.customerId === customerId) ?? inGroup[0];
    this.who = whoIs(this.payer, payers);
    this.isItself =
      this.payer?.customerId === customerId &&
      inGroup.every(
        (other) => other === this.payer || other.weight < (this.payer?.weight ?? 0) - 3,
      );
    const scope = around.scope(customerId);
    this.items = scope.every((item) => item.currency === receipt.currency)
      ? scope
      : scope.filter((item) => item.currency === receipt.currency);
    this.named = namedIn(memo, this.items, this.payer, receipt.amount);
  }

  /** Credit notes that may be taken off beside some items: each alone, and all together. */
  notesBeside(items: readonly MatchItem[]): MatchItem[][] {
    const notes = this.items.filter((item) => item.balance < 0 && !items.includes(item));
    return [
      ...notes.slice(0, MOST_NOTES).map((note) => [note]),
      ...(notes.length > 1 ? [notes] : []),
    ];
  }

  onTop(sum: Minor): Reason {
    return { code: "surcharge", sum, percent: this.around.surchargePercent };
  }

  spotsOf(items: readonly MatchItem[]): Spot[] {
    return items.flatMap(({ id }) => this.named.spots.get(id) ?? []);
  }

  /** Keeps a reading, unless it would give out more than came in. */
  add(found: CandidateFound): void {
    const { lines, sum, numbers, reasons, shape = "", chance = 0 } = found;
    const { receipt, around } = this;
    const left = add(receipt.amount, -sumOf(lines, (line) => line.amount));
    if (left < 0) return;
    const { foreign, unexplained } = this.named;
    const { skipped, doubts } = this.doubtsOf(found);
    const habit = habitReasons(this.around.habit(this.customerId), this.receipt, found);
    this.found.push({
      customerId: this.customerId,
      ...(sum === "surcharge" ? { onAccount: minor(0), surcharge: left } : { onAccount: left }),
      confidence: 0,
      pattern: "",
      score: scoreOf({
        sum,
        numbers,
        who: this.who,
        lines: lines.length,
        foreign: foreign.length,
        unexplained: unexplained.length,
        skipped,
        doubts: doubts.length,
        payerWeight: this.payer?.weight ?? 0,
      }),
      numbers,
      sum,
      who: this.who,
      shape,
      skipped,
      doubts,
      flaws: foreign.length + unexplained.length + skipped + doubts.length,
      lean: habit.length * LEAN,
      bits: (this.payer?.weight ?? 0) + around.rarity(receipt.currency, receipt.amount),
      chance,
      lines: lines.map(({ item, amount, discount }): ReadingLine => ({
        itemId: item.id,
        number: item.number,
        amount,
        discount,
      })),
      reasons: [
        ...this.remitted(numbers),
        ...reasons,
        ...(this.payer?.reasons ?? []),
        ...habit,
        ...this.forGroup(lines),
        ...this.speakingAgainst(),
      ],
    });
  }

  /** Numbers that a reading passes over, and ways in which it may be another. */
  private doubtsOf(found: CandidateFound): { skipped: number; doubts: readonly Doubt[] } {
    const { items, open, unread } = this.named;
    const notes = this.items.some(({ balance }) => balance < 0);
    const told = against(this.told, found, { amount: this.receipt.amount, unread, notes });
    return {
      skipped: found.numbers === "none" ? items.length + open.length : 0,
      doubts: [...(found.doubts ?? []), ...told],
    };
  }

  /** Whether the payer is known to be this very customer, and not just one of its group. */
  readonly isItself: boolean;

  private remitted(numbers: ReferenceQuality): Reason[] {
    const { remittance = [] } = this.receipt;
    return numbers !== "none" && remittance.length > 0 ? [{ code: "remittance" }] : [];
  }

  private forGroup(lines: readonly Part[]): Reason[] {
    const own = lines.every(({ item }) => item.customerId === this.customerId);
    return own ? [] : [{ code: "group" }];
  }

  private speakingAgainst(): Reason[] {
    const { foreign, unexplained } = this.named;
    const against: Reason[] = [];
    if (foreign.length > 0) against.push({ code: "against_number", spots: foreign });
    if (unexplained.length > 0) against.push({ code: "against_unread", spots: unexplained });
    if (this.who === "other") against.push({ code: "against_payer" });
    return against;
  }
}

const LEAN = 3;
/** Credit notes that are tried one by one. */
const MOST_NOTES = 12;
