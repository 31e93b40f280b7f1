import type { z } from "zod";

import { fail, ok, type Result } from "@/core/result";
import { commandByKey, insertCommand, nextCommandId } from "@/db/acts";
import type { Db } from "@/db/connection";
import { beginImages, keepImages, watchImages } from "@/db/undoFile";
import { addToChain, beginChain, chainBegins, hashOf } from "@/db/trail";
import { markRows, watchRows } from "@/db/touched";

import { type Actor, CommandContext, Refusal } from "./context";
import { fieldInWords, firstProblem } from "@/contracts/problems";
import { inputProblem, masked, withoutSecrets } from "@/core/gate";

/** One way to change a book. `run` is synchronous and lies within one transaction. */
export type Command<Schema extends z.ZodType = z.ZodType, Output = unknown> = {
  readonly name: string;
  readonly schema: Schema;
  /** Whether what rows were before is kept, so that all of it can be taken back at once. */
  readonly keepsImages?: boolean;
  /** Another command that is carried out before it, in the same transaction and with a record of its own. */
  readonly first?: (db: Db, input: z.output<Schema>) => First | null;
  readonly run: (ctx: CommandContext, input: z.output<Schema>) => Result<Output>;
};
type First = (db: Db, who: Caller) => void;

/** A command with its input, to be carried out before another. */
export const before =
  <Schema extends z.ZodType>(command: Command<Schema>, input: z.output<Schema>): First =>
  (db, who) => {
    carryOut(db, command, input, { ...who, key: `${who.key}-first` });
  };

export function defineCommand<Schema extends z.ZodType, Output>(
  command: Command<Schema, Output>,
): Command<Schema, Output> {
  return command;
}

/** Who asks, under which key. */
type Caller = Actor & { key: string };

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
    const known = commandByKey(db, who.key);
    if (known)
      return known.name === command.name && ["", hashOfInput(input)].includes(known.inputHash)
        ? ok(JSON.parse(known.result) as Output)
        : fail("key.reused");
    markRows(db);
    if (!chainBegins(db)) beginChain(db);
    command.first?.(db, input)?.(db, who);
    const done = carryOut(db, command, input, who);
    later = done.later;
    return ok(done.value);
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

const hashOfInput = (input: unknown): string => hashOf(withoutSecrets(input));

/** Does one command within the transaction, and writes its record. Throws a Refusal where it is refused. */
function carryOut<Schema extends z.ZodType, Output>(
  db: Db,
  command: Command<Schema, Output>,
  input: z.output<Schema>,
  who: Caller,
): { value: Output; later: readonly (() => void)[] } {
  if (command.keepsImages) beginImages(db);
  const at = new Date().toISOString();
  const id = nextCommandId(db);
  const context = new CommandContext(db, who, id, at);
  const result = command.run(context, input);
  if (!result.ok) throw new Refusal(result.error);
  // Nothing of a rehearsal stays, and so it needs no record.
  if (who.rehearse === true) return { value: result.value, later: [] };
  if (command.keepsImages) keepImages(db, id);
  const said = JSON.stringify(result.value ?? null);
  const inputHash = hashOfInput(input);
  const record = { id, key: who.key, name: command.name, actor: who.actor, at, inputHash };
  insertCommand(db, { ...record, result: said });
  addToChain(db, { ...record, resultHash: hashOf(said) });
  return { value: result.value, later: context.later };
}
