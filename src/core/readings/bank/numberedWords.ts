import { plainWords } from "@/core/formats";

import type { Cells, Row } from "../cells";

/** Heads of words that stand in several columns: `Description 1`, `Beschreibung2`. */
const NUMBERED =
  /^(description|beschreibung|details?|narrative|memo|text|verwendungszweck|libelle|descripcion|omschrijving) ?([1-9])$/;

/** The first of such columns, where none has the words alone. */
export const firstNumbered = (heads: readonly string[]): string | undefined =>
  heads.find((head) => NUMBERED.exec(plainWords(head))?.[2] === "1");

/** Heads of what stands beside the words of a line and says who paid, and what for. */
const BESIDE =
  /^(?:(?:extended|additional|full|long|further) (?:description|details?|info|information|text|narrative)|memo|addenda|remittance(?: info| information| details)?|payment details)$/;

/** What other columns say of a line: more of its words, where they are numbered, and those that stand beside them. */
export function otherWords(cells: Cells): (row: Row) => string[] {
  const [, stem] = NUMBERED.exec(plainWords(cells.head("description"))) ?? [];
  const others = cells.unread().filter(({ head }) => {
    const plain = plainWords(head);
    return BESIDE.test(plain) || (stem !== undefined && NUMBERED.exec(plain)?.[1] === stem);
  });
  if (others.length === 0) return () => [];
  return (row) => {
    const said = cells.of(row, "description");
    return others
      .map(({ at }) => (row.cells[at] ?? "").trim())
      .filter((text) => !said.includes(text));
  };
}
