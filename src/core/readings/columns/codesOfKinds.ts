import { type FileKind, headWords } from "@/core/formats";

import type { Contents } from "./contents";

/** Columns of codes that say something else than what a line is. */
const OF_CARDS =
  /\b(card|brand|scheme|network|entry|mode|currency|ccy|country|state|region|terminal|language|avs|cvv|cvc|response|tax|capture|size|grade|class|colou?r|unit|store|location|channel|warehouse|agent|rep)\b/;
/** So many different codes are kinds. */
const MOST_CODES = 6;

/** What lines are by codes of one or two letters, as terminals print them: `S`, `R`, `V`; each is asked about. */
export const codesIn = (
  kind: FileKind,
  free: readonly string[],
  cellsOf: Contents,
): string | undefined =>
  kind === "processor"
    ? free.find((head) => {
        const cells = cellsOf(head);
        const codes = new Set(cells);
        const isFew = codes.size > 1 && codes.size <= MOST_CODES && codes.size * 2 <= cells.length;
        const areCodes = cells.every((cell) => /^[A-Z]{1,2}$/.test(cell));
        const areFlags = [...codes].every((code) => /^[YNTF]$/.test(code));
        return isFew && areCodes && !areFlags && !OF_CARDS.test(headWords(head));
      })
    : undefined;
