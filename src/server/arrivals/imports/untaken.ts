import {
  type BankRecord,
  type MappingSpec,
  ofSameLine,
  type ProcessorRecord,
  readActivity,
  readBankLine,
  readRows,
  type Refusal,
  type RowReader,
  type Table,
} from "@/core/formats";
import { type BankAccountRow, bankAccounts } from "@/db/bank";
import { type ProcessorAccountRow, processorAccounts } from "@/db/processorAccounts";
import type { CommandContext } from "@/server/runtime/context";

import { contextOf } from "./reading";

/** A file that is read and not taken in yet. */
export type UntakenFile = {
  table: Table;
  mapping: MappingSpec;
  account: string;
  answers: Readonly<Record<string, string>>;
};

/** The rows of a file that can be read, and those that cannot. */
export function readFile<T>(
  ctx: CommandContext,
  { table, mapping, account }: UntakenFile,
  read: (row: RowReader) => T | null,
): { rows: T[]; refused: Refusal[] } {
  return readRows(table, mapping, contextOf(ctx, mapping.kind, account), read);
}

/** How a line of a statement, or of activity, is read: what came before it in the file counts. */
export const bankReader = (): ((row: RowReader) => BankRecord | null) => {
  const seen = new Map<string, number>();
  return (row) => readBankLine(row, seen);
};
export const activityReader = (
  mapping: MappingSpec,
): ((row: RowReader) => ProcessorRecord[] | null) => {
  const seen = new Map<string, number>();
  const link = ofSameLine();
  return (row) => {
    const records = readActivity(row, mapping, seen);
    if (records !== null) link(records);
    return records;
  };
};

export const bankOf = (ctx: CommandContext, account: string): BankAccountRow | undefined =>
  bankAccounts(ctx.db).find(({ code }) => code === account);
export const processorOf = (
  ctx: CommandContext,
  account: string,
): ProcessorAccountRow | undefined =>
  processorAccounts(ctx.db).find(({ code }) => code === account);
