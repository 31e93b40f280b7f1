import { plainWords } from "@/core/formats";

import type { Cells, Row } from "./cells";

/** Whose name it is, which a head may say before it. */
const OF = "(?:(?:customer|client|payer|billing|contact|buyer|cardholder|card holder|donor) )?";
const FIRST = new RegExp(`^${OF}(?:first(?: name)?|given name|vorname|prenom|nombre)$`);
const LAST = new RegExp(
  `^${OF}(?:last(?: name)?|surname|family name|nachname|nom de famille|apellidos?|cognome)$`,
);

/** Somebody's name by columns of its two parts; empty where a line has none. */
export function personName(cells: Cells): (row: Row) => string {
  const places = [FIRST, LAST].map((words) =>
    cells.file.table.headers.findIndex((head) => words.test(plainWords(head))),
  );
  if (places.some((at) => at < 0)) return () => "";
  return (row) =>
    places
      .map((at) => (row.cells[at] ?? "").trim())
      .join(" ")
      .trim();
}
