import type { RowKind } from "@/core/activity/index";
import { plainWords } from "@/core/formats";

import type { Reading } from "../canonical";
import type { Row } from "../cells";
import { kindBegun, sureKind } from "../rowWords";
import { placesOf } from "./kindsInText";

const DISPUTE = /\b(?:[a-z]+ )?(?:chargebacks?|charge back|disputes?|disputed)\b(?: [a-z]+\b)?/;
const OF_DISPUTES: ReadonlySet<RowKind | null> = new Set(["dispute", "dispute_won", "dispute_fee"]);

/**
 * The word of a line's kind. An adjustment whose text tells of a dispute is that: by the words that the
 * text begins with where they are sure, else by those around it, which are asked about.
 */
export function namedDisputes(reading: Reading): (row: Row) => string {
  const places = placesOf(reading);
  return (row) => {
    const word = reading.cells.of(row, "kind");
    if (sureKind(word) !== "adjustment") return word;
    const texts = places.map((at) => row.cells[at] ?? "");
    const told = texts.find((text) => DISPUTE.test(plainWords(text)));
    if (told === undefined) return word;
    const begun = kindBegun(told);
    return OF_DISPUTES.has(sureKind(begun)) ? begun : (DISPUTE.exec(plainWords(told))?.[0] ?? word);
  };
}
