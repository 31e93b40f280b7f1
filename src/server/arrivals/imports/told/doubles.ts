import type { FileQuestion } from "@/contracts/arrivals";
import { formatDay } from "@/core/calendar";
import type { ActivityRecord, ProcessorRecord } from "@/core/formats";
import { type BankAccountRow, idInOtherBankAccount } from "@/db/bank";
import { idInOtherProcessorAccount } from "@/db/processor";
import type { ProcessorAccountRow } from "@/db/processorAccounts";
import type { CommandContext } from "@/server/runtime/context";

import type { StatementLine } from "./continuedDay";
import { linesToldOtherwise, type LinesToldOtherwise } from "./linesToldOtherwise";
import { sameQuestion } from "./sameQuestion";
import { WrittenAs, type Writing } from "./sameShape";
import { toldOtherwise } from "./toldOtherwise";

/** What people said of a file, by the key of the question. */
type Answers = Readonly<Record<string, string>>;

/** Rows by which it is told whether a file stands in the book already. */
const LOOKED_AT = 500;

/** Lines of a statement that stand in the book already, under other ids or words: it would count twice. */
export function doubledLines(
  ctx: CommandContext,
  account: BankAccountRow,
  rows: readonly StatementLine[],
  { answers, writing }: { answers: Answers; writing: Writing },
): FileQuestion[] {
  const asked = otherAccount(
    rows.map(({ externalId }) => externalId),
    (id) => idInOtherBankAccount(ctx.db, account.id, id),
    answers,
  );
  if (asked) return [asked];
  if (answers.same !== undefined) return [];
  const found = linesToldOtherwise(ctx, account, rows, new WrittenAs(ctx.db, writing));
  const { fresh, twins } = found;
  const first = fresh.find(({ externalId }) => twins.has(externalId));
  if (!first) return [];
  const sum = ctx.sum(first.amount, first.currency);
  const where = `${formatDay(first.postedOn, ctx.today)}, ${sum}`;
  return [sameQuestion({ twins: twins.size, lines: fresh.length, where, ...told(saidBy(found)) })];
}

/** By what lines are told to be the same. */
function saidBy({ isNear, isTogether }: LinesToldOtherwise): string {
  const day = isNear ? BY_NEAR_DAY : BY_DAY;
  return isTogether ? `${day}, some as the sum of several` : day;
}
const BY_DAY = "by day and sum";
const BY_NEAR_DAY = "by sum, on their day or a few days from it";

/** What the lines of a file are called, and by what they were told. */
const told = (by: string): { called: [string, string]; by: string } => ({
  called: ["line", "lines"],
  by: `${by}, from a file that knows them otherwise`,
});

/** Activity whose items stand in another account already, or in this one under other ids. */
export function doubledActivity(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  records: readonly ProcessorRecord[],
  { answers, writing }: { answers: Answers; writing: Writing },
): FileQuestion[] {
  const ids = records
    .filter((record): record is ActivityRecord => record.kind !== "payout")
    .map(({ externalId }) => externalId);
  const asked = otherAccount(
    ids,
    (id) => idInOtherProcessorAccount(ctx.db, account.id, id),
    answers,
  );
  if (asked) return [asked];
  if (answers.same !== undefined) return [];
  const { lines, first, isAtNet, isNear } = toldOtherwise(ctx, account, {
    records,
    writing,
  });
  if (first === null) return [];
  const day = isNear ? BY_NEAR_DAY : BY_DAY;
  const by = isAtNet ? `${day}, some at what a fee leaves of them` : day;
  const all = new Set(records.map(({ line }) => line)).size;
  const where = `${formatDay(first.on, ctx.today)}, ${ctx.sum(first.amount, account.currency)}`;
  return [sameQuestion({ twins: lines.size, lines: all, where, ...told(by) })];
}

function otherAccount(
  ids: readonly string[],
  nameOf: (id: string) => string | undefined,
  answers: Answers,
): FileQuestion | null {
  if (answers.other_account !== undefined) return null;
  const looked = ids.slice(0, LOOKED_AT);
  const names = looked.flatMap((id) => nameOf(id) ?? []);
  const [first] = names;
  if (first === undefined || names.length * 2 < looked.length) return null;
  return {
    key: "other_account",
    words: `${names.length} of the first ${looked.length} lines stand in “${first}” already. Do they belong to this account too?`,
    choices: [
      { answer: "take", result: "yes: they are lines of their own that only look the same" },
    ],
  };
}
