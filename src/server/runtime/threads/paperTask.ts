import type { Proposal } from "@/core/matching";
import type { Result } from "@/core/result";
import { readSettings } from "@/db/settings";
import { askedPaper, type Paper, type PaperAsk } from "@/server/output/askedPaper";

import { todayOf } from "../context";
import { taskBook } from "./taskBook";

/** A paper of a book, made in a thread of the pool with limits. */
export type PaperTask = { book: string; ask: PaperAsk; proposals: readonly Proposal[] };

export default function paper({ book, ask, proposals }: PaperTask): Promise<Result<Paper>> {
  const db = taskBook(book);
  const settings = readSettings(db);
  return askedPaper({ book, db, settings, today: todayOf(settings), proposals }, ask);
}
