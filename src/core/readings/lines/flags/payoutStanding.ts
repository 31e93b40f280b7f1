import { plainWords } from "@/core/formats";

import type { Cells, Row } from "../../cells";
import { sureKind } from "../../rowWords";
import { isDead } from "./flagWords";

/** Heads of how the payout of a line stands. */
const HEAD = /^(?:payout|transfer to bank|disbursement) (?:status|state)$/;

/** How a payout stands says nothing of what is in it, and of the payout alone whether it is money. */
export function payoutTest(
  cells: Cells,
  head: string,
): ((cell: string, row: Row) => boolean) | null {
  if (!HEAD.test(plainWords(head))) return null;
  return (cell, row) => sureKind(cells.of(row, "kind")) === "payout" && isDead("processor", cell);
}
