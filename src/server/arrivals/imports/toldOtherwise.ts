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
type Told = {
  line: number;
  kind: ToldKind;
  id: string;
  on: Day;
  amount: Minor;
  payerName: string;
};

/** What a record becomes in the book; nothing where it makes no item, as a debit on its way. */
function toldOf(row: ProcessorRecord): Told[] {
  const { line, externalId: id } = row;
  if (row.kind === "payout")
    return [{ line, kind: row.kind, id, on: row.paidOn, amount: row.net, payerName: "" }];
  const { item } = ROW_KINDS[row.kind];
  const { occurredOn: on, amount, payerName } = row;
  return item === null ? [] : [{ line, kind: item, id, on, amount, payerName }];
}

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
  const ids = new Map<string, string>();
  const found: Told[] = [];
  const byKind = new Map<ToldKind, Told[]>();
  for (const told of records.flatMap(toldOf)) {
    const before = byKind.get(told.kind);
    if (before) before.push(told);
    else byKind.set(told.kind, [told]);
  }
  const isOld = new Map<ToldKind, boolean>();
  // A fee is told by its charge: its sum alone is that of many others.
  const kinds = [...byKind.keys()].sort((a, b) => Number(a === "fee") - Number(b === "fee"));
  for (const kind of kinds) {
    const rows = byKind.get(kind) ?? [];
    const { known, twins } = heldAgainst(rows, itemsOf(ctx, account, kind, rows));
    isOld.set(kind, known || twins.length > 0);
    if (kind === "fee" && isOld.get("charge") === false) continue;
    for (const { row, id } of twins) {
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
    const { item } = ROW_KINDS[row.kind];
    return {
      ...row,
      externalId: otherId(ids, item ?? "charge", row.externalId),
      payoutId: row.payoutId === null ? null : otherId(ids, "payout", row.payoutId),
      relatedId: row.relatedId === null ? null : otherId(ids, "charge", row.relatedId),
    };
  });

const otherId = (ids: ReadonlyMap<string, string>, kind: ToldKind, id: string): string =>
  ids.get(keyOf(kind, id)) ?? id;

/** What the book has of a kind in the days of a file's lines. */
function itemsOf(
  { db }: CommandContext,
  { id }: ProcessorAccountRow,
  kind: ToldKind,
  rows: readonly Told[],
): ToldItem[] {
  let [from, to] = [rows[0]?.on, rows[0]?.on];
  for (const { on } of rows) {
    if (from === undefined || on < from) from = on;
    if (to === undefined || on > to) to = on;
  }
  if (from === undefined || to === undefined) return [];
  return kind === "payout"
    ? payoutsBetween(db, id, [from, to])
    : itemsBetween(db, id, kind, [from, to]);
}

type Held = { known: boolean; twins: { row: Told; id: string }[] };

/** The lines of a kind that the book has under another id; none where it knows some by theirs. */
function heldAgainst(rows: readonly Told[], items: readonly ToldItem[]): Held {
  const ids = new Set(items.map(({ externalId }) => externalId));
  const known = new Set(rows.flatMap(({ id }) => (ids.has(id) ? [id] : [])));
  // The processor's own ids are the same in every export of one sort: what is new of it is new.
  if ([...known].some((id) => !isMade(id))) return { known: true, twins: [] };
  const days = new Set(items.map(({ on }) => on));
  const free = new FreeItems(items.filter(({ externalId }) => !known.has(externalId)));
  const open = rows.filter(({ id, on }) => !known.has(id) && days.has(on));
  const twins = open.flatMap((row) => {
    const twin = free.take(row);
    return twin === null ? [] : [{ row, id: twin.externalId }];
  });
  const isLikely = known.size > 0 || twins.length * 2 >= open.length;
  return { known: known.size > 0, twins: isLikely ? twins : [] };
}

/** Whether an id was made of what its line says, as the file has none; such a line may be written otherwise. */
const isMade = (id: string): boolean => /^[a-z_]+\|\d{4}-\d\d-\d\d\|/.test(id);

/** Of so many items of one day and sum a twin is looked for by a part of its name. */
const MOST_TRIED = 50;

/** What the book has, each to be the twin of one line at the most. */
class FreeItems {
  private readonly bySum = new Map<string, ToldItem[]>();

  constructor(items: readonly ToldItem[]) {
    for (const item of items) {
      const key = `${item.on} ${item.amount}`;
      const same = this.bySum.get(key);
      if (same) same.push(item);
      else this.bySum.set(key, [item]);
    }
  }

  take({ on, amount, payerName }: Told): ToldItem | null {
    const same = this.bySum.get(`${on} ${amount}`) ?? [];
    const words = wordsOfName(payerName);
    const whole = words.join(" ");
    const exact = same.findIndex((item) => wordsOfName(item.payerName).join(" ") === whole);
    const at =
      exact >= 0
        ? exact
        : same
            .slice(0, MOST_TRIED)
            .findIndex((item) => shareWords(wordsOfName(item.payerName), words));
    return at < 0 ? null : (same.splice(at, 1)[0] ?? null);
  }
}
