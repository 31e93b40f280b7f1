import type { FileQuestion } from "@/contracts/arrivals";
import {
  type FileKind,
  type MappingSpec,
  readCustomer,
  readInvoice,
  readRemittance,
  readReturn,
  type Refusal,
  type RowReader,
} from "@/core/formats";
import type { CommandContext } from "@/server/runtime/context";

import { doubledAdvices } from "./told/advicesOtherwise";
import { importBank } from "./bank";
import { importCustomers } from "./customers";
import { doubledActivity, doubledLines } from "./told/doubles";
import { takeEnded } from "./ended";
import { importInvoices } from "./invoices";
import { withContinuedDays } from "./told/continuedDay";
import { customersOfOtherNumbers } from "./told/customersOtherwise";
import {
  invoicesOfOtherNumbers,
  numberQuestion,
  underKnownNumbers,
} from "./told/numberedOtherwise";
import { importActivity } from "./processor";
import type { FileReading } from "./reading";
import { importRemittance } from "./remittance";
import type { FileRun } from "./report";
import { importReturns } from "./returns";
import { otherwiseNamed } from "./otherwiseNamed";
import { reusedQuestion, underOwnIds } from "./told/reusedIds";
import { linesUnderOwnIds, reusedLinesQuestion } from "./told/reusedLines";
import type { Writing } from "./told/sameShape";
import { toldOtherwise, underKnownIds } from "./told/toldOtherwise";
import { unknownCustomers, unknownParents } from "./unknownCustomers";
import {
  activityReader,
  bankOf,
  bankReader,
  processorOf,
  readFile,
  type UntakenFile,
} from "./untaken";

type FileOfBook = UntakenFile & Pick<FileReading, "ended"> & { heads: MappingSpec["columns"] };
/** What is known of a file without its cells, which are let go as soon as they are read. */
type OfFile = Omit<FileOfBook, "table" | "heads"> & { writing: Writing };

/** How the rows of a kind of file are read, what is asked of them, and how they are taken in. */
type Kind<T> = {
  readonly reader: (mapping: MappingSpec) => (row: RowReader) => T | null;
  /** What is asked with a look into the book: doubles of its lines, and who is meant. */
  readonly asks?: (ctx: CommandContext, rows: readonly T[], from: OfFile) => FileQuestion[];
  readonly takes: (ctx: CommandContext, rows: T[], from: OfFile & { file: FileRun }) => void;
};

/** A file whose rows were read: once, as it may have hundreds of thousands. */
type ReadRows = {
  readonly asks: () => FileQuestion[];
  readonly takeIn: (file: FileRun) => void;
};

const reading =
  <T>({ reader, asks, takes }: Kind<T>) =>
  (ctx: CommandContext, { table, heads, ...from }: FileOfBook): ReadRows => {
    const writing = { format: table.format, columns: heads };
    const { rows, refused: found } = readFile(ctx, { ...from, table }, reader(from.mapping));
    const refused = found.map((one) => underItsHead(one, heads));
    return {
      asks: () => asks?.(ctx, rows, { ...from, writing }) ?? [],
      takeIn(file) {
        file.tally.refuse(refused);
        takes(ctx, rows, { ...from, writing, file });
      },
    };
  };

