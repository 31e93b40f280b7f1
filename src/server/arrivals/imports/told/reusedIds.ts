import type { FileQuestion } from "@/contracts/arrivals";
import { type ProcessorItemKind, ROW_KINDS } from "@/core/activity";
import { daysBetween, formatDay } from "@/core/calendar";
import type { ActivityRecord, ProcessorRecord } from "@/core/formats";
import { type ItemKnown, itemsKnown } from "@/db/processor";
import type { ProcessorAccountRow } from "@/db/processorAccounts";
import type { CommandContext } from "@/server/runtime/context";

/** The answer that lines of a known id are other payments. */
const OTHERS = "others";
/** A payment that is told anew may have another day; one of a week from it is hardly the same. */
const MOST_DAYS = 7;

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

/** Whether a line has the id of an item, and neither its day nor its sum, or is long before or after it. */
function isOther({ amount, occurredOn }: ActivityRecord, known: ItemKnown): boolean {
  const apart = Math.abs(daysBetween(known.occurredOn, occurredOn));
  return apart > MOST_DAYS || (apart > 0 && amount !== known.amount);
}

/** Payments of a file whose ids the book has of others: a column of references, or of numbers that begin anew. */
function reusedIds(
  { db }: CommandContext,
  { id }: ProcessorAccountRow,
  records: readonly ProcessorRecord[],
): Reused {
  const rows = records.filter(isNamed);
  const known = itemsKnown(
    db,
    id,
    rows.map((row) => [itemOf(row), row.externalId] as const),
  );
  const found = rows.flatMap((row) => {
    const item = known.get(`${itemOf(row)} ${row.externalId}`);
    return item && isOther(row, item) ? [{ row, known: item }] : [];
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

const itemOf = ({ kind }: ActivityRecord): ProcessorItemKind =>
  kind === "started" ? "charge" : ROW_KINDS[kind].item;

/** Whether lines with the id of a payment of another day and sum are that payment, changed, or others. */
export function reusedQuestion(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  records: readonly ProcessorRecord[],
): FileQuestion[] {
  const { open } = reusedIds(ctx, account, records);
  const [first] = open;
  if (!first) return [];
  const { row, known } = first;
  const of = open.length === 1 ? "1 line has" : `${open.length} lines have`;
  const said = (sum: ItemKnown["amount"], on: ItemKnown["occurredOn"]): string =>
    `${ctx.sum(sum, account.currency)} on ${formatDay(on, ctx.today)}`;
  return [
    {
      key: "reused",
      words: `${of} the id of a payment of another day (line ${row.line}: “${row.externalId.slice(0, 40)}” is ${said(row.amount, row.occurredOn)} here, and ${said(known.amount, known.occurredOn)} in the book). Which are they?`,
      choices: [
        { answer: OTHERS, result: "other payments: both stay, and their ids are not their own" },
        {
          answer: "changed",
          result: "the same payments, changed: what was posted is reversed, and this is posted",
        },
      ],
    },
  ];
}

/** The records under ids of their own, where the book has another payment under theirs; and what is of them. */
export function underOwnIds(
  ctx: CommandContext,
  account: ProcessorAccountRow,
  { records, said }: { records: readonly ProcessorRecord[]; said: string | undefined },
): readonly ProcessorRecord[] {
  const { open, taken } = reusedIds(ctx, account, records);
  const others = [...taken, ...(said === OTHERS ? open.map(({ row }) => row) : [])];
  if (others.length === 0) return records;
  const byId = new Map(others.map((row) => [row.externalId, row]));
  return records.map((row) => (row.kind === "payout" ? row : renamed(row, byId)));
}

function renamed(row: ActivityRecord, byId: ReadonlyMap<string, ActivityRecord>): ActivityRecord {
  const [own, related] = [byId.get(row.externalId), byId.get(row.relatedId ?? "")];
  const isOwn = own !== undefined && own.line === row.line;
  if (!isOwn && !related) return row;
  return {
    ...row,
    externalId: isOwn ? ownIdOf(own) : row.externalId,
    relatedId: related ? ownIdOf(related) : row.relatedId,
  };
}
