import type { z } from "zod";

import type { Day } from "@/core/calendar";
import type { Proposal } from "@/core/matching";
import { type Currency, toDecimal } from "@/core/money";
import type { Db } from "@/db/connection";
import { readSettings, type Settings } from "@/db/settings";

import type { Sheet } from "./sheets";

/** What a sheet is made from. `sum` writes minor units of the book's currency as decimal text. */
export type SheetContext<Query> = {
  db: Db;
  settings: Settings;
  currency: Currency;
  today: Day;
  proposals: readonly Proposal[];
  query: Query;
  sum: (amount: number) => string;
};

/** What stands in a column for a row. */
export type SheetCell<Row, Query> = (row: Row, context: SheetContext<Query>) => string;

/** A file that a page or the command line gives: what may be asked, its columns, its rows. */
export type SheetDefinition<Schema extends z.ZodType, Row> = {
  name: string;
  query: Schema;
  rows: (context: SheetContext<z.output<Schema>>) => readonly Row[];
  /** The columns by their names in the file, in its order. */
  columns: Record<string, SheetCell<Row, z.output<Schema>>>;
};

/** A sheet that can be made without knowing what its rows are. */
export type AnySheet = {
  name: string;
  columns: readonly string[];
  make: (from: Omit<SheetContext<unknown>, "settings" | "currency" | "sum">) => Sheet;
};

/**
 * @example defineSheet({ name: "trail", query: noQuery, rows: ({ db }) => lastActs(db, 10, 0),
 * columns: { at: (act) => act.at } })
 */
export function defineSheet<Schema extends z.ZodType, Row>(
  definition: SheetDefinition<Schema, Row>,
): AnySheet {
  const columns = Object.keys(definition.columns);
  const cells = Object.values(definition.columns);
  return {
    name: definition.name,
    columns,
    make(from) {
      const context = contextOf(from, definition.query.parse(from.query));
      const rows = definition.rows(context).map((row) => cells.map((cell) => cell(row, context)));
      return { columns, rows };
    },
  };
}

/** A sheet whose columns depend on what is asked. */
export function defineFreeSheet<Schema extends z.ZodType>(definition: {
  name: string;
  query: Schema;
  sheet: (context: SheetContext<z.output<Schema>>) => Sheet;
}): AnySheet {
  return {
    name: definition.name,
    columns: [],
    make: (from) => definition.sheet(contextOf(from, definition.query.parse(from.query))),
  };
}

function contextOf<Query>(
  from: Parameters<AnySheet["make"]>[0],
  query: Query,
): SheetContext<Query> {
  const settings = readSettings(from.db);
  const { currency } = settings;
  return { ...from, settings, currency, query, sum: (amount) => toDecimal(amount, currency) };
}

/** A column for each name of a list, as buckets of an aging have. */
export function columnsFor<Name extends string, Row, Query>(
  names: readonly Name[],
  cellOf: (name: Name) => SheetCell<Row, Query>,
): Record<string, SheetCell<Row, Query>> {
  return Object.fromEntries(names.map((name) => [name, cellOf(name)]));
}
