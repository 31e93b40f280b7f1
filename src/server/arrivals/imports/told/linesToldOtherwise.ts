import { addDays, type Day } from "@/core/calendar";
import type { BankRecord } from "@/core/formats";
import type { Minor } from "@/core/money";
import {
  type BankAccountRow,
  type BankLineRow,
  bankLineByExternalId,
  bankLinesBetween,
} from "@/db/bank";
import type { CommandContext } from "@/server/runtime/context";

import { shareWords, wordsOfName } from "./alikeWords";
import type { StatementLine } from "./continuedDay";
import { listOf } from "./entryOf";
import type { WrittenAs } from "./sameShape";

/** Lines of a statement that the book has under other ids or words, each by its id, with what says so. */
export type LinesToldOtherwise = {
  readonly twins: ReadonlyMap<string, BankLineRow>;
  /** Whether some stand there on another day, and whether some are several of one sum. */
  readonly isNear: boolean;
  readonly isTogether: boolean;
  /** Lines that the book does not know by their ids. */
  readonly fresh: readonly BankRecord[];
};

/** A line is booked, and of value, within so many days. */
const DAYS_APART = 4;
const APART = Array.from({ length: DAYS_APART }, (_, at) => [-at - 1, at + 1]).flat();
/** Of so many lines of a day, sums of several are no sign of anything. */
const MOST_OF_A_DAY = 100;

const NONE: LinesToldOtherwise = {
  twins: new Map(),
  isNear: false,
  isTogether: false,
  fresh: [],
};

/**
 * One statement comes in several exports: with the bank's ids and without, by day of booking or of
 * value, each check of a deposit or the deposit alone. Lines that the book does not know by their ids
 * are held against those that it has: by day and sum; by sum on a day near it, and by the sum of
 * several of a day, against what came in another export alone, where half of the lines are told so.
 * Where some of the bank's own ids are known, its new ones are new.
 */
export function linesToldOtherwise(
  ctx: CommandContext,
  account: BankAccountRow,
  rows: readonly StatementLine[],
  written: WrittenAs,
): LinesToldOtherwise {
  const told = rows.map((row) => ({ row, known: knownLine(ctx, account.id, row) }));
  if (told.some(({ row, known }) => known && row.formerId === null)) return NONE;
  const used = new Set(told.flatMap(({ known }) => known?.id ?? []));
  const fresh = told.flatMap(({ row, known }) => (known || row.continues ? [] : [row]));
  const isOther = (line: BankLineRow): boolean => !written.isOf(line.fileId);
  const held = new HeldAgainst(linesNear(ctx, account, fresh), used, isOther);
  for (const row of fresh) held.sameDay(row);
  const same = held.twins.size;
  const open = held.besideSome(fresh);
  const near = held.near(open);
  const together = held.together(open.filter(({ externalId }) => !near.has(externalId)));
  const isLikely = (same + near.size + together.size) * 2 >= same + open.length;
  return {
    twins: new Map([...held.twins, ...(isLikely ? [...near, ...together] : [])]),
    isNear: isLikely && near.size > 0,
    isTogether: isLikely && together.size > 0,
    fresh,
  };
}

/** A line of the book that is the same, by its identity or the one that it had before. */
export const knownLine = (
  ctx: CommandContext,
  accountId: number,
  row: BankRecord,
): BankLineRow | undefined =>
  bankLineByExternalId(ctx.db, accountId, row.externalId) ??
  (row.formerId === null ? undefined : bankLineByExternalId(ctx.db, accountId, row.formerId));

/** What the book has of the days of a statement, and of those near it. */
function linesNear(
  { db }: CommandContext,
  { id }: BankAccountRow,
  rows: readonly BankRecord[],
): BankLineRow[] {
  const days = rows.map(({ postedOn }) => postedOn).sort();
  const [from, to] = [days[0], days.at(-1)];
  if (from === undefined || to === undefined) return [];
  return bankLinesBetween(db, id, [addDays(from, -DAYS_APART), addDays(to, DAYS_APART)]);
}

