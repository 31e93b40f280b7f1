import type { CustomerRecord } from "@/core/formats";
import {
  aliasesOf,
  customerByExternalId,
  insertAlias,
  insertCustomer,
  renewCustomer,
  setParent,
} from "@/db/customers";
import type { CommandContext } from "@/server/runtime/context";

import { type Tallying, withoutTwins } from "./report";

/** Takes in customers; what is known with other words (a new name or address) is brought up to date. */
export function importCustomers(
  ctx: CommandContext,
  records: readonly CustomerRecord[],
  fileId: number,
  tally: Tallying,
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
    if (
      row.parentId !== null &&
      !inFile.has(row.parentId) &&
      !customerByExternalId(ctx.db, row.parentId)
    ) {
      tally.refuseLine(row.line, "parentId", { code: "customer.parent", id: row.parentId });
      continue;
    }
    taken.push(row);
    const known = customerByExternalId(ctx.db, row.externalId);
    const names = known ? aliasesOf(ctx.db, known.id) : [];
    if (!known) {
      const id = insertCustomer(ctx.db, {
        externalId: row.externalId,
        name: row.name,
        email: row.email,
        phone: row.phone,
        parentId: null,
        fileId,
        lineNo: row.line,
      });
      for (const alias of row.aliases) insertAlias(ctx.db, id, alias);
      tally.take(
        row.line,
        row.parentId === null ? "customers" : "customers that are sites of another",
        null,
      );
    } else if (
      known.name !== row.name ||
      (row.email !== null && known.email !== row.email) ||
      (row.phone !== null && known.phone !== row.phone) ||
      row.aliases.some((alias) => !names.includes(alias))
    ) {
      renewCustomer(ctx.db, known.id, row);
      for (const alias of row.aliases) insertAlias(ctx.db, known.id, alias);
      tally.updated(row.line);
      tally.also("customers brought up to date", null);
    } else tally.know(row.line);
  }
  for (const row of taken.filter(({ parentId }) => parentId !== null)) {
    const child = customerByExternalId(ctx.db, row.externalId);
    const parent = customerByExternalId(ctx.db, row.parentId ?? "");
    if (child && parent && child.parentId !== parent.id && child.id !== parent.id)
      setParent(ctx.db, child.id, parent.id);
  }
}
