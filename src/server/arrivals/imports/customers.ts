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

import { customerFinder } from "../steps/customerFinder";
import { customersOfOtherNumbers } from "./told/customersOtherwise";
import { type FileRun, withoutTwins } from "./report";
import { parentsInFile } from "./unknownCustomers";

/** Takes in customers; what is known with other words (a new name or address) is brought up to date. */
export function importCustomers(
  ctx: CommandContext,
  records: readonly CustomerRecord[],
  { fileId, tally, answers }: FileRun & { answers: Readonly<Record<string, string>> },
): void {
  const rows = withoutTwins(
    records,
    (row) => row.externalId,
    (row) => JSON.stringify({ ...row, line: 0 }),
    tally,
  );
  const inFile = parentsInFile(rows);
  const find = customerFinder(ctx, answers);
  const { known, open } = customersOfOtherNumbers(ctx, rows);
  const others = new Map([...known, ...(answers.same === "same" ? open : [])]);
  const taken: CustomerRecord[] = [];
  for (const row of rows) {
    const parentId = row.parentId === null ? null : parentOf(row.parentId, inFile, find);
    if (parentId === undefined) {
      tally.refuseLine(row.line, "parentId", { code: "customer.parent", id: row.parentId });
      continue;
    }
    taken.push({ ...row, parentId });
    const other = customerByExternalId(ctx.db, others.get(row.externalId) ?? "");
    if (other) {
      // Lists of the other program name the customer by that number.
      insertAlias(ctx.db, other.id, row.externalId);
      tally.know(row.line);
    } else takeIn(ctx, row, { fileId, tally });
  }
  setParents(ctx, taken, tally);
}

/** A customer by its own number. */
function takeIn(
  ctx: CommandContext,
  row: CustomerRecord,
  { fileId, tally }: Pick<FileRun, "fileId" | "tally">,
): void {
  const known = customerByExternalId(ctx.db, row.externalId);
  if (!known) {
    insertNew(ctx, row, fileId);
    const what = row.parentId === null ? "customers" : "customers that are sites of another";
    tally.take(row.line, what, null);
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

/** The number of a head office, by what the file calls it; undefined for nobody's. */
const parentOf = (
  said: string,
  inFile: ReturnType<typeof parentsInFile>,
  find: ReturnType<typeof customerFinder>,
): string | undefined => inFile(said) ?? find(said)?.externalId;

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
