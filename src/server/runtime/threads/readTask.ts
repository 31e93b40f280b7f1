import type { InspectedTable } from "@/contracts/arrivals";
import type { FileKind, MendedCell } from "@/core/formats";
import type { Currency } from "@/core/money";
import type { Result } from "@/core/result";
import { inspectFile } from "@/server/arrivals/imports/inspectFile";
import { lineOf, type RowsAsked, rowsOf, type ShownRows } from "@/server/arrivals/imports/read";
import { mendedFile } from "@/server/arrivals/mendedFile";
import { maskNumbers } from "@/server/arrivals/maskNumbers";
import { readOrders } from "@/server/invoices/steps/readOrders";
import { type MailReport, readReturnedMail } from "@/server/overdue/returnedMail";

/** Something foreign that is read in a thread of the pool with limits. */
export type ReadTask =
  | { what: "mask"; path: string }
  | {
      what: "inspect";
      book: string;
      sha256: string;
      kind: FileKind | undefined;
      currency: Currency;
      head?: number | undefined;
    }
  | { what: "mend"; book: string; sha256: string; cell: MendedCell }
  | { what: "line"; book: string; sha256: string; line: number }
  | { what: "rows"; book: string; sha256: string; asked: RowsAsked }
  | { what: "mail"; name: string; bytes: Uint8Array }
  | { what: "orders"; bytes: Uint8Array };
/** What each gives. */
export type ReadAnswers = {
  mask: Result<null>;
  inspect: Result<InspectedTable>;
  mend: Result<string>;
  line: Result<{ headers: readonly string[]; cells: readonly string[] }>;
  rows: Result<ShownRows>;
  mail: Result<MailReport>;
  orders: ReturnType<typeof readOrders>;
};

export default function read(
  task: ReadTask,
): ReadAnswers[ReadTask["what"]] | Promise<ReadAnswers["mail"] | ReadAnswers["mask"]> {
  switch (task.what) {
    case "mask":
      return maskNumbers(task.path);
    case "inspect":
      return inspectFile(task.book, task.sha256, task);
    case "mend":
      return mendedFile(task.book, task.sha256, task.cell);
    case "line":
      return lineOf(task.book, task.sha256, task.line);
    case "rows":
      return rowsOf(task.book, task.sha256, task.asked);
    case "mail":
      return readReturnedMail(task.name, Buffer.from(task.bytes));
    case "orders":
      return readOrders(task.bytes);
    default:
      return task satisfies never;
  }
}
