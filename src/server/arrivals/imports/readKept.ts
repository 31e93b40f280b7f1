import type { FileQuestion } from "@/contracts/arrivals";
import { FILE_KIND_TRAITS, type MappingSpec, type Refusal, type Table } from "@/core/formats";
import { headSaid } from "@/core/readings";
import { fail, ok, type Result } from "@/core/result";
import { bankAccounts } from "@/db/bank";
import { processorAccounts } from "@/db/processorAccounts";
import type { CommandContext } from "@/server/runtime/context";

import { openedFile } from "./kinds";
import { letGo, tableOf } from "./read";
import { readingOf } from "./reading";
import { type FileRun, Tallying } from "./report";

/** A longer cell is not offered to be mended as it is: it would not be seen whole. */
const LONGEST_MENDED = 60;

type Asked = { sha256: string; mapping: MappingSpec; account: string | null };

/** A kept file that is read: what it leaves open, or how it is taken in. */
export type ReadFile = {
  readonly tally: Tallying;
  readonly format: string | undefined;
  readonly questions: FileQuestion[];
  readonly takeIn: (file: FileRun) => void;
};

/**
 * Reads a kept file as its mapping says. Nothing of what is given back holds its cells: they are
 * gone before hundreds of thousands of rows are written.
 */
export function readKept(ctx: CommandContext, asked: Asked): Result<ReadFile> {
  const { mapping } = asked;
  const kept = tableOf(ctx.who.book, asked.sha256);
  if (!kept.ok) return kept;
  // Whoever tries a mapping tries another after it; what is taken in is read no more.
  if (ctx.who.rehearse !== true) letGo(ctx.who.book, asked.sha256);
  const table = headSaid(kept.value, mapping.answers ?? {});
  const account = accountFor(ctx, mapping.kind, asked.account);
  return account.ok ? readWhole(ctx, table, mapping, account.value) : account;
}

function readWhole(
  ctx: CommandContext,
  table: Table,
  mapping: MappingSpec,
  account: string,
): Result<ReadFile> {
  const read = readingOf(ctx, table, mapping, account);
  if (!read.ok) return read;
  const lines = table.rows.map(({ line }) => line);
  const tally = new Tallying(lines, ctx.settings.currency);
  tally.proves(read.value.proofs, read.value.understood);
  const answers = mapping.answers ?? {};
  const opened = openedFile(ctx, mapping, { ...read.value, account, answers });
  if (opened.questions.length === 0) {
    tally.refuse(read.value.refused, cellsThatCame(table, read.value.refused));
    for (const { line, why } of read.value.leftOut) tally.leaveOut(line, why);
  }
  return ok({ ...opened, tally, format: table.format });
}

/** What stood in the cells that are refused, as short as one is mended by hand. */
function cellsThatCame(
  { headers, rows }: Table,
  refused: readonly Refusal[],
): (one: Refusal) => string {
  const lines = new Set(refused.map(({ line }) => line));
  const byLine = new Map(
    lines.size === 0
      ? []
      : rows.filter(({ line }) => lines.has(line)).map(({ line, cells }) => [line, cells]),
  );
  return ({ line, column }) => {
    const cell = byLine.get(line)?.[headers.indexOf(column)]?.trim() ?? "";
    return cell.length > LONGEST_MENDED ? "" : cell;
  };
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
