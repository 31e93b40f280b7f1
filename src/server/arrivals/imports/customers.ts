import type { CustomerRecord } from "@/core/formats";
import {
  aliasesOf,
  customerByExternalId,
  insertAlias,
  insertCustomer,
  isAboveOf,
  renewCustomer,
  setParent,
} from "@/db/customers";
import type { CommandContext } from "@/server/runtime/context";

import { type FileRun, withoutTwins } from "./report";

/** Takes in customers; what is known with other words (a new name or address) is brought up to date. */
export function importCustomers(
  ctx: CommandContext,
  records: readonly CustomerRecord[],
  { fileId, tally }: FileRun,
): void {
  const rows = withoutTwins(
    records,
    (row) => row.externalId,
    (row) => JSON.stringify({ ...row, line: 0 }),
    tally,
  );
  const inFile = new Set(rows.map((row) => row.externalId));
  const taken: CustomerRecord[] = [];
  for (const row of rows) {
    if (!isParentKnown(ctx, row, inFile)) {
      tally.refuseLine(row.line, "parentId", { code: "customer.parent", id: row.parentId });
      continue;
    }
    taken.push(row);
    const known = customerByExternalId(ctx.db, row.externalId);
    if (!known) {
      insertNew(ctx, row, fileId);
      tally.take(
        row.line,
        row.parentId === null ? "customers" : "customers that are sites of another",
        null,
      );
    } else if (known.externalId !== row.externalId) {
      // It was made one with another here: what the file says of it is known by another name.
      tally.know(row.line);
    } else if (isOther(row, known, aliasesOf(ctx.db, known.id))) {
      renewCustomer(ctx.db, known.id, row);
      for (const alias of row.aliases) insertAlias(ctx.db, known.id, alias);
      tally.updated(row.line);
      tally.also("customers brought up to date", null);
    } else tally.know(row.line);
  }
  setParents(ctx, taken, tally);
}

const isParentKnown = (
  ctx: CommandContext,
  { parentId }: CustomerRecord,
  inFile: ReadonlySet<string>,
): boolean =>
  parentId === null || inFile.has(parentId) || customerByExternalId(ctx.db, parentId) !== undefined;

function insertNew(ctx: CommandContext, row: CustomerRecord, fileId: number): void {
  const { externalId, name, email, phone, line } = row;
  const id = insertCustomer(ctx.db, {
    externalId,
    name,
    email,
    phone,
    parentId: null,
    fileId,
    lineNo: line,
  });
  for (const alias of row.aliases) insertAlias(ctx.db, id, alias);
}

/** Whether the file says something of a customer that the book does not; an empty field says nothing. */
const isOther = (row: CustomerRecord, known: Known, aliases: readonly string[]): boolean =>
  known.name !== row.name ||
  (row.email !== null && known.email !== row.email) ||
  (row.phone !== null && known.phone !== row.phone) ||
  row.aliases.some((alias) => !aliases.includes(alias));

type Known = Pick<CustomerRecord, "name" | "email" | "phone">;

/** Sites are joined to their head office when all of the file is in, whatever its order. */
function setParents(
  ctx: CommandContext,
  taken: readonly CustomerRecord[],
  tally: FileRun["tally"],
): void {
  for (const row of taken.filter(({ parentId }) => parentId !== null)) {
    const child = customerByExternalId(ctx.db, row.externalId);
    const parent = customerByExternalId(ctx.db, row.parentId ?? "");
    if (!child || !parent || child.id === parent.id || child.parentId === parent.id) continue;
    if (isAboveOf(ctx.db, child.id, parent.id))
      tally.refuseLine(row.line, "parentId", {
        code: "customer.circle",
        id: row.externalId,
        parent: row.parentId,
      });
    else setParent(ctx.db, child.id, parent.id);
  }
}
