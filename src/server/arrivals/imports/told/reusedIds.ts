import type { FileQuestion } from "@/contracts/arrivals";
import { type ProcessorItemKind, ROW_KINDS } from "@/core/activity";
import { formatDay } from "@/core/calendar";
import type { ActivityRecord, ProcessorRecord } from "@/core/formats";
import { type ItemKnown, itemsKnown } from "@/db/processor";
import type { ProcessorAccountRow } from "@/db/processorAccounts";
import type { CommandContext } from "@/server/runtime/context";

import { isOther, OTHERS, reusedWords } from "./reused";
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
  const [first] = open;
  if (!first) return [];
  const { row, known } = first;
  const said = ({ amount, occurredOn }: Pick<ItemKnown, "amount" | "occurredOn">): string =>
    `${ctx.sum(amount, account.currency)} on ${formatDay(occurredOn, ctx.today)}`;
  return [
    reusedWords({
      count: open.length,
      line: row.line,
      id: row.externalId,
      here: said(row),
      before: said(known),
      of: ["payment", "payments"],
    }),
  ];
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
  const byId = new Map(others.map((row) => [row.externalId, row]));
  return records.map((row) => (row.kind === "payout" ? row : renamed(row, byId)));
}

function renamed(row: ActivityRecord, byId: ReadonlyMap<string, ActivityRecord>): ActivityRecord {
  const [own, related] = [byId.get(row.externalId), byId.get(row.relatedId ?? "")];
  // A fee may go by the id of its payment on a line of its own.
  const isFeeOf = row.kind === "fee" && row.occurredOn === own?.occurredOn;
  const isOwn = own !== undefined && (own.line === row.line || isFeeOf);
  if (!isOwn && !related) return row;
  return {
    ...row,
    externalId: isOwn ? ownIdOf(own) : row.externalId,
    relatedId: related ? ownIdOf(related) : row.relatedId,
  };
}
