import type { Reading } from "../../canonical";
import type { Question } from "../../types";
import { type Found, type List, NOTHING_FOUND } from "./addedUp";
import { countFoots } from "./countFoots";
import { totalsAbove } from "./totalsAbove";
import { totalsFoot } from "./totalsFoot";

/**
 * Totals among the lines of a list, and above it, held against what its lines come to; and how many it says it has.
 * @param open What is asked of the lines already.
 */
export function totalsOf(reading: Reading, open: readonly Question[], list: List): Found {
  // What came in and went out is known once it is known which way each sum goes.
  const isSigned = !open.some(({ key }) => key === "signs" || key.startsWith("word:"));
  const among = totalsFoot(reading, list);
  const above = isSigned ? totalsAbove(reading, list) : NOTHING_FOUND;
  const count = countFoots(reading, list);
  return {
    questions: [...among.questions, ...above.questions, ...count.questions],
    proofs: [...among.proofs, ...above.proofs, ...count.proofs],
  };
}
