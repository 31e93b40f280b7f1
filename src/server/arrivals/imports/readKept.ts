import type { FileQuestion } from "@/contracts/arrivals";
import { FILE_KIND_TRAITS, type MappingSpec } from "@/core/formats";
import { fail, ok, type Result } from "@/core/result";
import { bankAccounts } from "@/db/bank";
import { processorAccounts } from "@/db/processorAccounts";
import type { CommandContext } from "@/server/runtime/context";

import { openedFile } from "./kinds";
import { firstReading } from "./firstReading";
import { type FileRun, Tallying } from "./report";

type Asked = { sha256: string; mapping: MappingSpec; account: string | null };

/** A kept file that is read: what it leaves open, or how it is taken in. */
export type ReadFile = {
  readonly tally: Tallying;
  readonly format: string | undefined;
  readonly questions: FileQuestion[];
  readonly takeIn: (file: FileRun) => void;
};

/** Reads a kept file as its mapping says. */
export function readKept(ctx: CommandContext, asked: Asked): Result<ReadFile> {
  const { mapping } = asked;
  const account = accountFor(ctx, mapping.kind, asked.account);
  if (!account.ok) return account;
  const first = firstReading(ctx, { ...asked, account: account.value });
  if (!first.ok) return first;
  const { reading, lines, cellOf, format } = first.value;
  const tally = new Tallying(lines, ctx.settings.currency);
  tally.proves(reading.proofs, reading.understood);
  const answers = mapping.answers ?? {};
  const opened = openedFile(ctx, mapping, { ...reading, account: account.value, answers });
  if (opened.questions.length === 0) {
    tally.refuse(reading.refused, cellOf);
    for (const { line, why } of reading.leftOut) tally.leaveOut(line, why);
  }
  return ok({ ...opened, tally, format });
}

/** The accounts of each kind that files can belong to. */
const ACCOUNTS = { processor: processorAccounts, bank: bankAccounts };

function accountFor(
  ctx: CommandContext,
  kind: MappingSpec["kind"],
  code: string | null,
): Result<string> {
  const { account } = FILE_KIND_TRAITS[kind];
  if (account === null) return ok("");
  const accounts = ACCOUNTS[account](ctx.db);
  const [only] = accounts;
  if (!only) return fail("account.none", { kind });
  if (code === null) return accounts.length === 1 ? ok(only.code) : fail("account.needed");
  return accounts.some((account) => account.code === code)
    ? ok(code)
    : fail("account.unknown", { account: code });
}
