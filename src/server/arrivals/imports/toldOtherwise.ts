import { type ProcessorItemKind, ROW_KINDS } from "@/core/activity";
import type { Day } from "@/core/calendar";
import type { ProcessorRecord } from "@/core/formats";
import type { Minor } from "@/core/money";
import { itemsBetween, payoutsBetween, type ToldItem } from "@/db/itemsToldOtherwise";
import type { ProcessorAccountRow } from "@/db/processorAccounts";
import type { CommandContext } from "@/server/runtime/context";

import { shareWords, wordsOfName } from "./alikeWords";

/** Lines of a file that stand in the book by day and sum under other ids, each with its id there. */
export type ToldOtherwise = {
  readonly ids: ReadonlyMap<string, string>;
  readonly lines: ReadonlySet<number>;
  /** The first of them. */
  readonly first: { readonly on: Day; readonly amount: Minor } | null;
};

type ToldKind = ProcessorItemKind | "payout";
/** A record by what tells it from others. */
type Told = { line: number; id: string; on: Day; amount: Minor; payerName: string };

/** The kind of item that a record becomes in the book; null where it makes none, as a debit on its way. */
const kindOf = (row: ProcessorRecord): ToldKind | null =>
  row.kind === "payout" ? "payout" : ROW_KINDS[row.kind].item;
const dayOf = (row: ProcessorRecord): Day => (row.kind === "payout" ? row.paidOn : row.occurredOn);

const keyOf = (kind: ToldKind, id: string): string => `${kind}\u0000${id}`;

/**
 * One account's activity comes in several exports, and each may number its lines otherwise: a charge
 * under the id of its balance entry, or without any. Of each kind of item of which no id is known, the
 * lines are held against what the book has of the same days; where half of those of its days stand
 * there by their sums, one is as likely to be told twice as not.
 */
export function toldOtherwise(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  records: readonly ProcessorRecord[],
): ToldOtherwise {
  const byKind = booksOf(ctx, account, records);
  for (const row of records) {
    const kind = kindOf(row);
    if (kind !== null) byKind.get(kind)?.hold(row);
  }
  const ids = new Map<string, string>();
  const found: Told[] = [];
  const charges = byKind.get("charge");
  for (const [kind, book] of byKind) {
    // A fee is told by its charge: its sum alone is that of many others.
    if (kind === "fee" && charges && !charges.isOld()) continue;
    for (const { row, id } of book.twins()) {
      ids.set(keyOf(kind, row.id), id);
      found.push(row);
    }
  }
  found.sort((a, b) => a.line - b.line);
  return { ids, lines: new Set(found.map(({ line }) => line)), first: found[0] ?? null };
}

/** The records as the book numbers them, and what refers to them. */
export const underKnownIds = (
  records: readonly ProcessorRecord[],
  { ids }: ToldOtherwise,
): ProcessorRecord[] =>
  records.map((row) => {
    if (row.kind === "payout")
      return { ...row, externalId: otherId(ids, "payout", row.externalId) };
    return {
      ...row,
      externalId: otherId(ids, kindOf(row) ?? "charge", row.externalId),
      payoutId: row.payoutId === null ? null : otherId(ids, "payout", row.payoutId),
      relatedId: row.relatedId === null ? null : otherId(ids, "charge", row.relatedId),
    };
  });

const otherId = (ids: ReadonlyMap<string, string>, kind: ToldKind, id: string): string =>
  ids.get(keyOf(kind, id)) ?? id;

/** What the book has of each kind in the days of a file's lines. */
function booksOf(
  { db }: CommandContext,
  { id }: ProcessorAccountRow,
  records: readonly ProcessorRecord[],
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
    [...spans].map(([kind, span]) => [
      kind,
      new HeldAgainst(
        kind === "payout" ? payoutsBetween(db, id, span) : itemsBetween(db, id, kind, span),
      ),
    ]),
  );
}

/** Of so many names of one day and sum one is looked for by a part of it. */
const MOST_TRIED = 50;

/** Items of one day and sum by the name of who paid, in plain words. */
type ByName = Map<string, ToldItem[]>;

/**
 * The items of a kind that the book has, and the lines of a file that are held against them: a file may
 * have hundreds of thousands, of which only those are kept that could be one of these.
 */
class HeldAgainst {
  private readonly byDay = new Map<Day, Map<Minor, ByName>>();
  private readonly ids = new Set<string>();
  private readonly known = new Set<string>();
  private readonly like: Told[] = [];
  /** Lines of these days that the book does not know by their ids. */
  private open = 0;
  private found: { row: Told; id: string }[] | null = null;

  constructor(items: readonly ToldItem[]) {
    for (const item of items) {
      this.ids.add(item.externalId);
      const sums = entryOf(this.byDay, item.on, () => new Map<Minor, ByName>());
      const names = entryOf(sums, item.amount, (): ByName => new Map());
      entryOf(names, wordsOfName(item.payerName).join(" "), (): ToldItem[] => []).push(item);
    }
  }

  hold(row: ProcessorRecord): void {
    const { line, externalId: id } = row;
    const on = dayOf(row);
    if (this.ids.has(id)) this.known.add(id);
    const sums = this.byDay.get(on);
    if (!sums || this.ids.has(id)) return;
    this.open += 1;
    const amount = row.kind === "payout" ? row.net : row.amount;
    const payerName = row.kind === "payout" ? "" : row.payerName;
    if (sums.has(amount)) this.like.push({ line, id, on, amount, payerName });
  }

  /** Whether the book has some of the lines already. */
  isOld(): boolean {
    return this.known.size > 0 || this.twins().length > 0;
  }

  /** The lines that the book has under another id; none where it knows some by the processor's own. */
  twins(): readonly { row: Told; id: string }[] {
    return (this.found ??= this.likely());
  }

  private likely(): { row: Told; id: string }[] {
    // The processor's ids are the same in every export of one sort: what is new of it is new.
    if ([...this.known].some((id) => !isMade(id))) return [];
    const twins = this.like.flatMap((row) => {
      const twin = this.taken(row);
      return twin === undefined ? [] : [{ row, id: twin.externalId }];
    });
    return this.known.size > 0 || twins.length * 2 >= this.open ? twins : [];
  }

  /** The first item that can be a line, which is then that of no other. */
  private taken({ on, amount, payerName }: Told): ToldItem | undefined {
    const names = this.byDay.get(on)?.get(amount) ?? (new Map() as ByName);
    const words = wordsOfName(payerName);
    const exact = this.free(names.get(words.join(" ")));
    if (exact !== undefined) return exact;
    for (const [name, items] of [...names].slice(0, MOST_TRIED))
      if (shareWords(wordsOfName(name), words)) {
        const item = this.free(items);
        if (item !== undefined) return item;
      }
    return undefined;
  }

  private free(items: ToldItem[] = []): ToldItem | undefined {
    let item = items.shift();
    while (item !== undefined && this.known.has(item.externalId)) item = items.shift();
    return item;
  }
}

function entryOf<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  const before = map.get(key);
  if (before !== undefined) return before;
  const made = make();
  map.set(key, made);
  return made;
}

/** Whether an id was made of what its line says, as the file has none; such a line may be written otherwise. */
const isMade = (id: string): boolean => /^[a-z_]+\|\d{4}-\d\d-\d\d\|/.test(id);
