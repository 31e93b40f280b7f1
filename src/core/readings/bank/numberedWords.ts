import { plainWords } from "@/core/formats";

import type { Cells, Row } from "../cells";

/** Heads of words that stand in several columns: `Description 1`, `Beschreibung2`. */
const NUMBERED =
  /^(description|beschreibung|details?|narrative|memo|text|verwendungszweck|libelle|descripcion|omschrijving) ?([1-9])$/;

/** The first of such columns, where none has the words alone. */
export const firstNumbered = (heads: readonly string[]): string | undefined =>
  heads.find((head) => NUMBERED.exec(plainWords(head))?.[2] === "1");

/** What the others say of a line, where its words are those of the first. */
export function otherWords(cells: Cells): (row: Row) => string[] {
  const [, stem] = NUMBERED.exec(plainWords(cells.head("description"))) ?? [];
  if (stem === undefined) return () => [];
  const others = cells.unread().filter(({ head }) => NUMBERED.exec(plainWords(head))?.[1] === stem);
  return (row) => others.map(({ at }) => (row.cells[at] ?? "").trim());
}