/** The lines of the book that can still be one of the file, by their days and sums. */
class HeldAgainst {
  readonly twins = new Map<string, BankLineRow>();
  private readonly byDay = new Map<Day, BankLineRow[]>();
  private readonly bySum = new Map<string, BankLineRow[]>();

  constructor(
    lines: readonly BankLineRow[],
    private readonly used: Set<number>,
    /** Lines of another export, which may tell of a day or a sum otherwise. */
    private readonly isOther: (line: BankLineRow) => boolean,
  ) {
    for (const line of lines) {
      listOf(this.bySum, `${line.postedOn} ${line.amount}`).push(line);
      if (isOther(line)) listOf(this.byDay, line.postedOn).push(line);
    }
  }

  /** The nth of a day and sum is the nth, so that two stay two. */
  sameDay(row: BankRecord): void {
    const twin = this.ofSum(row.postedOn, row.amount).find(({ id }) => !this.used.has(id));
    if (twin) this.take(row, twin, this.twins);
  }

  /** Lines that may be told otherwise: another export has some of the days near them. */
  besideSome(rows: readonly BankRecord[]): BankRecord[] {
    return rows.filter(
      ({ externalId, postedOn }) =>
        !this.twins.has(externalId) && around(postedOn).some((day) => this.byDay.has(day)),
    );
  }

  /** The same sum a few days away, of a line that says something of the same. */
  near(rows: readonly BankRecord[]): Map<string, BankLineRow> {
    const near = new Map<string, BankLineRow>();
    for (const row of rows) {
      const words = wordsOfName(row.description);
      const twin = around(row.postedOn)
        .flatMap((day) => this.ofSum(day, row.amount))
        .find(
          (line) =>
            !this.used.has(line.id) &&
            this.isOther(line) &&
            shareWords(wordsOfName(line.description), words),
        );
      if (twin) this.take(row, twin, near);
    }
    return near;
  }

  /** Neighbours of one day that come to one line, or one that comes to neighbours. */
  together(rows: readonly BankRecord[]): Map<string, BankLineRow> {
    const together = new Map<string, BankLineRow>();
    const byDay = new Map<Day, BankRecord[]>();
    for (const row of rows) listOf(byDay, row.postedOn).push(row);
    for (const [day, ofDay] of byDay) {
      if (ofDay.length > MOST_OF_A_DAY) continue;
      for (const line of this.free(day))
        for (const row of runOf(this.left(ofDay, together), line.amount))
          this.take(row, line, together);
      for (const row of this.left(ofDay, together))
        for (const line of runOf(this.free(day), row.amount)) this.take(row, line, together);
    }
    return together;
  }

  private left(rows: readonly BankRecord[], taken: ReadonlyMap<string, unknown>): BankRecord[] {
    return rows.filter(({ externalId }) => !taken.has(externalId));
  }

  private take(row: BankRecord, line: BankLineRow, into: Map<string, BankLineRow>): void {
    this.used.add(line.id);
    into.set(row.externalId, line);
  }

  private ofSum(day: Day, amount: Minor): BankLineRow[] {
    return this.bySum.get(`${day} ${amount}`) ?? [];
  }

  private free(day: Day): BankLineRow[] {
    const lines = (this.byDay.get(day) ?? []).filter(({ id }) => !this.used.has(id));
    return lines.length > MOST_OF_A_DAY ? [] : lines;
  }
}

/** A day and those near it, the nearest first. */
const around = (day: Day): Day[] => [0, ...APART].map((apart) => addDays(day, apart));

/** Neighbours of one side, two at least, that come to a sum; none where no such run does. */
function runOf<T extends { amount: Minor }>(lines: readonly T[], sum: Minor): T[] {
  const side = lines.filter(({ amount }) => amount > 0 === sum > 0);
  for (let from = 0; from < side.length; from += 1) {
    let total = 0;
    for (let to = from; to < side.length && Math.abs(total) < Math.abs(sum); to += 1) {
      total += side[to]?.amount ?? 0;
      if (total === sum && to > from) return side.slice(from, to + 1);
    }
  }
  return [];
}
