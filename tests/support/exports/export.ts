import { tableText } from "./written";

/** A line of an export, and what it says; null where it is no record: a total, a balance, no money. */
export type Line = { readonly cells: readonly string[]; readonly row: string | null };

/** A list as some program would export it, before it is text. */
export type Export = {
  readonly kind: "bank" | "processor" | "invoices";
  readonly above: readonly (readonly string[])[];
  readonly head: readonly string[];
  readonly lines: readonly Line[];
  readonly delimiter: string;
};

/** An export as text, and what it says in the order of its words. */
export type Truth = {
  readonly text: string;
  readonly kind: string;
  readonly rows: readonly string[];
};

export const truthOf = ({ kind, above, head, lines, delimiter }: Export): Truth => ({
  text: tableText([...above, head, ...lines.map(({ cells }) => cells)], delimiter),
  kind,
  rows: lines.flatMap(({ row }) => row ?? []).sort(),
});
