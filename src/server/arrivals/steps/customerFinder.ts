import { plainWords } from "@/core/formats";
import { allCustomers, customerByExternalId, type CustomerRow } from "@/db/customers";
import type { CommandContext } from "@/server/runtime/context";

/** The key by which people say whom a file means by some words. */
export const customerKey = (said: string): string => `customer:${plainWords(said)}`;

/**
 * Finds the customer that a file means: by what was said of it, else by number, else by a name, another
 * name or an address that only one customer has. Two that fit are none: a person says which.
 */
export function customerFinder(
  ctx: CommandContext,
  answers: Readonly<Record<string, string>> = {},
): (said: string) => CustomerRow | undefined {
  let known: Map<string, CustomerRow | null> | undefined;
  const named = (name: string): CustomerRow | undefined =>
    (known ??= byName(ctx)).get(plainWords(name)) ?? undefined;
  return (said) => {
    const answer = answers[customerKey(said)];
    if (answer === NOBODY) return undefined;
    return (
      (answer === undefined ? undefined : customerByExternalId(ctx.db, answer)) ??
      customerByExternalId(ctx.db, said) ??
      named(said) ??
      parted(said)
        .filter(({ name, number }) => named(name)?.externalId === number)
        .map(({ name }) => named(name))[0]
    );
  };
}

/** A number and a name in one cell, either way round: `C101 Ada Park`, `Ada Park (C101)`. */
function parted(said: string): { number: string; name: string }[] {
  const words = said.trim().split(/\s+/);
  const bare = (text: string): string => text.replace(/^[-–:|([]|[-–:|)\]]$/g, "");
  const [first = "", last = ""] = [words[0], words.at(-1)];
  return [
    { number: bare(first), name: words.slice(1).join(" ") },
    { number: bare(last), name: words.slice(0, -1).join(" ") },
  ];
}

/** The answer that a file means none of the book's customers. */
export const NOBODY = "none";

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
