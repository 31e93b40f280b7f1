import { parentPort, workerData } from "node:worker_threads";

import { fail, type Result } from "@/core/result";
import type { Db } from "@/db/connection";
import { failureOfFile } from "@/db/fileFailure";
import { Hold } from "@/db/hold";
import { letterToDeliver, markPerhapsSent } from "@/db/letters";
import { commandOf } from "@/server/commands";
import { deliverLetter } from "@/server/output/delivery";

import { openBookToWrite, stillOpen } from "../books";
import { runCommand } from "../command";
import { bookExists, serverHold } from "../folders";

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

/** The next letter; none while the file is not the book's own any more. */
const queued = (): number | undefined =>
  db !== null && stillOpen(book, db).ok ? letterToDeliver(db, new Date().toISOString()) : undefined;

/** Letters whose mail server was not reached are tried again when their time comes. */
const LOOK_AGAIN_MS = 60_000;
setInterval(() => {
  if (db !== null) deliver();
}, LOOK_AGAIN_MS).unref();

/** That this server, and no other, writes to the book and sends its letters. */
let owner: Hold | null = null;

/** Opens the book where it is not open yet; what a crash left in it is delivered then. */
function opened(): Result<Db> {
  if (db !== null) return stillOpen(book, db);
  owner ??= bookExists(book) ? Hold.claim(serverHold(book)) : null;
  if (owner === null) return fail(bookExists(book) ? "book.served" : "book.missing", { book });
  const made = openBookToWrite(book);
  if (!made.ok) return made;
  db = made.value;
  markPerhapsSent(db);
  deliver();
  return made;
}

/** Commands after which letters may wait to be delivered. */
const LEAD_TO_LETTERS: ReadonlySet<string> = new Set([
  "sendLetter",
  "sendLetters",
  "runLetters",
  "settleLetter",
]);

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
    if (result.ok && LEAD_TO_LETTERS.has(request.command) && !request.rehearse) deliver();
    // Nothing is answered with success that lies in a file which is not the book's any more.
    const still = stillOpen(book, open.value);
    return still.ok ? result : still;
  } catch (error) {
    const failure = failureOfFile(error);
    if (failure) return { ok: false, error: { ...failure, book } };
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
