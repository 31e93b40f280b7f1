import type { FileQuestion } from "@/contracts/arrivals";
import { formatDay } from "@/core/calendar";
import type { ActivityRecord, BankRecord, ProcessorRecord } from "@/core/formats";
import {
  type BankAccountRow,
  type BankLineRow,
  bankLineByExternalId,
  bankLinesOn,
  idInOtherBankAccount,
} from "@/db/bank";
import { idInOtherProcessorAccount } from "@/db/processor";
import type { ProcessorAccountRow } from "@/db/processorAccounts";
import type { CommandContext } from "@/server/runtime/context";

import { toldOtherwise } from "./toldOtherwise";

/** What people said of a file, by the key of the question. */
type Answers = Readonly<Record<string, string>>;

/** Rows by which it is told whether a file stands in the book already. */
const LOOKED_AT = 500;

/**
 * Lines of a statement that stand in the book already by day and sum, from a file that knows them by
 * other ids or words: one statement in two formats would count twice. Where some of the bank's own ids
 * are known, its new ones are new; words may be another time written otherwise.
 */
export function doubledLines(
  ctx: CommandContext,
  account: BankAccountRow,
  rows: readonly BankRecord[],
  answers: Answers,
): FileQuestion[] {
  const asked = otherAccount(
    rows.map(({ externalId }) => externalId),
    (id) => idInOtherBankAccount(ctx.db, account.id, id),
    answers,
  );
  if (asked) return [asked];
  if (answers.same !== undefined) return [];
  const told = rows.map((row) => ({ row, known: knownLine(ctx, account.id, row) }));
  if (told.some(({ row, known }) => known && row.formerId === null)) return [];
  const used = new Set(told.flatMap(({ known }) => known?.id ?? []));
  const fresh = told.flatMap(({ row, known }) => (known ? [] : [row]));
  const twins = fresh.filter((row) => twinOf(ctx, account.id, row, used));
  const [first] = twins;
  if (!first) return [];
  const sum = ctx.sum(first.amount, first.currency);
  const where = `${formatDay(first.postedOn, ctx.today)}, ${sum}`;
  return [sameQuestion({ twins: twins.length, lines: fresh.length, where })];
}

/** Whether lines that the book has under other ids are the same. */
const sameQuestion = (found: { twins: number; lines: number; where: string }): FileQuestion => ({
  key: "same",
  words: `${found.twins} of ${found.lines} lines stand in the book already by day and sum, from a file that knows them otherwise (${found.where}). Are they the same?`,
  choices: [
    { answer: "same", result: `yes: these ${found.twins} are known, and the others are new` },
    { answer: "new", result: `no: all ${found.lines} are new` },
  ],
});

/** A line of the book that is the same, by its identity or the one that it had before. */
export const knownLine = (
  ctx: CommandContext,
  accountId: number,
  row: BankRecord,
): BankLineRow | undefined =>
  bankLineByExternalId(ctx.db, accountId, row.externalId) ??
  (row.formerId === null ? undefined : bankLineByExternalId(ctx.db, accountId, row.formerId));

/** A line of the same day and sum that is none of those used: the nth of a day is the nth, so that two stay two. */
export function twinOf(
  ctx: CommandContext,
  accountId: number,
  row: BankRecord,
  used: Set<number>,
): BankLineRow | undefined {
  const twin = bankLinesOn(ctx.db, accountId, row).find(({ id }) => !used.has(id));
  if (twin) used.add(twin.id);
  return twin;
}

/** Activity whose items stand in another account already, or in this one under other ids. */
export function doubledActivity(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  records: readonly ProcessorRecord[],
  answers: Answers,
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
  const { lines, first } = toldOtherwise(ctx, account, records);
  if (first === null) return [];
  const all = new Set(records.map(({ line }) => line)).size;
  const where = `${formatDay(first.on, ctx.today)}, ${ctx.sum(first.amount, account.currency)}`;
  return [sameQuestion({ twins: lines.size, lines: all, where })];
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
