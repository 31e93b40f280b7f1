import { parentPort, workerData } from "node:worker_threads";

import { fail, ok, type Result } from "@/core/result";
import { type Db, isBusy } from "@/db/connection";
import { letterToDeliver } from "@/db/letters";
import { commandOf } from "@/server/commands";
import { deliverLetter } from "@/server/output/delivery";

import { openBookToWrite } from "../books";
import { runCommand } from "../command";

/**
 * The one writer of a book in the server: commands arrive as messages and are
 * carried out one after the other, each in its transaction.
 */
export type WriterRequest = {
  id: number;
  command: string;
  input: unknown;
  actor: string;
  key: string;
  rehearse: boolean;
};
export type WriterAnswer =
  { id: number; result: Result<unknown> } | { id: number; progress: { done: number; of: number } };

const { book } = workerData as { book: string };
let db: Db | null = null;

/**
 * Letters that are recorded go to the outbox one after the other, between commands; what a crash
 * left goes with the next start.
 */
let delivering: Promise<void> = Promise.resolve();
function deliver(): void {
  delivering = delivering
    .then(async () => {
      for (let next = queued(); next !== undefined && db !== null; next = queued()) {
        await deliverLetter(db, book, next);
        // Commands that have come meanwhile go first.
        await new Promise((resolve) => {
          setImmediate(resolve);
        });
      }
    })
    .catch((error: unknown) => {
      console.error(
        `dozo: letters wait in the book: ${error instanceof Error ? error.message : "unknown"}`,
      );
    });
}

const queued = (): number | undefined =>
  db === null ? undefined : letterToDeliver(db, new Date().toISOString());

/** Letters whose mail server was not reached are tried again when their time comes. */
const LOOK_AGAIN_MS = 60_000;
setInterval(() => {
  if (db !== null) deliver();
}, LOOK_AGAIN_MS).unref();

/** Opens the book where it is not open yet; what a crash left in it is delivered then. */
function opened(): Result<Db> {
  if (db !== null) return ok(db);
  const made = openBookToWrite(book);
  if (!made.ok) return made;
  db = made.value;
  deliver();
  return made;
}

async function carryOut(request: WriterRequest): Promise<Result<unknown>> {
  const open = opened();
  if (!open.ok) return open;
  const command = commandOf(request.command);
  if (!command) return fail("command.unknown", { name: request.command });
  try {
    const result = runCommand(open.value, command, request.input, {
      book,
      actor: request.actor,
      key: request.key,
      progress: (done, of) =>
        parentPort?.postMessage({
          id: request.id,
          progress: { done, of },
        } satisfies WriterAnswer),
      rehearse: request.rehearse,
    });
    if (
      result.ok &&
      (request.command.startsWith("sendLetter") || request.command === "runLetters") &&
      !request.rehearse
    )
      deliver();
    return result;
  } catch (error) {
    if (isBusy(error)) return fail("book.locked");
    throw error;
  }
}

let queue: Promise<void> = Promise.resolve();
parentPort?.on("message", (request: WriterRequest | null) => {
  // Nothing but a knock: what waits is delivered.
  if (request === null) {
    if (opened().ok) deliver();
    return;
  }
  queue = queue.then(async () => {
    const result = await carryOut(request).catch((error: unknown): Result<unknown> => {
      console.error(
        `dozo: ${request.command} failed: ${error instanceof Error ? (error.stack ?? error.message) : "unknown"}`,
      );
      return fail("bug", {});
    });
    parentPort?.postMessage({ id: request.id, result } satisfies WriterAnswer);
  });
});
