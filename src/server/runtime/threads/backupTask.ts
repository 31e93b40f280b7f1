import type { DrillResult } from "@/contracts/books";
import type { Result } from "@/core/result";
import { drill } from "@/server/books/backups/drill";
import { keepBackup } from "@/server/books/backups/kept";

export type BackupTask =
  { book: string; what: "keep"; keep: number } | { book: string; what: "drill" };

/** Takes a copy of a book, or tries the last one, in a thread of the pool: both look at every page of the file. */
export default function backup(task: BackupTask): Result<{ file: string } | DrillResult> {
  return task.what === "keep" ? keepBackup(task.book, { keep: task.keep }) : drill(task.book);
}
