import { join } from "node:path";
import { Worker } from "node:worker_threads";

import { fail, type Result } from "@/core/result";
import type { CommandName, InputOf, OutputOf } from "@/server/commands";

import { bookExists } from "../folders";
import type { WriterAnswer, WriterRequest } from "./writerThread";

/** The threads of a server, one a book, kept across reloads of the code. */
type Progress = { done: number; of: number };
type Waiting = { answer: (result: Result<unknown>) => void; key: string; progress: Progress };
type Writers = Map<string, { worker: Worker; waiting: Map<number, Waiting>; next: number }>;
const kept = globalThis as typeof globalThis & { dozoWriters?: Writers };

function writerOf(book: string): NonNullable<ReturnType<Writers["get"]>> {
  const writers = (kept.dozoWriters ??= new Map());
  const known = writers.get(book);
  if (known) return known;
  const worker = new Worker(
    join(/* turbopackIgnore: true */ process.env.DOZO_ROOT ?? process.cwd(), "dist/writer.mjs"),
    { workerData: { book } },
  );
  const made = { worker, waiting: new Map<number, Waiting>(), next: 1 };
  worker.on("message", (said: WriterAnswer) => {
    const waiting = made.waiting.get(said.id);
    if (waiting && "progress" in said) waiting.progress = said.progress;
    else if (waiting && "result" in said) {
      waiting.answer(said.result);
      made.waiting.delete(said.id);
    }
  });
  const gone = (): void => {
    writers.delete(book);
    for (const { answer } of made.waiting.values()) answer(fail("bug", {}));
    made.waiting.clear();
  };
  worker.on("error", gone);
  worker.on("exit", gone);
  worker.unref();
  writers.set(book, made);
  return made;
}

/** Has the book's writer carry out a command; commands of one book run one after the other. */
export async function execute<Name extends CommandName>(
  book: string,
  command: Name,
  input: InputOf<Name>,
  how: { actor: string; key: string; rehearse?: boolean },
): Promise<Result<OutputOf<Name>>> {
  if (!bookExists(book)) return fail("book.missing", { book });
  const writer = writerOf(book);
  const id = writer.next++;
  const result = await new Promise<Result<unknown>>((resolve) => {
    writer.waiting.set(id, { answer: resolve, key: how.key, progress: { done: 0, of: 0 } });
    writer.worker.postMessage({
      id,
      command,
      input,
      actor: how.actor,
      key: how.key,
      rehearse: how.rehearse ?? false,
    } satisfies WriterRequest);
  });
  return result as Result<OutputOf<Name>>;
}

/** Starts the thread of the book's writer, which takes a moment: whoever looks at what to pay does not wait for it. */
export function standBy(book: string): void {
  writerOf(book);
}

/** Starts the book's writer, which delivers what waits; it needs no command for that. */
export function wake(book: string): void {
  writerOf(book).worker.postMessage(null);
}

/** How far a command is that is under way, by its key; null where it is not (or is done). */
export function progressOf(book: string, key: string): Progress | null {
  const waiting = [...(kept.dozoWriters?.get(book)?.waiting.values() ?? [])].find(
    (waiting) => waiting.key === key,
  );
  return waiting?.progress ?? null;
}
