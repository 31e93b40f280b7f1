import { daysBetween } from "@/core/calendar";
import { add, minor, type Minor, parseAmount, sumOf, toDecimal } from "@/core/money";

import type { Memo } from "../memo/memo";
import { type ReferencedItems, namedIn, type ReferenceQuality } from "../memo/scope";
import type { PayerIndex } from "../payers/payers";
import type { Habit, MatchItem, MatchReceipt, Payer, ReadingLine, Reason, Spot } from "../types";
import {
  type Draft,
  type AmountFit,
  sumKind,
  sumReasons,
  type PayerCertainty,
  whole,
  withoutRepeats,
} from "./candidate";
import { choices, oldestShape, whoIs } from "./choices";
import { exactWays, fill, type Part, partsOf, subsetsOf } from "./sums";

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

const NAMED: Partial<Record<AmountFit, number>> = {
  exact: 40,
  surcharge: 39,
  discount: 39,
  credit: 37,
  told: 37,
  late: 33,
  mended: 30,
  part: 30,
  over: 26,
  short: 20,
};
const SUMS: Partial<Record<AmountFit, number>> = {
  single: 18,
  surcharge: 16,
  discount: 16,
  all: 15,
  credit: 12,
  due: 12,
  late: 9,
  several: 6,
  oldest: 2,
  account: 0,
};
const READ: Record<ReferenceQuality, number> = {
  whole: 0,
  digits: -2,
  order: -4,
  damaged: -7,
  none: 0,
};
const WHO: Record<PayerCertainty, number> = {
  certain: 14,
  likely: 8,
  weak: 2,
  unknown: 0,
  other: -16,
};

/** Every reading of one receipt worth showing, best first, against the items that are still free. */
export function readingsOf(receipt: MatchReceipt, around: MatchContext): Draft[] {
  const memo = around.memo(textOf(receipt));
  const payers = around.payers.find(receipt);
  const drafts: Draft[] = [];
  for (const customerId of candidates(payers, memo, around.payers))
    drafts.push(...new Scope(receipt, customerId, memo, payers, around).readings());
  return withoutRepeats(drafts);
}

/** What a receipt says: its memo, and behind it the lines of its remittance, each number with its sum. */
export function textOf({ reference, remittance, currency }: MatchReceipt): string {
  return remittance === undefined || remittance.length === 0
    ? reference
    : [
        reference,
        ...remittance.map(({ number, amount }) => `${number} ${toDecimal(amount, currency)}`),
      ].join(" ; ");
}

/** The groups of customers that a receipt could be for, whatever is open at them. */
export function groupsFor(receipt: MatchReceipt, around: MatchContext): number[] {
  return [
    ...new Set(
      candidates(around.payers.find(receipt), around.memo(textOf(receipt)), around.payers).map(
        (id) => around.payers.group(id),
      ),
    ),
  ];
}

function candidates(payers: readonly Payer[], memo: Memo, index: PayerIndex): number[] {
  const ids = new Set<number>();
  for (const mention of memo.mentions)
    for (const item of [...mention.items, ...mention.orders].slice(0, 12)) ids.add(item.customerId);
  for (const { customerId } of payers.slice(0, 5)) ids.add(customerId);
  for (const id of [...ids]) ids.add(index.group(id));
  return [...ids];
}

type CandidateFound = {
  lines: readonly Part[];
  sum: AmountFit;
  numbers: ReferenceQuality;
  reasons: readonly Reason[];
  doubt?: /*TODO*/ number;
  shape?: /*TODO*/ string;
};

/** One customer (with its sites, where it is the head office) as the one a receipt may be for. */
class Scope {
  private readonly items: readonly MatchItem[];
  private readonly named: ReferencedItems;
  private readonly payer: Payer | undefined;
  private readonly who: PayerCertainty;
  private readonly made: Draft[] = [];

