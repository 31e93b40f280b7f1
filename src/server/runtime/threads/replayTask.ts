import type { ReplayFacts } from "@/contracts/replay";
import { readSettings } from "@/db/settings";
import { replayOf } from "@/server/match/queries/replay";

import { todayOf } from "../context";
import { taskBook } from "./taskBook";

/** Replays the last months of a book in a thread of the pool. */
export default function replay({ book }: { book: string }): ReplayFacts {
  const db = taskBook(book);
  return replayOf(db, todayOf(readSettings(db)));
}