/** The rows of a file of each kind, read and not taken in yet. */
const ROWS_OF: Record<FileKind, (ctx: CommandContext, from: FileOfBook) => ReadRows> = {
  customers: reading({
    reader: () => readCustomer,
    asks: (ctx, rows, { answers }) => [
      ...numberQuestion("customer", customersOfOtherNumbers(ctx, rows).open, rows.length, answers),
      ...unknownParents(ctx, rows, answers),
    ],
    takes: (ctx, rows, { file, answers }) => importCustomers(ctx, rows, { ...file, answers }),
  }),
  invoices: reading({
    reader: () => readInvoice,
    asks: (ctx, rows, { answers }) => [
      ...otherwiseNamed(ctx, rows, answers),
      ...unknownCustomers(
        ctx,
        rows.map(({ customerId }) => customerId),
        answers,
      ),
      ...numberQuestion(
        "invoice",
        invoicesOfOtherNumbers(ctx, rows, answers),
        rows.length,
        answers,
      ),
    ],
    takes(ctx, rows, { file, answers }) {
      const told =
        answers.same === "same"
          ? underKnownNumbers(rows, invoicesOfOtherNumbers(ctx, rows, answers))
          : rows;
      importInvoices(ctx, told, { ...file, answers });
    },
  }),
  processor: reading({
    reader: activityReader,
    asks(ctx, rows, { account, answers, writing }) {
      const processor = processorOf(ctx, account);
      if (!processor) return [];
      const records = rows.flat();
      const doubled = doubledActivity(ctx, processor, records, { answers, writing });
      return doubled.length > 0 || answers.reused !== undefined
        ? doubled
        : reusedQuestion(ctx, processor, { records, writing });
    },
    takes(ctx, rows, { account, answers, ended, writing, file }) {
      const processor = processorOf(ctx, account);
      if (!processor) return;
      const told = underOwnIds(ctx, processor, {
        records: rows.flat(),
        writing,
        said: answers.reused,
      });
      const records =
        answers.same === "same"
          ? underKnownIds(told, toldOtherwise(ctx, processor, { records: told, writing }))
          : told;
      // What is no money any more goes first: its payout, or its sum, may come anew.
      takeEnded(ctx, processor, ended, file);
      importActivity(ctx, processor, records, file);
    },
  }),
  bank: reading({
    reader: bankReader,
    asks(ctx, rows, { account, answers, writing }) {
      const bank = bankOf(ctx, account);
      if (!bank) return [];
      const lines = withContinuedDays(ctx, bank, rows);
      const doubled = doubledLines(ctx, bank, lines, { answers, writing });
      return doubled.length > 0 || answers.reused !== undefined
        ? doubled
        : reusedLinesQuestion(ctx, bank, { rows: lines, writing });
    },
    takes(ctx, rows, { account, answers, writing, file }) {
      const bank = bankOf(ctx, account);
      const as = answers.same === "same" ? writing : null;
      if (!bank) return;
      const continued = withContinuedDays(ctx, bank, rows);
      const lines = linesUnderOwnIds(ctx, bank, { rows: continued, writing, said: answers.reused });
      importBank(ctx, bank, lines, { ...file, toldAs: as });
    },
  }),
  remittance: reading({
    reader: () => readRemittance,
    asks: (ctx, rows, { answers }) => doubledAdvices(ctx, rows, answers),
    takes: (ctx, rows, { file, answers }) =>
      importRemittance(ctx, rows, { ...file, same: answers.same === "same" }),
  }),
  returns: reading({
    reader: () => readReturn,
    takes: (ctx, rows, { file }) => importReturns(ctx, rows, file),
  }),
};

/** A cell that is refused under the head that it came with, by which it is found and mended. */
function underItsHead(refused: Refusal, heads: MappingSpec["columns"]): Refusal {
  const column = heads[refused.field];
  if (column === undefined) return refused;
  const { error } = refused;
  return {
    ...refused,
    column,
    error: error.code === "field.empty" ? { ...error, field: column } : error,
  };
}

/** What is to be said of a file before it is taken in: of its cells, then of what the book has of it. */
export function openedFile(
  ctx: CommandContext,
  { kind, answers, columns }: MappingSpec,
  from: Omit<FileOfBook, "heads"> & Pick<FileReading, "questions">,
): { questions: FileQuestion[]; takeIn: ReadRows["takeIn"] } {
  const { questions } = from;
  // Nothing is taken in of what its cells leave open.
  if (questions.length > 0) return { questions, takeIn: () => undefined };
  const rows = ROWS_OF[kind](ctx, { ...from, heads: columns });
  return { questions: answers === undefined ? [] : rows.asks(), takeIn: rows.takeIn };
}
