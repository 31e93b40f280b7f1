import type { Proposal } from "@/core/matching";
import { proposalsOf } from "@/server/match/proposals";

import { taskBook } from "./taskBook";

/** Matches a whole book in a thread of the pool. */
export default function matchBook({ book }: { book: string }): Proposal[] {
  return proposalsOf(taskBook(book));
}
