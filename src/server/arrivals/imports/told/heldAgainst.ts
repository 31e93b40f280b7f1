import { addDays, type Day } from "@/core/calendar";
import type { Minor } from "@/core/money";
import type { ToldItem } from "@/db/itemsToldOtherwise";

import { shareWords, wordsOfName } from "./alikeWords";
import { entryOf, listOf } from "./entryOf";

/** A record by what tells it from others; `net` is what its fee leaves of it. */
export type Told = {
  readonly line: number;
  readonly id: string;
  readonly on: Day;
  readonly amount: Minor;
  readonly net: Minor;
  readonly payerName: string;
};

/** A line, and the item of the book that it may be. */
export type Twin = { readonly row: Told; readonly item: ToldItem };

/** How many days two exports may lie apart, whether only where both say who paid, and which items are of another. */
type Apart = {
  readonly days: number;
  readonly named: boolean;
  readonly isOther: (item: ToldItem) => boolean;
};

/** Of so many names of one day and sum one is looked for by a part of it. */
const MOST_TRIED = 50;

/** Items of one day and sum by the name of who paid, in plain words. */
type ByName = Map<string, ToldItem[]>;
type BySum = Map<Minor, ByName>;

/**
 * The items of a kind that the book has, and the lines of a file that are held against them: a file may
 * have hundreds of thousands, of which only those are kept that could be one of these.
 */
export class HeldAgainst {
  private readonly byDay = new Map<Day, BySum>();
  /** Those of another sort of export, which may tell of a day otherwise. */
  private readonly others = new Map<Day, BySum>();
  /** The same by what their fees leave of them. */
  private readonly byNet = new Map<Day, BySum>();
  private readonly beside = new Map<Day, readonly Day[]>();
  private readonly ids = new Set<string>();
  private readonly known = new Set<string>();
  private readonly like: Told[] = [];
  private readonly used = new Set<string>();
  /** Lines of these days, or like one of a day beside, that the book does not know by their ids. */
  private open = 0;
  private found: readonly Twin[] | null = null;

  constructor(
    items: readonly ToldItem[],
    private readonly apart: Apart,
  ) {
    for (const item of items) {
      this.ids.add(item.externalId);
      const words = wordsOfName(item.payerName).join(" ");
      keep(this.byDay, item, [item.amount, words]);
      if (apart.isOther(item)) keep(this.others, item, [item.amount, words]);
      if (item.net !== item.amount) keep(this.byNet, item, [item.net, words]);
    }
  }

  hold(row: Told): void {
    const { id, on, amount } = row;
    if (this.ids.has(id)) {
      this.known.add(id);
      return;
    }
    const isNear =
      (row.payerName !== "" || !this.apart.named) &&
      this.daysBeside(on).some((day) => has(this.others, day, amount));
    if (isNear || this.byDay.has(on)) this.open += 1;
    if (isNear || has(this.byDay, on, amount) || this.isAtNet(row)) this.like.push(row);
  }

  /** Whether the book has some of the lines already. */
  isOld(): boolean {
    return this.known.size > 0 || this.twins().length > 0;
  }

  /** The lines that the book has under another id; none where it knows some by the processor's own. */
  twins(): readonly Twin[] {
    return (this.found ??= this.likely());
  }

  private likely(): Twin[] {
    // The processor's ids are the same in every export of one sort: what is new of it is new.
    if ([...this.known].some((id) => !isMade(id))) return [];
    const twins = this.pairs();
    return this.known.size > 0 || twins.length * 2 >= this.open ? twins : [];
  }

  /** Two zones give two days for one moment: what is of the same day goes before what is of the next. */
  private pairs(): Twin[] {
    const ofTheDay = this.like.map((row) => ({ row, own: this.ofDay(row) }));
    return ofTheDay.flatMap(({ row, own }) => {
      const item = own ?? this.takenBeside(row) ?? this.atNet(row);
      return item === undefined ? [] : [{ row, item }];
    });
  }

  private ofDay(row: Told): ToldItem | undefined {
    return this.taken(this.byDay.get(row.on)?.get(row.amount), row.payerName);
  }

  /** The same of a day beside. */
  private takenBeside({ on, amount, payerName }: Told): ToldItem | undefined {
    const { named } = this.apart;
    if (named && payerName === "") return undefined;
    for (const day of this.daysBeside(on)) {
      const item = this.taken(this.others.get(day)?.get(amount), payerName, { named });
      if (item !== undefined) return item;
    }
    return undefined;
  }

  private isAtNet({ on, amount, net }: Told): boolean {
    return has(this.byNet, on, amount) || (net !== amount && has(this.byDay, on, net));
  }

  /** One export may give what customers paid, another what the fees left of it. */
  private atNet({ on, amount, net, payerName }: Told): ToldItem | undefined {
    const less = this.taken(this.byNet.get(on)?.get(amount), payerName);
    if (less !== undefined || net === amount) return less;
    return this.taken(this.byDay.get(on)?.get(net), payerName);
  }

  /** Of the days before and after one, those of which the book has items, the nearest first. */
  private daysBeside(on: Day): readonly Day[] {
    return entryOf(this.beside, on, () =>
      Array.from({ length: this.apart.days }, (_, at) => [
        addDays(on, -at - 1),
        addDays(on, at + 1),
      ])
        .flat()
        .filter((day) => this.others.has(day)),
    );
  }

  /** The first item that can be a line, which is then that of no other. */
  private taken(
    names: ByName = new Map(),
    payerName: string,
    { named = false } = {},
  ): ToldItem | undefined {
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
    while (
      item !== undefined &&
      (this.known.has(item.externalId) || this.used.has(item.externalId))
    )
      item = items.shift();
    if (item !== undefined) this.used.add(item.externalId);
    return item;
  }
}

function keep(days: Map<Day, BySum>, item: ToldItem, [sum, words]: readonly [Minor, string]): void {
  const sums = entryOf(days, item.on, (): BySum => new Map());
  const names = entryOf(sums, sum, (): ByName => new Map());
  listOf(names, words).push(item);
}

const has = (days: ReadonlyMap<Day, BySum>, day: Day, sum: Minor): boolean =>
  days.get(day)?.has(sum) === true;

/** Whether an id was made of what its line says, as the file has none; such a line may be written otherwise. */
const isMade = (id: string): boolean => /^[a-z_]+\|\d{4}-\d\d-\d\d\|/.test(id);
