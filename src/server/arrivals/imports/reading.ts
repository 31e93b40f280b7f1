import type { ImportReport } from "@/contracts/arrivals";
import {
  FILE_KIND_TRAITS,
  type MappingSpec,
  markOf,
  type ReadContext,
  type Refusal,
  type Table,
} from "@/core/formats";
import {
  endedRows,
  LEFT_OUT_WORDS,
  type ReadingContext,
  understand,
  type UnderstoodFile,
  understoodLines,
} from "@/core/readings";
import { fail, ok, type Result } from "@/core/result";
import { bankAccounts } from "@/db/bank";
import { processorAccounts } from "@/db/processorAccounts";
import { currenciesWithRates } from "@/db/rates";
import type { CommandContext } from "@/server/runtime/context";

export type FileReading = Pick<ImportReport, "leftOut" | "proofs" | "questions" | "understood"> & {
  table: Table;
  mapping: MappingSpec;
  refused: readonly Refusal[];
  ended: UnderstoodFile["ended"];
};

/** The rows of a file in a layout that the imports read; by what it proves, else as a mapping of before says. */
export function readingOf(
  ctx: CommandContext,
  table: Table,
  mapping: MappingSpec,
  account: string,
): Result<FileReading> {
  // A published format says what it is, whatever a mapping of before says of it.
  return mapping.answers === undefined && table.kind !== mapping.kind
    ? byMapping(ctx, table, mapping, account)
    : ok(byProof(table, mapping, contextOfReading(ctx, mapping.kind, account)));
}

function byMapping(
  ctx: CommandContext,
  table: Table,
  mapping: MappingSpec,
  account: string,
): Result<FileReading> {
  const open = openMark(ctx, table, mapping, account);
  if (open !== null) return fail("mark.open", { sample: open });
  return ok({
    table,
    mapping,
    refused: [],
    ended: mapping.kind === "processor" ? endedRows({ table, ...mapping, answers: {} }) : [],
    leftOut: [],
    proofs: [],
    questions: [],
    understood: [],
  });
}

/** What of a book a reading by proof rests on: nothing of its lines. */
export function contextOfReading(
  ctx: CommandContext,
  kind: MappingSpec["kind"],
  account: string,
): ReadingContext {
  const { cutOverOn, timeZone, name } = ctx.settings;
  const own = bankAccounts(ctx.db).find(({ code }) => code === account);
  return {
    today: ctx.today,
    cutOverOn,
    currency: contextOf(ctx, kind, account).bookCurrency,
    timeZone,
    accountEnds: kind === "bank" ? (own?.lastFour ?? null) : null,
    ownName: name,
  };
}

function byProof(table: Table, mapping: MappingSpec, context: ReadingContext): FileReading {
  const { kind, columns, answers = {} } = mapping;
  const read = understand({ table, kind, columns, answers }, context);
  const leftOut = read.leftOut.map(({ line, why }) => ({ line, why: LEFT_OUT_WORDS[why] }));
  const shown = [...understoodLines(kind, read.table, context), ...firstOfEachReason(leftOut)];
  return {
    ...read,
    leftOut,
    proofs: [...read.proofs],
    understood: shown
      .sort((a, b) => a.line - b.line)
      .map((line) => ({ ...line, came: cameAs(table, line.line) })),
    questions: [...read.questions],
  };
}

/** The first line of each reason for which lines are left out, as it is shown among the others. */
function firstOfEachReason(
  leftOut: ImportReport["leftOut"],
): Omit<ImportReport["understood"][number], "came">[] {
  const reasons = [...new Set(leftOut.map(({ why }) => why))];
  return reasons.flatMap((why) => {
    const first = leftOut.find((entry) => entry.why === why);
    return first ? [{ line: first.line, day: "", sum: "", what: `left out: ${why}`, who: "" }] : [];
  });
}

/** The cells of a line as they came, for the eye. */
const cameAs = ({ rows }: Table, line: number): string =>
  (rows.find((row) => row.line === line)?.cells ?? [])
    .map((cell) => cell.trim())
    .filter((cell) => cell !== "")
    .join(" · ")
    .slice(0, 200);

/** A sum of which the file does not say what it is, and nobody else has; null where all is clear. */
function openMark(
  ctx: CommandContext,
  table: Table,
  mapping: MappingSpec,
  account: string,
): string | null {
  if (mapping.markSaid === true) return null;
  const own = processorAccounts(ctx.db).find(({ code }) => code === account)?.currency;
  const currency = (mapping.kind === "processor" ? own : null) ?? ctx.settings.currency;
  return markOf(table, mapping, currency).sample;
}

/**
 * What comes from a processor is in its account's currency, what comes from the bank in the book's;
 * invoices in any that has a rate.
 */
export function contextOf(
  ctx: CommandContext,
  kind: MappingSpec["kind"],
  account: string,
): ReadContext {
  const { currency, timeZone } = ctx.settings;
  const processor =
    kind === "processor"
      ? processorAccounts(ctx.db).find(({ code }) => code === account)
      : undefined;
  const others = FILE_KIND_TRAITS[kind].anyRate ? currenciesWithRates(ctx.db) : [];
  return { bookCurrency: processor?.currency ?? currency, timeZone, others };
}
