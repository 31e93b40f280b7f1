import type { MappingSpec, Refusal, Table } from "@/core/formats";
import { headSaid } from "@/core/readings";
import { ok, type Result } from "@/core/result";
import type { CommandContext } from "@/server/runtime/context";

import { letGo, tableOf } from "./read";
import { contextOfReading, type FileReading, readingOf } from "./reading";

type Asked = {
  readonly sha256: string;
  readonly mapping: MappingSpec;
  readonly account: string;
};

/** What is read of a file without the lines of the book. Nothing of it holds the cells that came. */
type FirstReading = {
  readonly reading: FileReading;
  readonly lines: readonly number[];
  /** What stood in a cell that is refused. */
  readonly cellOf: (one: Refusal) => string;
  readonly format: string | undefined;
};

/** Of how many lines a file is large: its cells are not kept beside what was read of it. */
const LARGE = 50_000;
/** A longer cell is not offered to be mended as it is: it would not be seen whole. */
const LONGEST_MENDED = 60;

/** The last one that was tried; whoever tried a mapping takes the file in by it. */
let last: { readonly by: string; readonly first: FirstReading } | null = null;

/** A kept file, read as its mapping says; what was just tried by the same is taken as it was read. */
export function firstReading(ctx: CommandContext, asked: Asked): Result<FirstReading> {
  const isTried = ctx.who.rehearse === true;
  const { sha256, mapping, account } = asked;
  const context = contextOfReading(ctx, mapping.kind, account);
  const by = JSON.stringify([ctx.who.book, sha256, mapping, account, context]);
  const known = last?.by === by ? last.first : null;
  // Not beside another one, nor beside what is written of it.
  last = null;
  const first = known ? ok(known) : readAnew(ctx, asked);
  if (first.ok && isTried) last = { by, first: first.value };
  // Whoever tries a mapping tries another after it; what is taken in is read no more.
  if (first.ok && (!isTried || first.value.lines.length > LARGE)) letGo(ctx.who.book, sha256);
  return first;
}

function readAnew(ctx: CommandContext, { sha256, mapping, account }: Asked): Result<FirstReading> {
  const kept = tableOf(ctx.who.book, sha256);
  if (!kept.ok) return kept;
  const table = headSaid(kept.value, mapping.answers ?? {});
  const read = readingOf(ctx, table, mapping, account);
  if (!read.ok) return read;
  return ok({
    reading: read.value,
    lines: table.rows.map(({ line }) => line),
    cellOf: cellsThatCame(table, read.value.refused),
    format: table.format,
  });
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
