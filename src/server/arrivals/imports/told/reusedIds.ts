import type { FileQuestion } from "@/contracts/arrivals";
import { type ProcessorItemKind, ROW_KINDS } from "@/core/activity";
import { formatDay } from "@/core/calendar";
import type { ActivityRecord, ProcessorRecord } from "@/core/formats";
import { groupedBy } from "@/core/readings";
import { type ItemKnown, itemsKnown } from "@/db/processor";
import type { ProcessorAccountRow } from "@/db/processorAccounts";
import type { CommandContext } from "@/server/runtime/context";

import { isOther, OTHERS, reusedQuestionOf } from "./reused";
import { WrittenAs, type Writing } from "./sameShape";

/** The records of a file, and how it is written. */
type OfFile = { readonly records: readonly ProcessorRecord[]; readonly writing: Writing };

type Reused = {
  /** Lines whose id is that of another payment, which are not in the book themselves. */
  readonly open: readonly { readonly row: ActivityRecord; readonly known: ItemKnown }[];
  /** Those that are, under an id of their own. */
  readonly taken: readonly ActivityRecord[];
};

const NAMED: ReadonlySet<ProcessorRecord["kind"]> = new Set(["charge", "refund"]);
const isNamed = (row: ProcessorRecord): row is ActivityRecord => NAMED.has(row.kind);

/** The id of a line that shares its own with another payment: with its day. */
const ownIdOf = ({ externalId, occurredOn }: ActivityRecord): string =>
  `${externalId} of ${occurredOn}`;

/** Payments of a file whose ids the book has of others: a column of references, or of numbers that begin anew. */
function reusedIds(
  { db }: CommandContext,
  { id }: ProcessorAccountRow,
  { records, writing }: OfFile,
): Reused {
  const written = new WrittenAs(db, writing);
  const rows = records.filter(isNamed);
  const known = itemsKnown(
    db,
    id,
    rows.map((row) => [itemOf(row), row.externalId] as const),
  );
  const found = rows.flatMap((row) => {
    const item = known.get(`${itemOf(row)} ${row.externalId}`);
    return item && isOther(toldBy(row), { ...toldBy(item), isOfSort: written.isOf(item.fileId) })
      ? [{ row, known: item }]
      : [];
  });
  if (found.length === 0) return { open: [], taken: [] };
  const own = itemsKnown(
    db,
    id,
    found.map(({ row }) => [itemOf(row), ownIdOf(row)] as const),
  );
  const isTaken = ({ row }: { row: ActivityRecord }): boolean =>
    own.has(`${itemOf(row)} ${ownIdOf(row)}`);
  return {
    open: found.filter((one) => !isTaken(one)),
    taken: found.filter(isTaken).map(({ row }) => row),
  };
}

const toldBy = ({ amount, occurredOn }: Pick<ItemKnown, "amount" | "occurredOn">) => ({
  amount,
  on: occurredOn,
});

const itemOf = ({ kind }: ActivityRecord): ProcessorItemKind =>
  kind === "started" ? "charge" : ROW_KINDS[kind].item;

/** Whether lines with the id of a payment of another day and sum are that payment, changed, or others. */
export function reusedQuestion(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  from: OfFile,
): FileQuestion[] {
  const { open } = reusedIds(ctx, account, from);
  return reusedQuestionOf(
    open.map(({ row, known }) => ({
      line: row.line,
      id: row.externalId,
      here: toldBy(row),
      before: toldBy(known),
    })),
    {
      inWords: ({ amount, on }) =>
        `${ctx.sum(amount, account.currency)} on ${formatDay(on, ctx.today)}`,
      of: ["payment", "payments"],
    },
  );
}

/** The records under ids of their own, where the book has another payment under theirs; and what is of them. */
export function underOwnIds(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  { said, ...from }: OfFile & { said: string | undefined },
): readonly ProcessorRecord[] {
  const { records } = from;
  const { open, taken } = reusedIds(ctx, account, from);
  const others = [...taken, ...(said === OTHERS ? open.map(({ row }) => row) : [])];
  if (others.length === 0) return records;
  const byId = groupedBy(others, ({ externalId }) => externalId);
  return records.map((row) => (row.kind === "payout" ? row : renamed(row, byId)));
}

type ById = ReadonlyMap<string, readonly ActivityRecord[]>;

function renamed(row: ActivityRecord, byId: ById): ActivityRecord {
  const isOfLine = ({ line }: ActivityRecord): boolean => line === row.line;
  // A fee may go by the id of its payment on a line of its own.
  const isFeeOf = ({ kind, occurredOn }: ActivityRecord): boolean =>
    row.kind === "fee" && kind === "charge" && row.occurredOn === occurredOn;
  const own = byId.get(row.externalId)?.find((of) => isOfLine(of) || isFeeOf(of));
  const named = byId.get(row.relatedId ?? "") ?? [];
  // What a refund is of is a charge, though both go by one id.
  const related =
    (row.kind === "fee" ? named.find(isOfLine) : undefined) ??
    named.find(({ kind }) => kind === "charge");
  if (!own && !related) return row;
  return {
    ...row,
    externalId: own ? ownIdOf(own) : row.externalId,
    relatedId: related ? ownIdOf(related) : row.relatedId,
  };
}
