import type { z } from "zod";

import { fail, type Failure, ok, type Result } from "@/core/result";
import { commandByKey, insertCommand, nextCommandId } from "@/db/acts";
import type { Db } from "@/db/connection";

import { type Actor, CommandContext } from "./context";
import { firstProblem } from "@/contracts/problems";

/** One way to change a book. `run` is synchronous and lies within one transaction. */
export type Command<Schema extends z.ZodType = z.ZodType, Output = unknown> = {
  readonly name: string;
  readonly schema: Schema;
  readonly run: (ctx: CommandContext, input: z.output<Schema>) => Result<Output>;
};

export function defineCommand<Schema extends z.ZodType, Output>(
  command: Command<Schema, Output>,
): Command<Schema, Output> {
  return command;
}

class RolledBack extends Error {
  constructor(readonly error: Failure) {
    super(error.code);
  }
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
  let later: readonly (() => void)[] = [];
  const work = (): Result<Output> => {
    const before = commandByKey(db, who.key);
    if (before)
      return before.name === command.name
        ? ok(JSON.parse(before.result) as Output)
        : fail("key.reused");
    const at = new Date().toISOString();
    const id = nextCommandId(db);
    const context = new CommandContext(db, who, id, at);
    const result = command.run(context, parsed.data);
    later = context.later;
    if (!result.ok) throw new RolledBack(result.error);
    insertCommand(db, {
      id,
      key: who.key,
      name: command.name,
      actor: who.actor,
      at,
      result: JSON.stringify(result.value ?? null),
    });
    return result;
  };
  try {
    if (who.rehearse) return db.rehearse(work);
    const result = db.transaction(work);
    for (const todo of later) todo();
    return result;
  } catch (error) {
    if (error instanceof RolledBack) return { ok: false, error: error.error };
    throw error;
  }
}
