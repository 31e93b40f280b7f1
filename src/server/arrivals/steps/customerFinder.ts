import { plainWords } from "@/core/formats";
import { allCustomers, customerByExternalId, type CustomerRow } from "@/db/customers";
import type { CommandContext } from "@/server/runtime/context";

/**
 * Finds the customer that a file means: by number, else by a name, another name or an address that
 * only one customer has. Two that fit are none: a person says which.
 */
export function customerFinder(ctx: CommandContext): (said: string) => CustomerRow | undefined {
  let named: Map<string, CustomerRow | null> | undefined;
  return (said) =>
    customerByExternalId(ctx.db, said) ??
    (named ??= byName(ctx)).get(plainWords(said)) ??
    undefined;
}

/** Customers by what they are called; null where several are. */
function byName(ctx: CommandContext): Map<string, CustomerRow | null> {
  const found = new Map<string, CustomerRow | null>();
  for (const customer of allCustomers(ctx.db)) {
    const names = [
      customer.name,
      ...(customer.aliases ?? []),
      ...(customer.email ?? "").split(","),
    ];
    for (const name of new Set(names.map(plainWords)))
      if (name !== "") found.set(name, found.has(name) ? null : customer);
  }
  return found;
}
