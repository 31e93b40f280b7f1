import { type Day, dayOfNumber } from "@/core/calendar";
import { type ItemSums } from "@/core/followup";
import { type Aging, BUCKETS } from "@/core/metrics";
import { minor, type Minor } from "@/core/money";

/**
 * What a customer's open items come to, for follow-up; `notes` are its credit notes, positive. Sums
 * in the book's currency.
 */
export type FollowSums = { readonly sums: ItemSums; readonly aging: Aging; readonly notes: Minor };

/** What the database sums up of one customer. */
export type Summed = Omit<Aging, "total"> & {
  id: number;
  late: Minor;
  lateFirst: Day | null;
  ahead: Minor;
  aheadFirst: Day | null;
  notes: Minor;
};

/** What customers have open, a column each, a place for each customer; days are day numbers. */
export class MoveSums {
  private readonly buckets: readonly Float64Array[];
  private readonly late: Float64Array;
  private readonly lateFirst: Float64Array;
  private readonly soon: Float64Array;
  private readonly soonFirst: Float64Array;
  private readonly notes: Float64Array;
  private readonly some: Float64Array;

  constructor(
    size: number,
    private readonly ahead: number,
  ) {
    const column = (): Float64Array => new Float64Array(size);
    this.buckets = BUCKETS.map(column);
    this.late = column();
    this.lateFirst = column();
    this.soon = column();
    this.soonFirst = column();
    this.notes = column();
    this.some = column();
  }

  take(at: number, sum: number, dueOn: number, now: number): void {
    const days = now - dueOn;
    this.some[at] = 1;
    count(this.buckets[ageBucket(days)], at, sum);
    if (sum < 0) count(this.notes, at, -sum);
    else if (days > 0) since({ sums: this.late, firsts: this.lateFirst, at, sum, on: dueOn });
    else if (this.ahead > 0 && -days <= this.ahead)
      since({ sums: this.soon, firsts: this.soonFirst, at, sum, on: dueOn });
  }

  found(): Map<number, FollowSums> {
    const found = new Map<number, FollowSums>();
    for (let id = 0; id < this.some.length; id += 1)
      if (this.some[id] === 1) found.set(id, this.of(id));
    return found;
  }

  private of(id: number): FollowSums {
    const sum = (column: Float64Array | undefined): Minor => minor(column?.[id] ?? 0);
    const first = (column: Float64Array): Day | null =>
      column[id] ? dayOfNumber(column[id]) : null;
    const [not_due, d1_30, d31_60, d61_90, over_90] = this.buckets;
    return finished({
      late: sum(this.late),
      lateFirst: first(this.lateFirst),
      ahead: sum(this.soon),
      aheadFirst: first(this.soonFirst),
      notes: sum(this.notes),
      not_due: sum(not_due),
      d1_30: sum(d1_30),
      d31_60: sum(d31_60),
      d61_90: sum(d61_90),
      over_90: sum(over_90),
    });
  }
}

function ageBucket(days: number): number {
  if (days <= 0) return 0;
  if (days <= 30) return 1;
  if (days <= 60) return 2;
  if (days <= 90) return 3;
  return 4;
}

function count(sums: Float64Array | undefined, at: number, by: number): void {
  if (sums) sums[at] = (sums[at] ?? 0) + by;
}

type OpenSince = {
  sums: Float64Array;
  firsts: Float64Array;
  at: number;
  sum: number;
  on: number;
};

/** Counts a sum, and keeps the earliest day of all that were. */
function since({ sums, firsts, at, sum, on }: OpenSince): void {
  count(sums, at, sum);
  const known = firsts[at] ?? 0;
  if (known === 0 || on < known) firsts[at] = on;
}

export function finished({
  late,
  lateFirst,
  ahead,
  aheadFirst,
  notes,
  not_due,
  d1_30,
  d31_60,
  d61_90,
  over_90,
}: Omit<Summed, "id">): FollowSums {
  return {
    sums: {
      late,
      lateFirst,
      lateNamed: late,
      lateNamedFirst: lateFirst,
      ahead,
      aheadFirst,
      leftOut: null,
      leftOutFirst: null,
    },
    notes,
    aging: {
      not_due,
      d1_30,
      d31_60,
      d61_90,
      over_90,
      total: minor(not_due + d1_30 + d31_60 + d61_90 + over_90),
    },
  };
}