  constructor(
    private readonly receipt: MatchReceipt,
    private readonly customerId: number,
    memo: Memo,
    payers: readonly Payer[],
    private readonly around: MatchContext,
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

  readings(): Draft[] {
    const { named } = this;
    if (named.items.length > 0 || named.open.length > 0) this.fromNumbers();
    if (this.payer && this.who !== "other") this.fromSums();
    return this.made;
  }

  /** Lists with a choice are settled by the sum; what cannot be settled is read as far as it is sure. */
  private fromNumbers(): void {
    const { named, receipt } = this;
    const exact = this.exactOf(choices(named));
    // Words that seem to leave a number out, where the sum has it in.
    const withOut =
      exact.length === 0 && named.out.length > 0
        ? this.exactOf([[...named.items, ...named.out]])
        : [];
    for (const parts of [...exact, ...withOut].slice(0, 4))
      this.add({
        lines: parts,
        sum: sumKind(parts),
        numbers: named.how,
        reasons: [this.saidNumbers(parts), ...sumReasons(parts), ...this.leftOut()],
        doubt: exact.length > 1 ? 1 : withOut.length,
      });
    if (exact.length > 0 || withOut.length > 0) return;
    const items = named.items;
    if (!items.some(({ balance }) => balance > 0)) return;
    const full = sumOf(items, (item) => item.balance);
    const said = this.saidNumbers(items.map((item) => ({ item })));
    const stated = this.statedParts(items);
    if (stated)
      this.add({
        lines: stated,
        sum: "told",
        numbers: named.how,
        reasons: [said, { code: "sums_beside", count: named.stated.size }],
        doubt: named.open.length,
      });
    const mended = this.mended(items);
    if (mended.length === 1)
      for (const parts of mended)
        this.add({
          lines: parts,
          sum: "mended",
          numbers: named.how,
          reasons: [said, { code: "mended", count: parts.length }],
          doubt: named.open.length,
        });
    const off = add(receipt.amount, -full);
    if (off > 0 && off === this.around.surcharge(receipt.method, full))
      return this.add({
        lines: items.map((item) => whole(item)),
        sum: "surcharge",
        numbers: named.how,
        reasons: [said, this.onTop(off)],
        doubt: named.open.length + named.out.length,
      });
    const filled = fill(items, receipt.amount).map(({ item, amount }) => whole(item, amount));
    const rest =
      named.open.length +
      named.out.length +
      (stated ? 0 : this.toldOtherwise(off > 0 ? items.map((item) => whole(item)) : filled));
    if (off > 0)
      this.add({
        lines: items.map((item) => whole(item)),
        sum: "over",
        numbers: named.how,
        reasons: [said, { code: "against_over", by: off }],
        doubt:
          rest +
          this.overTooMuch(items, off, full) +
          (mended.length > 1 || named.sums > named.stated.size ? 1 : 0),
      });
    else
      this.add({
        lines: filled,
        sum:
          items.filter(({ balance }) => balance > 0).length === 1 && items.length === 1
            ? "part"
            : "short",
        numbers: named.how,
        reasons: [
          said,
          ...(off < 0 && this.around.credit(this.customerId) === -off
            ? [{ code: "on_account", sum: minor(-off) } as const]
            : []),
          { code: "against_short", by: minor(-off) },
        ],
        doubt: rest,
      });
  }

  private exactOf(lists: readonly MatchItem[][]): Part[][] {
    return lists.flatMap((items) => this.ways(items));
  }

  private leftOut(): Reason[] {
    return this.named.out.length === 0
      ? []
      : [
          {
            code: "left_out",
            numbers: this.named.out.map(({ number }) => number),
            spots: this.spotsOf(this.named.out),
          },
        ];
  }

  /** Sums that stand beside the numbers, if with them the list comes out; each at most what is open. */
  private statedParts(items: readonly MatchItem[]): Part[] | null {
    if (this.named.stated.size === 0 || this.named.open.length > 0) return null;
    const parts = items.map((item) => {
      const written = this.named.stated.get(item.id);
      const parsed =
        written === undefined ? null : parseAmount(written.replaceAll(",", ""), ".", item.currency);
      return whole(item, parsed?.ok ? parsed.value : item.balance);
    });
    const fits = parts.every(({ item, amount }) =>
      item.balance > 0 ? amount > 0 && amount <= item.balance : amount === item.balance,
    );
    return fits && sumOf(parts, ({ amount }) => amount) === this.receipt.amount ? parts : null;
  }

  /** An overpayment that could have paid something else that is open is no mere overpayment. */
  private overTooMuch(items: readonly MatchItem[], off: Minor, full: Minor): 0 | 1 {
    return this.items.some(
      (item) =>
        item.balance > 0 &&
        !items.includes(item) &&
        (item.balance === off || (off * 20 > full && item.balance <= off)),
    )
      ? 1
      : 0;
  }

  /** A sum beside a number that says something else than the reading does. */
  private toldOtherwise(parts: readonly Part[]): 0 | 1 {
    return parts.some(({ item, amount }) => {
      const stated = this.named.stated.get(item.id);
      return (
        stated !== undefined &&
        Number(stated.replace(/\D/g, "")) !== amount &&
        Number(stated.replace(/\D/g, "")) !== item.total
      );
    })
      ? 1
      : 0;
  }

  private saidNumbers(parts: readonly { item: MatchItem }[]): Reason {
    const how =
      this.named.how === "whole" || this.named.how === "none"
        ? "whole"
        : this.named.how === "damaged"
          ? "near"
          : "digits";
    return this.named.how === "order"
      ? {
          code: "po",
          number: parts[0]?.item.poNumber ?? "",
          spots: this.spotsOf(parts.map(({ item }) => item)),
        }
      : {
          code: "numbers",
          numbers: parts.map(({ item }) => item.number),
          how,
          spots: this.spotsOf(parts.map(({ item }) => item)),
        };
  }

  private onTop(sum: Minor): Reason {
    return { code: "surcharge", sum, percent: this.around.surchargePercent };
  }

  private spotsOf(items: readonly MatchItem[]): Spot[] {
    return items.flatMap(({ id }) => this.named.spots.get(id) ?? []);
  }

  /**
   * Ways the items come to the sum: whole, less discounts, or with a credit note of the customer
   * taken off.
   */
  private ways(items: readonly MatchItem[]): Part[][] {
    const found = exactWays(items, this.receipt.amount, this.receipt.paidOn, this.around.graceDays);
    if (found.length > 0) return found;
    const notes = this.items.filter((item) => item.balance < 0 && !items.includes(item));
    for (const note of [...notes.map((note) => [note]), ...(notes.length > 1 ? [notes] : [])]) {
      const taken = exactWays(
        items,
        minor(this.receipt.amount - sumOf(note, (item) => item.balance)),
        this.receipt.paidOn,
        this.around.graceDays,
      );
      if (taken.length > 0)
        return taken.map((parts) => [...parts, ...note.map((item) => whole(item))]);
    }
    return [];
  }

  /** One number of a list left out, missing or wrong, where only one item makes the sum come out. */
  private mended(items: readonly MatchItem[]): Part[][] {
    const full = sumOf(items, (item) => item.balance);
    const rest = this.items.filter((item) => item.balance > 0 && !items.includes(item));
    const found: MatchItem[][] = [];
    // Equal ones go oldest first.
    const missing = rest.filter((item) => item.balance === this.receipt.amount - full).slice(0, 1);
    for (const item of missing) found.push([...items, item]);
    for (const left of items.length > 1 ? items : []) {
      const others = items.filter((item) => item !== left);
      const wanted = this.receipt.amount - full + left.balance;
      if (wanted === 0) found.push(others);
      for (const item of rest.filter(({ balance }) => balance === wanted))
        found.push([...others, item]);
    }
    return found.map((list) => list.map((item) => whole(item)));
  }

  private fromSums(): void {
    const { receipt, items } = this;
    const due = items.filter((item) => item.balance > 0);
    const equal = due.filter((item) => item.balance === receipt.amount);
    const [oldest] = equal;
    if (oldest)
      this.add({
        lines: [whole(oldest)],
        sum: "single",
        numbers: "none",
        reasons: [
          { code: "sum_one", number: oldest.number },
          ...(equal.length > 1 ? [{ code: "equal_items", count: equal.length } as const] : []),
        ],
        doubt:
          equal.length > 1 &&
          (this.named.loose || equal.some(({ customerId }) => customerId !== oldest.customerId))
            ? 1
            : 0,
      });
    for (const item of due.slice(0, 60)) {
      const part = partsOf(item, receipt.paidOn, this.around.graceDays)[1];
      if (part?.amount === receipt.amount)
        this.add({
          lines: [part],
          sum: part.inTime ? "discount" : "late",
          numbers: "none",
          reasons: [{ code: "sum_one", number: item.number }, ...sumReasons([part])],
        });
    }
    const topped = due.find(
      (item) =>
        this.around.surcharge(receipt.method, item.balance) > 0 &&
        item.balance + this.around.surcharge(receipt.method, item.balance) === receipt.amount,
    );
    if (topped)
      this.add({
        lines: [whole(topped)],
        sum: "surcharge",
        numbers: "none",
        reasons: [
          { code: "sum_one", number: topped.number },
          this.onTop(add(receipt.amount, -topped.balance)),
        ],
      });
    for (const note of items.filter((item) => item.balance < 0)) {
      const less = due.find((item) => item.balance + note.balance === receipt.amount);
      if (less && items.length > 2)
        this.add({
          lines: [whole(less), whole(note)],
          sum: "credit",
          numbers: "none",
          reasons: [
            { code: "sum_one", number: less.number },
            { code: "credit_note", numbers: [note.number] },
          ],
        });
    }
    const all = sumOf(items, (item) => item.balance);
    if (items.length > 1 && all === receipt.amount)
      this.add({
        lines: items.map((item) => whole(item)),
        sum: "all",
        numbers: "none",
        reasons: [{ code: "sum_all_open", count: items.length }],
      });
    const past = due.filter((item) => item.dueOn <= receipt.paidOn);
    if (
      past.length > 1 &&
      past.length < due.length &&
      sumOf(past, (item) => item.balance) === receipt.amount
    )
      this.add({
        lines: past.map((item) => whole(item)),
        sum: "due",
        numbers: "none",
        reasons: [{ code: "sum_several", count: past.length }],
      });
    // The oldest so many, as people pay who work down a statement.
    let [running, oldestSo] = [0, 0];
    for (const item of due.slice(0, 60)) {
      running += item.balance;
      oldestSo += 1;
      if (
        running === receipt.amount &&
        oldestSo > 1 &&
        oldestSo < due.length &&
        oldestSo !== past.length
      )
        this.add({
          lines: due.slice(0, oldestSo).map((matchItem) => whole(matchItem)),
          sum: "due",
          numbers: "none",
          reasons: [{ code: "sum_several", count: oldestSo }],
        });
    }
    for (const subset of due.length > 2
      ? subsetsOf(due, receipt.amount).slice(0, due.length > 12 ? 4 : 12)
      : [])
      if (subset.length < items.length)
        this.add({
          lines: subset.map((item) => whole(item)),
          sum: "several",
          numbers: "none",
          reasons: [{ code: "sum_several", count: subset.length }],
        });
    if (due.length > 0 && !oldest) {
      const filled = fill(due, receipt.amount);
      const off = add(receipt.amount, -sumOf(filled, ({ item }) => item.balance));
      this.add({
        lines: filled.map(({ item, amount }) => whole(item, amount)),
        sum: "oldest",
        numbers: "none",
        reasons: [
          off > 0 ? { code: "against_over", by: off } : { code: "against_short", by: minor(-off) },
        ],
        doubt: 0,
        shape: `${oldestShape(filled.length, due.length, off)}${/\d/.test(textOf(this.receipt)) ? " digits" : ""}`,
      });
    }
    this.add({ lines: [], sum: "account", numbers: "none", reasons: [] });
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

  private add({ lines, sum, numbers, reasons, doubt = 0, shape = "" }: CandidateFound): void {
    const left = add(this.receipt.amount, -sumOf(lines, (line) => line.amount));
    const [onAccount, surcharge] = sum === "surcharge" ? [minor(0), left] : [left, null];
    if (left < 0) return;
    const { foreign, unexplained } = this.named;
    const skipped = numbers === "none" ? this.named.items.length : 0;
    const flaws = foreign.length + unexplained.length + skipped + doubt;
    const against: Reason[] = [];
    if (foreign.length > 0) against.push({ code: "against_number", spots: foreign });
    if (unexplained.length > 0) against.push({ code: "against_unread", spots: unexplained });
    if (this.who === "other") against.push({ code: "against_payer" });
    const base = (numbers === "none" ? SUMS[sum] : NAMED[sum]) ?? 0;
    const score =
      base +
      READ[numbers] +
      WHO[this.who] -
      foreign.length * 9 -
      unexplained.length * 5 -
      skipped * 9 -
      doubt * 4 -
      (sum === "several" ? lines.length : 0) -
      (sum === "late" ? 1 : 0) +
      Math.min(4, (this.payer?.weight ?? 0) / 8);
    const habit = this.habitOf(lines, numbers);
    const remitted =
      numbers !== "none" &&
      this.receipt.remittance !== undefined &&
      this.receipt.remittance.length > 0;
    const ownItems = lines.every(({ item }) => item.customerId === this.customerId);
    this.made.push({
      customerId: this.customerId,
      onAccount,
      ...(surcharge === null ? {} : { surcharge }),
      confidence: 0,
      pattern: "",
      score,
      numbers,
      sum,
      who: this.who,
      shape,
      flaws,
      lean: habit.length * LEAN,
      lines: lines.map(({ item, amount, discount }): ReadingLine => ({
        itemId: item.id,
        number: item.number,
        amount,
        discount,
      })),
      reasons: [
        ...(remitted ? [{ code: "remittance" } as const] : []),
        ...reasons,
        ...(this.payer?.reasons ?? []),
        ...habit,
        ...(ownItems || lines.length === 0 ? [] : [{ code: "group" } as const]),
        ...against,
      ],
    });
  }
}

/** Receipts from which on a habit counts, and how far one leans. */
const HABIT_FROM = 4;
const LEAN = 3;
const USUAL_WITHIN_DAYS = 3;
