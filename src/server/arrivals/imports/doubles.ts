import type { FileQuestion } from "@/contracts/arrivals";
import { formatDay } from "@/core/calendar";
import type { ActivityRecord, BankRecord, ProcessorRecord } from "@/core/formats";
import {
  type BankAccountRow,
  bankLineByExternalId,
  bankLinesOn,
  idInOtherBankAccount,
} from "@/db/bank";
import { idInOtherProcessorAccount } from "@/db/processor";
import type { ProcessorAccountRow } from "@/db/processorAccounts";
import type { CommandContext } from "@/server/runtime/context";

/** What people said of a file, by the key of the question. */
type Answers = Readonly<Record<string, string>>;

/** Rows by which it is told whether a file stands in the book already. */
const LOOKED_AT = 500;

/**
 * Lines of a statement that stand in the book already by day and sum, from a file that knows them by
 * other ids: one statement in two formats would count twice. Where some of its ids are known, its
 * new ones are new.
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
  if (answers.same !== undefined || rows.some((row) => isKnown(ctx, account.id, row))) return [];
  const twins = rows.filter((row) => bankLinesOn(ctx.db, account.id, row).length > 0);
  const [first] = twins;
  if (!first) return [];
  const sum = ctx.sum(first.amount, first.currency);
  return [
    {
      key: "same",
      words: `${twins.length} of ${rows.length} lines stand in the book already by day and sum, from a file that knows them otherwise (${formatDay(first.postedOn, ctx.today)}, ${sum}). Are they the same?`,
      choices: [
        { answer: "same", result: `yes: these ${twins.length} are known, and the others are new` },
        { answer: "new", result: `no: all ${rows.length} are new` },
      ],
    },
  ];
}

const isKnown = (ctx: CommandContext, accountId: number, row: BankRecord): boolean =>
  [row.externalId, row.formerId].some(
    (id) => id !== null && bankLineByExternalId(ctx.db, accountId, id) !== undefined,
  );

/** Activity whose items stand in another account already. */
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
  return asked ? [asked] : [];
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
