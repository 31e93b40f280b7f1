import type { FileQuestion } from "@/contracts/arrivals";
import { formatDay } from "@/core/calendar";
import { type BankAccountRow, bankLineByExternalId, type BankLineRow } from "@/db/bank";
import type { CommandContext } from "@/server/runtime/context";

import type { StatementLine } from "./continuedDay";
import { isOther, OTHERS, reusedQuestionOf } from "./reused";
import { WrittenAs, type Writing } from "./sameShape";

/** The lines of a file, and how it is written. */
type OfFile = { readonly rows: readonly StatementLine[]; readonly writing: Writing };

type Open = { readonly row: StatementLine; readonly known: BankLineRow };

const ownIdOf = ({ externalId, postedOn }: StatementLine): string => `${externalId} of ${postedOn}`;

const toldBy = ({ amount, postedOn }: Pick<BankLineRow, "amount" | "postedOn">) => ({
  amount,
  on: postedOn,
});

/** Lines whose id the book has of another line, and of them those that stand there under an id of their own. */
function reusedLines(
  { db }: CommandContext,
  { id }: BankAccountRow,
  { rows, writing }: OfFile,
): { open: Open[]; taken: StatementLine[] } {
  const written = new WrittenAs(db, writing);
  const found = rows
    // An id that was made of what a line says is of no other.
    .filter(({ formerId }) => formerId === null)
    .flatMap((row): Open[] => {
      const known = bankLineByExternalId(db, id, row.externalId);
      return known &&
        isOther(toldBy(row), { ...toldBy(known), isOfSort: written.isOf(known.fileId) })
        ? [{ row, known }]
        : [];
    });
  const isTaken = ({ row }: Open): boolean =>
    bankLineByExternalId(db, id, ownIdOf(row)) !== undefined;
  return {
    open: found.filter((one) => !isTaken(one)),
    taken: found.filter(isTaken).map(({ row }) => row),
  };
}

/** Whether lines with the id of a line of another day and sum are that line, changed, or others. */
export function reusedLinesQuestion(
  ctx: CommandContext,
  account: BankAccountRow,
  from: OfFile,
): FileQuestion[] {
  const { open } = reusedLines(ctx, account, from);
  return reusedQuestionOf(
    open.map(({ row, known }) => ({
      line: row.line,
      id: row.externalId,
      here: toldBy(row),
      before: toldBy(known),
    })),
    {
      inWords: ({ amount, on }) => `${ctx.sum(amount)} on ${formatDay(on, ctx.today)}`,
      of: ["line", "lines"],
    },
  );
}

/** The lines under ids of their own, where the book has another line under theirs. */
export function linesUnderOwnIds(
  ctx: CommandContext,
  account: BankAccountRow,
  { said, ...from }: OfFile & { said: string | undefined },
): readonly StatementLine[] {
  const { rows } = from;
  const { open, taken } = reusedLines(ctx, account, from);
  const others = new Set([...taken, ...(said === OTHERS ? open.map(({ row }) => row) : [])]);
  return others.size === 0
    ? rows
    : rows.map((row) => (others.has(row) ? { ...row, externalId: ownIdOf(row) } : row));
}
