/** What SQLite is given for a column. */
export type Value = string | number | null;
