import type { ActivityRecord } from "@/core/formats";
import { LARGEST_TOTAL } from "@/core/gate";
import { add } from "@/core/money";
import { looseAdvice } from "@/db/remittances";
import type { CommandContext } from "@/server/runtime/context";

/**
 * New charges and fees of a dry run on which nothing else rests. Nothing of a dry run stays, and so
 * they are not written line by line: those of one payout and day are written together, as what they
 * come to is all that payouts, their ties and the accounts ask for.
 */
export class Together {
  private readonly rows = new Map<string, ActivityRecord>();

  private constructor(
    /** Charges that something else names: a row of the file, or something in the book. */
    private readonly named: readonly ReadonlySet<string>[],
  ) {}

  /** Null in earnest, and where advice waits: it may be that of any receipt. */
  static inDryRun(
    { db, who }: CommandContext,
    activity: readonly ActivityRecord[],
    named: readonly ReadonlySet<string>[],
  ): Together | null {
    if (who.rehearse !== true || looseAdvice(db).length > 0) return null;
    return new Together([namedIn(activity), ...named]);
  }

  /** Whether it took the row, so that it need not be written by itself. */
  takes(row: ActivityRecord): boolean {
    if (row.kind !== "charge" && row.kind !== "fee") return false;
    if (row.kind === "charge" && this.named.some((ids) => ids.has(row.externalId))) return false;
    const { kind, settledOn, currency, payoutId } = row;
    const key = `${kind} ${settledOn} ${currency} ${payoutId ?? "none"}`;
    const before = this.rows.get(key);
    // What no sum can hold is written by itself, and refused where the account is added up.
    if (before && Math.abs(before.amount + row.amount) > LARGEST_TOTAL) return false;
    if (before) before.amount = add(before.amount, row.amount);
    else this.rows.set(key, { ...row, externalId: `${key} together`, relatedId: null });
    return true;
  }

  /** What they come to: a row for each payout, day and kind. */
  sums(): ActivityRecord[] {
    return [...this.rows.values()].filter(({ amount }) => amount !== 0);
  }
}

/** Charges that a row of the file is about: a refund, what is only on its way; a fee asks nothing of its charge. */
function namedIn(activity: readonly ActivityRecord[]): Set<string> {
  const named = new Set<string>();
  for (const { kind, externalId, relatedId } of activity) {
    if (kind === "started") named.add(externalId);
    if (kind !== "fee" && relatedId !== null) named.add(relatedId);
  }
  return named;
}
