import { type ProcessorItemKind, ROW_KINDS } from "@/core/activity";
import { addDays, type Day } from "@/core/calendar";
import type { ProcessorRecord } from "@/core/formats";
import { add, type Minor, minor } from "@/core/money";
import { itemsBetween, payoutsBetween, type ToldItem } from "@/db/itemsToldOtherwise";
import type { ProcessorAccountRow } from "@/db/processorAccounts";
import type { CommandContext } from "@/server/runtime/context";

import { HeldAgainst, type Told, type Twin } from "./heldAgainst";
import { type Writing, WrittenAs } from "./sameShape";

/** Lines of a file that stand in the book by day and sum under other ids, each with its item there. */
export type ToldOtherwise = {
  readonly items: ReadonlyMap<string, ToldItem>;
  readonly lines: ReadonlySet<number>;
  /** The first of them. */
  readonly first: { readonly on: Day; readonly amount: Minor } | null;
  /** Whether some have what a fee leaves of the others, and whether some stand on a day near theirs. */
  readonly isAtNet: boolean;
  readonly isNear: boolean;
};

type ToldKind = ProcessorItemKind | "payout";

/** The kind of item that a record becomes in the book; null where it makes none, as a debit on its way. */
const kindOf = (row: ProcessorRecord): ToldKind | null =>
  row.kind === "payout" ? "payout" : ROW_KINDS[row.kind].item;
const dayOf = (row: ProcessorRecord): Day => (row.kind === "payout" ? row.paidOn : row.occurredOn);

const keyOf = (kind: ToldKind, id: string): string => `${kind}\u0000${id}`;

/**
 * One account's activity comes in several exports, and each may number its lines otherwise: a charge
 * under the id of its balance entry, or without any. Of each kind of item of which no id is known, the
 * lines are held against what the book has of the same days; where half of those of its days stand
 * there by their sums, one is as likely to be told twice as not. Who paid the same on the day before or
 * after is the same too, in another sort of export: it may be in another zone.
 */
export function toldOtherwise(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  { records, writing }: { records: readonly ProcessorRecord[]; writing: Writing },
): ToldOtherwise {
  const written = new WrittenAs(ctx.db, writing);
  const byKind = booksOf(ctx, account, records, written);
  const fees = feesBeside(records);
  for (const row of records) {
    const kind = kindOf(row);
    if (kind !== null) byKind.get(kind)?.hold(toldBy(row, fees));
  }
  const items = new Map<string, ToldItem>();
  const found: Twin[] = [];
  const charges = byKind.get("charge");
  for (const [kind, book] of byKind) {
    // A fee is told by its charge: its sum alone is that of many others.
    if (kind === "fee" && charges && !charges.isOld()) continue;
    for (const twin of book.twins()) {
      items.set(keyOf(kind, twin.row.id), twin.item);
      found.push(twin);
    }
  }
  found.sort((a, b) => a.row.line - b.row.line);
  return {
    items,
    lines: new Set(found.map(({ row }) => row.line)),
    first: found[0]?.row ?? null,
    isAtNet: found.some(({ row, item }) => row.amount !== item.amount),
    isNear: found.some(({ row, item }) => row.on !== item.on),
  };
}

/** What fees leave of the charges that they stand beside, in one line. */
type FeesBeside = ReadonlyMap<string, Minor>;

function feesBeside(records: readonly ProcessorRecord[]): FeesBeside {
  const lines = new Map<string, number>();
  const fees = new Map<string, Minor>();
  for (const row of records) {
    if (row.kind === "charge") lines.set(row.externalId, row.line);
    else if (row.kind === "fee" && row.relatedId !== null && lines.get(row.relatedId) === row.line)
      fees.set(row.relatedId, add(fees.get(row.relatedId) ?? minor(0), row.amount));
  }
  return fees;
}

function toldBy(row: ProcessorRecord, fees: FeesBeside): Told {
  const { line, externalId: id } = row;
  const on = dayOf(row);
  if (row.kind === "payout") return { line, id, on, amount: row.net, net: row.net, payerName: "" };
  const { amount, payerName } = row;
  const fee = row.kind === "charge" ? fees.get(id) : undefined;
  return { line, id, on, amount, net: add(amount, fee ?? minor(0)), payerName };
}

/**
 * The records as the book numbers them, and what refers to them. A charge of which one tells what its
 * fee left, and the other all, stays as the book has it, with or without its fee.
 */
export function underKnownIds(
  records: readonly ProcessorRecord[],
  { items }: ToldOtherwise,
): ProcessorRecord[] {
  const atNet = new Map<string, number>();
  return records.flatMap((row): ProcessorRecord[] => {
    const item = items.get(keyOf(kindOf(row) ?? "charge", row.externalId));
    const externalId = item?.externalId ?? row.externalId;
    if (row.kind === "payout") return [{ ...row, externalId }];
    const isOfNet = row.relatedId !== null && atNet.get(row.relatedId) === row.line;
    if (row.kind === "fee" && isOfNet) return [];
    const amount = row.kind === "charge" && item ? item.amount : row.amount;
    if (amount !== row.amount) atNet.set(row.externalId, row.line);
    const payoutId = otherId(items, "payout", row.payoutId);
    const relatedId = otherId(items, "charge", row.relatedId);
    return [{ ...row, externalId, amount, payoutId, relatedId }];
  });
}

const otherId = (
  items: ToldOtherwise["items"],
  kind: ToldKind,
  id: string | null,
): string | null => (id === null ? null : (items.get(keyOf(kind, id))?.externalId ?? id));

/** What the book has of each kind in the days of a file's lines. */
function booksOf(
  { db }: CommandContext,
  { id }: ProcessorAccountRow,
  records: readonly ProcessorRecord[],
  written: WrittenAs,
): Map<ToldKind, HeldAgainst> {
  const spans = new Map<ToldKind, [Day, Day]>();
  for (const row of records) {
    const kind = kindOf(row);
    if (kind === null) continue;
    const on = dayOf(row);
    const span = spans.get(kind);
    if (!span) spans.set(kind, [on, on]);
    else if (on < span[0]) span[0] = on;
    else if (on > span[1]) span[1] = on;
  }
  return new Map(
    [...spans].map(([kind, span]) => [kind, heldAgainst(db, id, { kind, span, written })]),
  );
}

/** Two exports may be in two zones; of a payout one may say when it was sent, another when it arrived. */
function heldAgainst(
  db: CommandContext["db"],
  accountId: number,
  { kind, span, written }: { kind: ToldKind; span: readonly [Day, Day]; written: WrittenAs },
): HeldAgainst {
  const isOther = ({ fileId }: ToldItem): boolean => !written.isOf(fileId);
  return kind === "payout"
    ? new HeldAgainst(payoutsBetween(db, accountId, wider(span, DAYS_TO_ARRIVE)), {
        days: DAYS_TO_ARRIVE,
        named: false,
        isOther,
      })
    : new HeldAgainst(itemsBetween(db, accountId, kind, wider(span, 1)), {
        days: 1,
        named: true,
        isOther,
      });
}

/** From the day on which a payout is sent to that of its arrival, over a weekend (common practice, no source). */
const DAYS_TO_ARRIVE = 5;

const wider = ([from, to]: readonly [Day, Day], days: number): [Day, Day] => [
  addDays(from, -days),
  addDays(to, days),
];
