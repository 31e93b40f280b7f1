import { type ProcessorItemKind, ROW_KINDS } from "@/core/activity";
import { addDays, type Day } from "@/core/calendar";
import type { ProcessorRecord } from "@/core/formats";
import type { Minor } from "@/core/money";
import { itemsBetween, payoutsBetween, type ToldItem } from "@/db/itemsToldOtherwise";
import type { ProcessorAccountRow } from "@/db/processorAccounts";
import type { CommandContext } from "@/server/runtime/context";

import { shareWords, wordsOfName } from "./alikeWords";
import { entryOf, listOf } from "./entryOf";

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
 * there by their sums, one is as likely to be told twice as not. Who paid the same on the day before or
 * after is the same too: two exports may be in two zones.
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
        kind === "payout" ? payoutsBetween(db, id, span) : itemsBetween(db, id, kind, wider(span)),
      ),
    ]),
  );
}

const wider = ([from, to]: readonly [Day, Day]): [Day, Day] => [addDays(from, -1), addDays(to, 1)];

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
  private readonly beside = new Map<Day, readonly Day[]>();
  private readonly ids = new Set<string>();
  private readonly known = new Set<string>();
  private readonly like: Told[] = [];
  /** Lines of these days, or like one of the day beside, that the book does not know by their ids. */
  private open = 0;
  private found: { row: Told; id: string }[] | null = null;

  constructor(items: readonly ToldItem[]) {
    for (const item of items) {
      this.ids.add(item.externalId);
      const sums = entryOf(this.byDay, item.on, () => new Map<Minor, ByName>());
      const names = entryOf(sums, item.amount, (): ByName => new Map());
      listOf(names, wordsOfName(item.payerName).join(" ")).push(item);
    }
  }

  hold(row: ProcessorRecord): void {
    const { line, externalId: id } = row;
    const on = dayOf(row);
    if (this.ids.has(id)) {
      this.known.add(id);
      return;
    }
    const amount = row.kind === "payout" ? row.net : row.amount;
    const payerName = row.kind === "payout" ? "" : row.payerName;
    const isNear = payerName !== "" && this.daysBeside(on).some((day) => this.has(day, amount));
    if (isNear || this.byDay.has(on)) this.open += 1;
    if (isNear || this.has(on, amount)) this.like.push({ line, id, on, amount, payerName });
  }

  private has(day: Day, amount: Minor): boolean {
    return this.byDay.get(day)?.has(amount) === true;
  }

  /** Of the days before and after one, those of which the book has items. */
  private daysBeside(on: Day): readonly Day[] {
    return entryOf(this.beside, on, () =>
      [addDays(on, -1), addDays(on, 1)].filter((day) => this.byDay.has(day)),
    );
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
    // Two zones give two days for one moment: what is of the same day goes before what is of the next.
    const ofTheDay = this.like.map((row) => ({ row, twin: this.taken(row, row.on) }));
    const twins = ofTheDay.flatMap(({ row, twin: own }) => {
      const twin = own ?? this.takenBeside(row);
      return twin === undefined ? [] : [{ row, id: twin.externalId }];
    });
    return this.known.size > 0 || twins.length * 2 >= this.open ? twins : [];
  }

  /** The same of the day before or after, where both say who paid. */
  private takenBeside(row: Told): ToldItem | undefined {
    if (row.payerName === "") return undefined;
    for (const day of this.daysBeside(row.on)) {
      const twin = this.taken(row, day, { named: true });
      if (twin !== undefined) return twin;
    }
    return undefined;
  }

  /** The first item of a day that can be a line, which is then that of no other. */
  private taken(
    { amount, payerName }: Told,
    on: Day,
    { named = false } = {},
  ): ToldItem | undefined {
    const names = this.byDay.get(on)?.get(amount) ?? (new Map() as ByName);
    const words = wordsOfName(payerName);
    const exact = this.free(names.get(words.join(" ")));
    if (exact !== undefined) return exact;
    for (const [name, items] of [...names].slice(0, MOST_TRIED))
      if (!(named && name === "") && shareWords(wordsOfName(name), words)) {
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

/** Whether an id was made of what its line says, as the file has none; such a line may be written otherwise. */
const isMade = (id: string): boolean => /^[a-z_]+\|\d{4}-\d\d-\d\d\|/.test(id);
