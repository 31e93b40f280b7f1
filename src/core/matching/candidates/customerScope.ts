import { daysBetween } from "@/core/calendar";
import { add, minor, type Minor, sumOf } from "@/core/money";

import type { Memo } from "../memo/mention";
import { namedIn, type ReferencedItems, type ReferenceQuality } from "../memo/scope";
import type { PayerIndex } from "../payers/payers";
import type { Habit, MatchItem, MatchReceipt, Payer, ReadingLine, Reason, Spot } from "../types";
import type { AmountFit, Draft, PayerCertainty } from "./candidate";
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
};

/** A reading as it was found. `doubt`: in how many ways it may be another; `shape`: how it is calibrated. */
export type CandidateFound = {
  lines: readonly Part[];
  sum: AmountFit;
  numbers: ReferenceQuality;
  reasons: readonly Reason[];
  doubt?: number;
  shape?: string;
};

/** One customer (with its sites, where it is the head office) as the one a receipt may be for. */
export class CustomerScope {
  readonly items: readonly MatchItem[];
  readonly named: ReferencedItems;
  readonly payer: Payer | undefined;
  readonly who: PayerCertainty;
  readonly found: Draft[] = [];

  constructor(
    readonly receipt: MatchReceipt,
    readonly customerId: number,
    { memo, payers }: { memo: Memo; payers: readonly Payer[] },
    readonly around: MatchContext,
  ) {
    const group = around.payers.group(customerId);
    const inGroup = payers.filter((payer) => around.payers.group(payer.customerId) === group);
    this.payer = inGroup.find((payer) => payer.customerId === customerId) ?? inGroup[0];
    this.who = whoIs(this.payer, payers);
    const scope = around.scope(customerId);
    this.items = scope.every((item) => item.currency === receipt.currency)
      ? scope
      : scope.filter((item) => item.currency === receipt.currency);
    this.named = namedIn(memo, this.items, this.payer, receipt.amount);
  }

  onTop(sum: Minor): Reason {
    return { code: "surcharge", sum, percent: this.around.surchargePercent };
  }

  spotsOf(items: readonly MatchItem[]): Spot[] {
    return items.flatMap(({ id }) => this.named.spots.get(id) ?? []);
  }

  /** Keeps a reading, unless it would give out more than came in. */
  add({ lines, sum, numbers, reasons, doubt = 0, shape = "" }: CandidateFound): void {
    const left = add(this.receipt.amount, -sumOf(lines, (line) => line.amount));
    if (left < 0) return;
    const { foreign, unexplained } = this.named;
    const skipped = numbers === "none" ? this.named.items.length : 0;
    const habit = this.habitOf(lines, numbers);
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
        doubt,
        payerWeight: this.payer?.weight ?? 0,
      }),
      numbers,
      sum,
      who: this.who,
      shape,
      flaws: foreign.length + unexplained.length + skipped + doubt,
      lean: habit.length * LEAN,
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
        ...this.against(),
      ],
    });
  }

  private remitted(numbers: ReferenceQuality): Reason[] {
    const { remittance = [] } = this.receipt;
    return numbers !== "none" && remittance.length > 0 ? [{ code: "remittance" }] : [];
  }

  private forGroup(lines: readonly Part[]): Reason[] {
    const own = lines.every(({ item }) => item.customerId === this.customerId);
    return own ? [] : [{ code: "group" }];
  }

  private against(): Reason[] {
    const { foreign, unexplained } = this.named;
    const against: Reason[] = [];
    if (foreign.length > 0) against.push({ code: "against_number", spots: foreign });
    if (unexplained.length > 0) against.push({ code: "against_unread", spots: unexplained });
    if (this.who === "other") against.push({ code: "against_payer" });
    return against;
  }

  /**
   * Where nothing but the sum speaks: whether the customer is known to pay one item at a time, or
   * several, and so long after the due day.
   */
  private habitOf(
    lines: readonly Part[],
    numbers: ReferenceQuality,
  ): Extract<Reason, { code: "habit" | "usual_day" }>[] {
    const habit = this.around.habit(this.customerId);
    if (
      numbers !== "none" ||
      lines.length === 0 ||
      habit === undefined ||
      habit.receipts < HABIT_FROM
    )
      return [];
    const found: Extract<Reason, { code: "habit" | "usual_day" }>[] = [];
    const share = habit.several / habit.receipts;
    if (lines.length > 1 && share >= 0.75) found.push({ code: "habit", how: "several" });
    if (lines.length === 1 && share <= 0.25) found.push({ code: "habit", how: "single" });
    const { late } = habit;
    if (
      late !== null &&
      late !== undefined &&
      lines.every(
        ({ item }) =>
          Math.abs(daysBetween(item.dueOn, this.receipt.paidOn) - late) <= USUAL_WITHIN_DAYS,
      )
    )
      found.push({ code: "usual_day", late });
    return found;
  }
}

/** Receipts from which on a habit counts, and how far one leans. */
const HABIT_FROM = 4;
const LEAN = 3;
const USUAL_WITHIN_DAYS = 3;
