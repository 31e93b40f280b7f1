import { plainWords } from "@/core/formats";

import type { Cells, Row } from "../../cells";
import { sureKind, sureState } from "../../rowWords";
import { isDead } from "./flagWords";

/** Heads of how the payout of a line stands. */
const HEAD = /^(?:payout|transfer to bank|disbursement) (?:status|state)$/;

/**
 * How a payout is on its way says nothing of what is in it, and of the payout alone whether it is money.
 * What is in one that failed may be sent with another.
 */
export function payoutTest(
  cells: Cells,
  head: string,
): ((cell: string, row: Row) => boolean) | null {
  if (!HEAD.test(plainWords(head))) return null;
  return (cell, row) =>
    sureState(cell) === "none" ||
    (sureKind(cells.of(row, "kind")) === "payout" && isDead("processor", cell));
}
