import type { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { commandByKey, insertCommand, nextCommandId } from "@/db/acts";
import type { Db } from "@/db/connection";
import { beginImages, keepImages, watchImages } from "@/db/undoFile";
import { addToChain, beginChain, chainBegins, hashOf, watchRows } from "@/db/trail";

import { type Actor, CommandContext, Refusal } from "./context";
import { fieldInWords, firstProblem } from "@/contracts/problems";
import { inputProblem, masked, withoutSecrets } from "@/core/gate";

/** One way to change a book. `run` is synchronous and lies within one transaction. */
export type Command<Schema extends z.ZodType = z.ZodType, Output = unknown> = {
  readonly name: string;
  readonly schema: Schema;
  /** Whether what rows were before is kept, so that all of it can be taken back at once. */
  readonly keepsImages?: boolean;
  readonly run: (ctx: CommandContext, input: z.output<Schema>) => Result<Output>;
};

export function defineCommand<Schema extends z.ZodType, Output>(
  command: Command<Schema, Output>,
): Command<Schema, Output> {
  return command;
}

/** Who asks, under which key; `rehearse`: to see what would come of it, with nothing kept. */
type Caller = Actor & { key: string; rehearse?: boolean };

/**
 * Carries out a command: checks its input, does all of it or nothing, and
 * writes the audit trail in the same transaction. A key that was used before
 * gives the result of that time: done twice is done once.
 */
export function runCommand<Schema extends z.ZodType, Output>(
  db: Db,
  command: Command<Schema, Output>,
  input: unknown,
  who: Caller,
): Result<Output> {
  const parsed = command.schema.safeParse(input);
  if (!parsed.success) return fail("input.invalid", firstProblem(parsed.error, command.name));
  const barred = inputProblem(parsed.data);
  if (barred) return fail(barred.code, { where: fieldInWords(barred.path) || command.name });
  let later: readonly (() => void)[] = [];
  const work = (): Result<Output> => {
    const input = masked(parsed.data);
    const inputHash = hashOf(withoutSecrets(input));
    const before = commandByKey(db, who.key);
    if (before)
      return before.name === command.name && ["", inputHash].includes(before.inputHash)
        ? ok(JSON.parse(before.result) as Output)
        : fail("key.reused");
    if (!chainBegins(db)) beginChain(db);
    if (command.keepsImages) beginImages(db);
    const at = new Date().toISOString();
    const id = nextCommandId(db);
    const context = new CommandContext(db, who, id, at);
    const result = command.run(context, input);
    later = context.later;
    if (!result.ok) throw new Refusal(result.error);
    if (command.keepsImages) keepImages(db, id);
    const said = JSON.stringify(result.value ?? null);
    const record = { id, key: who.key, name: command.name, actor: who.actor, at, inputHash };
    insertCommand(db, { ...record, result: said });
    addToChain(db, { ...record, resultHash: hashOf(said) });
    return result;
  };
  // Before the transaction: what watches would go with it when it is rolled back.
  watchRows(db);
  if (command.keepsImages) watchImages(db);
  try {
    if (who.rehearse) return db.rehearse(work);
    const result = db.transaction(work);
    for (const todo of later) todo();
    return result;
  } catch (error) {
    if (error instanceof Refusal) return { ok: false, error: error.failure };
    throw error;
  }
}
