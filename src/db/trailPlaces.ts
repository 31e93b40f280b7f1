import type { Db } from "./connection";

/** A table whose rows the trail follows: by which columns a row is known, and what of it counts. */
export type Place = {
  readonly name: string;
  readonly key: readonly string[];
  readonly columns: readonly string[];
  /** Whether rows are known by one whole number, which grows as they come. */
  readonly isNumbered: boolean;
};

/** Tables that the trail follows in another way, or that are the trail itself. */
const APART: ReadonlySet<string> = new Set([
  "command",
  "act",
  "entry",
  "entry_line",
  "posting",
  "trail",
  "trail_run",
  "trail_start",
  // What mail servers say comes between commands.
  "address_back",
]);

/** The index of words and its parts: made of what is followed already, by triggers. */
const isIndex = (name: string): boolean => name.startsWith("item_words");

/** What changes between commands: how far a letter is on its way. */
const BETWEEN_COMMANDS: Readonly<Record<string, readonly string[]>> = {
  letter: ["delivery", "reached", "tries", "next_try", "came_back"],
};

/** All tables that the trail follows row by row, by name. */
export function trailPlaces(db: Db): Place[] {
  return db
    .all<{ name: string }>(
      "SELECT name FROM main.sqlite_schema WHERE type = 'table' AND name NOT LIKE 'sqlite\\_%' ESCAPE '\\' ORDER BY name",
    )
    .filter(({ name }) => !APART.has(name) && !isIndex(name))
    .map(({ name }) => placeOf(db, name));
}

function placeOf(db: Db, name: string): Place {
  const columns = db.all<{ name: string; pk: number; type: string }>(
    "SELECT name, pk, type FROM pragma_table_info(?) ORDER BY cid",
    name,
  );
  const keys = columns.filter(({ pk }) => pk > 0).sort((a, b) => a.pk - b.pk);
  const key = keys.map((column) => column.name);
  const left = BETWEEN_COMMANDS[name] ?? [];
  return {
    name,
    key: key.length > 0 ? key : ["rowid"],
    columns: columns.map((column) => column.name).filter((column) => !left.includes(column)),
    isNumbered: keys.length === 0 || (keys.length === 1 && keys[0]?.type === "INTEGER"),
  };
}

/** A row's key as one text, like `[17]`. `of` is the table's name in the statement. */
export const keyOf = ({ key }: Place, of: string): string =>
  `json_array(${key.map((column) => `${of}."${column}"`).join(", ")})`;

/** A row's columns as one text. */
export const valuesOf = ({ columns }: Place, of: string): string =>
  `json_array(${columns.map((column) => `${of}."${column}"`).join(", ")})`;
