import type { FileQuestion } from "@/contracts/arrivals";
import { type CustomerRecord, plainWords } from "@/core/formats";
import type { CustomerRow } from "@/db/customers";
import { alikeByName } from "@/server/customers/queries/alike";
import type { CommandContext } from "@/server/runtime/context";

import { customerFinder, customerKey, NOBODY } from "../steps/customerFinder";

/** What is longer is no name. */
const LONGEST = 200;
/** So many are asked about at once; the others come once these are answered. */
const MOST = 12;

/**
 * Customers whom a file calls otherwise than the book does, but so that somebody may be meant: each
 * is asked about once, and the answer is kept with the mapping. Who is like nobody is refused by its
 * lines. `said`: what the file says, line by line.
 */
export function unknownCustomers(
  ctx: CommandContext,
  said: readonly string[],
  answers: Readonly<Record<string, string>>,
): FileQuestion[] {
  const find = customerFinder(ctx);
  const counts = new Map<string, { text: string; lines: number }>();
  for (const text of said) {
    const key = customerKey(text);
    const isName = text.length >= 3 && text.length <= LONGEST;
    if (!isName || answers[key] !== undefined || find(text)) continue;
    counts.set(key, { text, lines: (counts.get(key)?.lines ?? 0) + 1 });
  }
  const found = alikeByName(
    ctx.db,
    [...counts.values()].map(({ text }) => text),
  );
  return [...counts]
    .flatMap(([key, { text, lines }]) => {
      const meant = found.get(text);
      return meant ? [whoIsMeant(key, { text, lines, meant })] : [];
    })
    .slice(0, MOST);
}

type Unknown = { text: string; lines: number; meant: readonly CustomerRow[] };

const whoIsMeant = (key: string, { text, lines, meant }: Unknown): FileQuestion => ({
  key,
  words: `No customer is called “${text}” (${lines} ${lines === 1 ? "line" : "lines"}). Who is meant?`,
  choices: [
    ...meant.map(({ externalId, name }) => ({
      answer: externalId,
      result: `${name}, ${externalId}`,
    })),
    { answer: NOBODY, result: "none of these: the lines are refused" },
  ],
});

/** The same for head offices: the file's own customers are known by number or by name. */
export function unknownParents(
  ctx: CommandContext,
  rows: readonly CustomerRecord[],
  answers: Readonly<Record<string, string>>,
): FileQuestion[] {
  const own = parentsInFile(rows);
  const said = rows.flatMap(({ parentId }) =>
    parentId === null || own(parentId) ? [] : [parentId],
  );
  return unknownCustomers(ctx, said, answers);
}

/** Finds a head office among the customers of a file, by number, else by a name that one of them has. */
export function parentsInFile(
  rows: readonly CustomerRecord[],
): (said: string) => string | undefined {
  const ids = new Set(rows.map(({ externalId }) => externalId));
  const named = new Map<string, string | undefined>();
  for (const { name, externalId } of rows) {
    const plain = plainWords(name);
    named.set(plain, named.has(plain) ? undefined : externalId);
  }
  return (said) => (ids.has(said) ? said : named.get(plainWords(said)));
}
