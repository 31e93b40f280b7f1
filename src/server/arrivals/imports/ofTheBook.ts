import type { FileQuestion } from "@/contracts/arrivals";
import { type MappingSpec, readCustomer, readInvoice } from "@/core/formats";
import type { FileKind } from "@/db/files";
import type { CommandContext } from "@/server/runtime/context";

import { doubledActivity, doubledLines } from "./doubles";
import type { FileReading } from "./reading";
import { unknownCustomers, unknownParents } from "./unknownCustomers";
import {
  activityReader,
  bankOf,
  bankReader,
  processorOf,
  readFile,
  type UntakenFile,
} from "./untaken";

/** What of a file is asked with a look into the book: doubles of its lines, and who is meant. */
const OF_THE_BOOK: Partial<
  Record<FileKind, (ctx: CommandContext, from: UntakenFile) => FileQuestion[]>
> = {
  invoices: (ctx, from) =>
    unknownCustomers(
      ctx,
      readFile(ctx, from, readInvoice).rows.map(({ customerId }) => customerId),
      from.answers,
    ),
  customers: (ctx, from) =>
    unknownParents(ctx, readFile(ctx, from, readCustomer).rows, from.answers),
  bank(ctx, from) {
    const bank = bankOf(ctx, from.account);
    return bank
      ? doubledLines(ctx, bank, readFile(ctx, from, bankReader()).rows, from.answers)
      : [];
  },
  processor(ctx, from) {
    const processor = processorOf(ctx, from.account);
    const { rows } = readFile(ctx, from, activityReader(from.mapping));
    return processor ? doubledActivity(ctx, processor, rows.flat(), from.answers) : [];
  },
};

/** What is to be said of a file before it is taken in: of its cells, then of what the book has of it. */
export const openQuestions = (
  ctx: CommandContext,
  { kind, answers }: MappingSpec,
  from: UntakenFile & Pick<FileReading, "questions">,
): FileQuestion[] =>
  from.questions.length > 0 || answers === undefined
    ? from.questions
    : (OF_THE_BOOK[kind]?.(ctx, from) ?? []);
